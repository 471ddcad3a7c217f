import type { Station } from '../station.ts';
import { GarageService } from '../garage/service.ts';
import { JobService } from '../job/service.ts';
import { PurseService } from '../purse/service.ts';
import { AllCarsService } from './allCars.ts';
import { PlanWishEntity, WorkerEntity } from './entities.ts';
import { planRoutes } from './routes.ts';
import { PlanService } from './service.ts';
import { WorkerService } from './workers.ts';

/** What can be done tonight, and when is it ready. */
export const plan: Station = {
  name: 'plan',
  entities: [WorkerEntity, PlanWishEntity],
  serve: (house) => {
    const workers = new WorkerService(house.db);
    const services = {
      garage: house.the(GarageService),
      jobs: house.the(JobService),
      workers,
      purses: house.the(PurseService),
      bench: house.bench,
    };
    return [workers, new PlanService(house.db, services), new AllCarsService(house.db, services)];
  },
  addresses: (house) => [
    {
      router: planRoutes({
        plans: house.the(PlanService),
        allCars: house.the(AllCarsService),
        workers: house.the(WorkerService),
      }),
    },
  ],
};
