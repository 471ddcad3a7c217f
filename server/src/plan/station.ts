import type { Station } from '../station.ts';
import { GarageService } from '../garage/service.ts';
import { JobService } from '../job/service.ts';
import { WorkerEntity } from './entities.ts';
import { planRoutes } from './routes.ts';
import { PlanService } from './service.ts';

/** What can be done tonight, and when is it ready. */
export const plan: Station = {
  name: 'plan',
  entities: [WorkerEntity],
  serve: (house) => [
    new PlanService(house.db, {
      garage: house.the(GarageService),
      jobs: house.the(JobService),
      bench: house.bench,
    }),
  ],
  addresses: (house) => [{ router: planRoutes(house.the(PlanService)) }],
};
