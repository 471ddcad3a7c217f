import { CutService } from '../cut/service.ts';
import { JobService } from '../job/service.ts';
import { JointService } from '../repair/service.ts';
import type { Station } from '../station.ts';
import { ZoneService } from '../survey/zones.ts';
import { VerdictService } from '../verdict/service.ts';
import { sideRoutes } from './routes.ts';
import { SideService } from './service.ts';

/** The same on the other side of the car. */
export const side: Station = {
  name: 'side',
  serve: (house) => [
    new SideService(house.db, {
      verdicts: house.the(VerdictService),
      zones: house.the(ZoneService),
      cuts: house.the(CutService),
      joints: house.the(JointService),
      jobs: house.the(JobService),
    }),
  ],
  addresses: (house) => [{ router: sideRoutes(house.the(SideService)) }],
};
