import type { Station } from '../station.ts';
import { BoardService } from '../board/service.ts';
import { PlanService } from '../body/plans.ts';
import { EventEntity } from '../events/entities.ts';
import { VehicleEntity } from './entities.ts';
import { garageRoutes } from './routes.ts';
import { GarageService } from './service.ts';

/** Which car, and what can be done tonight. */
export const garage: Station = {
  name: 'garage',
  entities: [VehicleEntity, EventEntity],
  serve: (house) => [new GarageService(house.db, house.the(PlanService))],
  addresses: (house) => [{ at: '/vehicles', router: garageRoutes(house.the(GarageService), house.the(BoardService)) }],
};
