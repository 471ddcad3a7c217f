import { GarageService } from '../garage/service.ts';
import type { Station } from '../station.ts';
import { paceRoutes } from './routes.ts';
import { PaceService } from './service.ts';

/** How long this shop takes for what is counted. */
export const pace: Station = {
  name: 'pace',
  serve: (house) => [new PaceService(house.db, house.the(GarageService))],
  addresses: (house) => [{ router: paceRoutes(house.the(PaceService)) }],
};
