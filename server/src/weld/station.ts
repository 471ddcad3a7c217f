import { panelOf } from '@aspecta/core/body';
import { isLetIn } from '@aspecta/core/verdict';
import type { Station, StationStanding } from '../station.ts';
import { URGENCY } from '../board/urgency.ts';
import { CutService } from '../cut/service.ts';
import { ShopService } from '../shop/service.ts';
import { cutInRepairs } from '../verdict/cutIn.ts';
import { VerdictService } from '../verdict/service.ts';
import { WeldEntity, WeldStepEntity } from './entities.ts';
import { weldRoutes } from './routes.ts';
import { WeldService } from './service.ts';

/** Which stitch, how hot, how long to wait. */
export const weld: Station = {
  name: 'weld',
  entities: [WeldEntity, WeldStepEntity],
  serve: (house) => [
    new WeldService(house.db, {
      cuts: house.the(CutService),
      verdicts: house.the(VerdictService),
      shops: house.the(ShopService),
      bench: house.bench,
    }),
  ],
  addresses: (house) => [{ router: weldRoutes(house.the(WeldService)) }],
  standing: async ({ db }, vehicles) => {
    const repairs = await cutInRepairs(db, vehicles, isLetIn);
    return new Map(
      vehicles.map(({ id, plan }): [string, StationStanding] => {
        const own = repairs.filter((row) => row.vehicleId === id);
        const open = own.filter((row) => !row.done);
        const at = open[0] ?? own[0];
        return [
          id,
          {
            word: own.length === 0 ? 'no patch decided' : open.length === 0 ? 'all welded' : `${open.length} to weld`,
            waits: open.length > 0,
            done: own.length > 0 && open.length === 0,
            path: at && `repairs/${at.id}/weld`,
            next: open[0] && {
              text: `Go on with the patch in ${panelOf(plan, open[0].panel).name}`,
              path: `repairs/${open[0].id}/weld`,
              urgency: URGENCY.weld,
            },
          },
        ];
      }),
    );
  },
};
