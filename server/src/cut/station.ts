import type { Station, StationStanding } from '../station.ts';
import { cutInRepairs } from '../verdict/cutIn.ts';
import { ShopService } from '../shop/service.ts';
import { ReadingService } from '../survey/readings.ts';
import { VerdictService } from '../verdict/service.ts';
import { CutEntity } from './entities.ts';
import { cutRoutes } from './routes.ts';
import { CutService } from './service.ts';

/** Where the saw goes, and whether the piece passes. */
export const cut: Station = {
  name: 'cut',
  entities: [CutEntity],
  serve: (house) => [
    new CutService(house.db, {
      verdicts: house.the(VerdictService),
      readings: house.the(ReadingService),
      shops: house.the(ShopService),
      bench: house.bench,
    }),
  ],
  addresses: (house) => [
    {
      router: cutRoutes({
        cuts: house.the(CutService),
        verdicts: house.the(VerdictService),
        shops: house.the(ShopService),
        bench: house.bench,
      }),
    },
  ],
  standing: async ({ db }, vehicles) => {
    const repairs = await cutInRepairs(db, vehicles);
    return new Map(
      vehicles.map(({ id }): [string, StationStanding] => {
        const own = repairs.filter((row) => row.vehicleId === id);
        const open = own.filter((row) => !row.done);
        const at = open[0] ?? own[0];
        return [
          id,
          {
            word: own.length === 0 ? 'no patch decided' : `${own.length} ${own.length === 1 ? 'line' : 'lines'}`,
            waits: false,
            done: own.length > 0 && open.length === 0,
            path: at && `repairs/${at.id}/cut`,
          },
        ];
      }),
    );
  },
};
