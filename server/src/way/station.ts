import { In } from 'typeorm';
import { keepsPanel } from '@aspecta/core/verdict';
import { JointService } from '../repair/service.ts';
import { ShopService } from '../shop/service.ts';
import type { Station, StationStanding } from '../station.ts';
import { cutInRepairs } from '../verdict/cutIn.ts';
import { VerdictService } from '../verdict/service.ts';
import { WayEntity } from './entities.ts';
import { wayRoutes } from './routes.ts';
import { WayService } from './service.ts';

/** How does the piece get in, and what comes off for it? */
export const way: Station = {
  name: 'way',
  entities: [WayEntity],
  serve: (house) => [
    new WayService(house.db, {
      verdicts: house.the(VerdictService),
      joints: house.the(JointService),
      shops: house.the(ShopService),
    }),
  ],
  addresses: (house) => [{ router: wayRoutes(house.the(WayService)) }],
  standing: async (house, vehicles) => {
    const repairs = await cutInRepairs(house.db, vehicles, (choice) => !keepsPanel(choice));
    const rows = await house.db.getRepository(WayEntity).findBy({ id: In(repairs.map(({ id }) => id)) });
    const said = new Map(rows.map((row) => [row.id, row]));
    return new Map(
      vehicles.map(({ id }): [string, StationStanding] => {
        const own = repairs.filter((row) => row.vehicleId === id);
        const told = own.filter((row) => said.has(row.id));
        const chosen = told.filter((row) => said.get(row.id)!.chosen !== null);
        const at = told[0] ?? own[0];
        return [
          id,
          {
            word: own.length === 0 ? 'none' : chosen.length > 0 ? `${chosen.length} chosen` : 'not asked',
            waits: told.length > chosen.length,
            done: own.length > 0 && told.length > 0 && told.length === chosen.length,
            path: at && `repairs/${at.id}/way`,
          },
        ];
      }),
    );
  },
};
