import { keepsPanel } from '@aspecta/core/verdict';
import { JointService } from '../repair/service.ts';
import type { Station, StationStanding } from '../station.ts';
import { cutInRepairs } from '../verdict/cutIn.ts';
import { VerdictService } from '../verdict/service.ts';
import { FitEntity, FitOverruleEntity } from './entities.ts';
import { fitRoutes } from './routes.ts';
import { FitService } from './service.ts';

/** When does it fit? */
export const fit: Station = {
  name: 'fit',
  entities: [FitEntity, FitOverruleEntity],
  serve: (house) => [
    new FitService(house.db, { verdicts: house.the(VerdictService), joints: house.the(JointService) }),
  ],
  addresses: (house) => [{ router: fitRoutes(house.the(FitService)) }],
  standing: async (house, vehicles) => {
    const repairs = await cutInRepairs(house.db, vehicles, (choice) => !keepsPanel(choice));
    const tried = await house.the(FitService).shares(repairs);
    return new Map(
      vehicles.map(({ id }): [string, StationStanding] => {
        const own = repairs.filter((row) => row.vehicleId === id);
        const open = own.filter((row) => !row.done);
        const at = open.find((row) => tried.has(row.id)) ?? open[0] ?? own[0];
        const begun = own.filter((row) => tried.has(row.id)).length;
        return [
          id,
          {
            word: own.length === 0 ? 'nothing to fit' : begun > 0 ? `${begun} tried` : 'not tried',
            waits: false,
            done: own.length > 0 && open.length === 0,
            path: at && `repairs/${at.id}/fit`,
          },
        ];
      }),
    );
  },
};
