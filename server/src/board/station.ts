import type { Station } from '../station.ts';
import { GarageService } from '../garage/service.ts';
import { OrderService } from '../order/service.ts';
import { ReadingService } from '../survey/readings.ts';
import { ZoneService } from '../survey/zones.ts';
import { VerdictService } from '../verdict/service.ts';
import { boardRoutes } from './routes.ts';
import { BoardService } from './service.ts';

/** The body at a glance. */
export const board: Station = {
  name: 'board',
  serve: (house) => [
    new BoardService(house, {
      garage: house.the(GarageService),
      readings: house.the(ReadingService),
      zones: house.the(ZoneService),
      verdicts: house.the(VerdictService),
      orders: house.the(OrderService),
    }),
  ],
  addresses: (house) => [{ at: '/vehicles', router: boardRoutes(house.the(BoardService)) }],
  standing: (_house, vehicles) =>
    Promise.resolve(new Map(vehicles.map(({ id }) => [id, { word: '', waits: false, done: false, path: '' }]))),
};
