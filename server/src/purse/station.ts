import { OrderService } from '../order/service.ts';
import type { Station } from '../station.ts';
import { PurseEntity } from './entities.ts';
import { purseRoutes } from './routes.ts';
import { PurseService } from './service.ts';

/** What money is there for parts, and when does more come in? */
export const purse: Station = {
  name: 'purse',
  entities: [PurseEntity],
  serve: (house) => [new PurseService(house.db, house.the(OrderService))],
  addresses: (house) => [{ router: purseRoutes(house.the(PurseService)) }],
};
