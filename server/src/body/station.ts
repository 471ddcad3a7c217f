import type { Station } from '../station.ts';
import { GarageService } from '../garage/service.ts';
import { PlanEntity } from './entities.ts';
import { FactsService } from './facts.ts';
import { PieceService } from './pieces.ts';
import { PlanService } from './plans.ts';
import { bodyRoutes } from './routes.ts';

/** What the car consists of. */
export const body: Station = {
  name: 'body',
  entities: [PlanEntity],
  serve: (house) => [new PlanService(house.db)],
  addresses: (house) => [
    {
      router: bodyRoutes({
        plans: house.the(PlanService),
        // Stands on the garage, which stands on the plans.
        facts: new FactsService(house.db, { plans: house.the(PlanService), garage: house.the(GarageService) }),
        pieces: new PieceService(house.db, { plans: house.the(PlanService), garage: house.the(GarageService) }),
        garage: house.the(GarageService),
        bench: house.bench,
      }),
    },
  ],
};
