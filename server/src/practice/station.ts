import { ShopService } from '../shop/service.ts';
import type { Station } from '../station.ts';
import { PracticeBestEntity } from './entities.ts';
import { practiceRoutes } from './routes.ts';
import { PracticeService } from './service.ts';

/** What would you have found? */
export const practice: Station = {
  name: 'practice',
  entities: [PracticeBestEntity],
  serve: (house) => [new PracticeService(house.db, { shops: house.the(ShopService), bench: house.bench })],
  addresses: (house) => [{ router: practiceRoutes(house.the(PracticeService)) }],
};
