import { GarageService } from '../garage/service.ts';
import { OrderService } from '../order/service.ts';
import { PhotoService } from '../photo/service.ts';
import type { Station } from '../station.ts';
import { ShareEntity } from './entities.ts';
import { repairParts } from './repairParts.ts';
import { recordRoutes, sharedRoutes } from './routes.ts';
import { RecordService } from './service.ts';

/** What was found, decided and done? */
export const record: Station = {
  name: 'record',
  entities: [ShareEntity],
  serve: (house) => [
    new RecordService(house, {
      garage: house.the(GarageService),
      orders: house.the(OrderService),
      photos: house.the(PhotoService),
    }),
  ],
  addresses: (house) => {
    const records = house.the(RecordService);
    return [{ router: sharedRoutes(records), open: ['/shared'] }, { router: recordRoutes(records) }];
  },
  report: (house, vehicle, reader) =>
    repairParts(house.db, vehicle, { reasons: reader === 'workshop', hours: reader === 'workshop' }),
};
