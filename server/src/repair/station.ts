import { In, IsNull } from 'typeorm';
import { keepsPanel } from '@aspecta/core/verdict';
import { CutService } from '../cut/service.ts';
import { PaceService } from '../pace/service.ts';
import { ShopService } from '../shop/service.ts';
import type { Station, StationStanding } from '../station.ts';
import { RepairEntity } from '../verdict/entities.ts';
import { VerdictService } from '../verdict/service.ts';
import { FastenerEntity, JointChoiceEntity } from './entities.ts';
import { jointRoutes } from './routes.ts';
import { JointService } from './service.ts';

/** What holds a piece, and what of it is opened. */
export const joints: Station = {
  name: 'joints',
  entities: [FastenerEntity, JointChoiceEntity],
  serve: (house) => [
    new JointService(house.db, {
      verdicts: house.the(VerdictService),
      cuts: house.the(CutService),
      shops: house.the(ShopService),
      paces: house.the(PaceService),
    }),
  ],
  addresses: (house) => [{ router: jointRoutes(house.the(JointService)) }],
  standing: async ({ db }, vehicles) => {
    const repairs = await db.getRepository(RepairEntity).find({
      where: { vehicleId: In(vehicles.map(({ id }) => id)), deletedAt: IsNull() },
      order: { decidedAt: 'ASC' },
    });
    const opened = repairs.filter(({ choice }) => !keepsPanel(choice));
    return new Map(
      vehicles.map(({ id }): [string, StationStanding] => {
        const own = opened.filter((row) => row.vehicleId === id);
        const open = own.filter((row) => !row.done);
        const at = open[0] ?? own[0];
        return [
          id,
          {
            word: own.length === 0 ? 'nothing to open' : `${own.length} ${own.length === 1 ? 'repair' : 'repairs'}`,
            waits: false,
            done: own.length > 0 && open.length === 0,
            path: at && `repairs/${at.id}/joints`,
          },
        ];
      }),
    );
  },
};
