import { AllCarsService } from '../plan/allCars.ts';
import type { Station } from '../station.ts';
import { FeedEntity } from './entities.ts';
import { feedFileRoutes, feedRoutes } from './routes.ts';
import { FeedService } from './service.ts';

/** What is planned, in a person's own calendar. */
export const feed: Station = {
  name: 'feed',
  entities: [FeedEntity],
  serve: (house) => [new FeedService(house.db, house.the(AllCarsService))],
  addresses: (house) => {
    const feeds = house.the(FeedService);
    return [{ router: feedFileRoutes(feeds), open: ['/calendar'] }, { router: feedRoutes(feeds) }];
  },
};
