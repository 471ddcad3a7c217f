import type { Station } from '../station.ts';
import { GarageService } from '../garage/service.ts';
import { LiveHub } from './hub.ts';
import { liveRoutes } from './routes.ts';

/** What others do on the same car at this moment. */
export const live: Station = {
  name: 'live',
  serve: (house) => [new LiveHub(house, house.the(GarageService))],
  addresses: (house) => [{ router: liveRoutes(house.the(LiveHub), house.db) }],
  close: (house) => house.the(LiveHub).close(),
};
