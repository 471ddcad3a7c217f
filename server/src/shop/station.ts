import type { Station } from '../station.ts';
import { AccountService } from '../account/service.ts';
import { Throttle } from '../account/throttle.ts';
import { PersonEntity, ShopEntity } from './entities.ts';
import { doorRoutes, shopRoutes } from './routes.ts';
import { ShopService } from './service.ts';

/** The door, and the rules of the house. */
export const shop: Station = {
  name: 'shop',
  entities: [ShopEntity, PersonEntity],
  serve: (house) => [new ShopService(house.db)],
  addresses: (house) => {
    const { db, means } = house;
    const throttle = new Throttle(db, means.triesPerQuarterHour ?? 20);
    const door = doorRoutes({
      shops: house.the(ShopService),
      accounts: house.the(AccountService),
      throttle,
      demo: means.demo ?? false,
    });
    return [
      { router: door, open: ['/session', '/setup', '/door', '/invitations'] },
      { at: '/shop', router: shopRoutes(house.the(ShopService)) },
    ];
  },
};
