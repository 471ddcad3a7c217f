import type { Station } from '../station.ts';
import { GaugeHoldEntity } from './entities.ts';
import { GaugeHolds } from './holds.ts';
import { gaugeRoutes } from './routes.ts';
import { GaugeService } from './service.ts';

/** What the gauge says, and who has it in hand. */
export const gauge: Station = {
  name: 'gauge',
  entities: [GaugeHoldEntity],
  serve: (house) => [new GaugeService(house.means.gauges ?? [], new GaugeHolds(house.db))],
  addresses: (house) => [{ at: '/gauges', router: gaugeRoutes(house.the(GaugeService), house.db) }],
  close: (house) => house.the(GaugeService).close(),
};
