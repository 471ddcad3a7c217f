import { In } from 'typeorm';
import { isMade } from '@aspecta/core/verdict';
import { CutService } from '../cut/service.ts';
import { JointService } from '../repair/service.ts';
import { ShopService } from '../shop/service.ts';
import type { Station, StationStanding } from '../station.ts';
import { cutInRepairs } from '../verdict/cutIn.ts';
import { VerdictService } from '../verdict/service.ts';
import { weldProgress } from '../weld/progress.ts';
import { isCutOut, PatternEntity } from './entities.ts';
import { patternRoutes } from './routes.ts';
import { PatternService } from './service.ts';

/** What is cut from flat sheet for a piece, with all that goes on beyond its edges. */
export const pattern: Station = {
  name: 'pattern',
  entities: [PatternEntity],
  serve: (house) => [
    new PatternService(house.db, {
      verdicts: house.the(VerdictService),
      joints: house.the(JointService),
      cuts: house.the(CutService),
    }),
  ],
  addresses: (house) => [
    {
      router: patternRoutes({
        patterns: house.the(PatternService),
        verdicts: house.the(VerdictService),
        shops: house.the(ShopService),
        bench: house.bench,
      }),
    },
  ],
  standing: async (house, vehicles) => {
    const repairs = await cutInRepairs(house.db, vehicles, isMade);
    const ids = repairs.map(({ id }) => id);
    const [rows, welds] = await Promise.all([
      house.db.getRepository(PatternEntity).findBy({ id: In(ids) }),
      weldProgress(house.db, ids),
    ]);
    // What is being welded in was cut out, whether or not somebody said so.
    const cut = new Set([
      ...rows.filter(isCutOut).map(({ id }) => id),
      ...ids.filter((id) => (welds.get(id)?.done ?? 0) > 0),
    ]);
    return new Map(
      vehicles.map(({ id }): [string, StationStanding] => {
        const own = repairs.filter((row) => row.vehicleId === id);
        const open = own.filter((row) => !row.done && !cut.has(row.id));
        const at = open[0] ?? own[0];
        return [
          id,
          {
            word: own.length === 0 ? 'nothing to make' : open.length > 0 ? `${open.length} to cut out` : 'all cut out',
            waits: false,
            done: own.length > 0 && open.length === 0,
            path: at && `repairs/${at.id}/pattern`,
          },
        ];
      }),
    );
  },
};
