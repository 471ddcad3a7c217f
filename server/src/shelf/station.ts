import { ProductService } from '../close/products.ts';
import { CloseService } from '../close/service.ts';
import { GarageService } from '../garage/service.ts';
import type { Station } from '../station.ts';
import { ShelfEntity } from './entities.ts';
import { shelfRoutes } from './routes.ts';
import { ShelfService } from './service.ts';

/** What is here of what work uses up, and what is short? */
export const shelf: Station = {
  name: 'shelf',
  entities: [ShelfEntity],
  serve: (house) => [
    new ShelfService(house.db, {
      garage: house.the(GarageService),
      closes: house.the(CloseService),
      products: house.the(ProductService),
    }),
  ],
  addresses: (house) => [{ router: shelfRoutes(house.the(ShelfService)) }],
};
