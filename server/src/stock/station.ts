import { PatternService } from '../pattern/service.ts';
import type { Station } from '../station.ts';
import { VerdictService } from '../verdict/service.ts';
import { StockSheetEntity } from './entities.ts';
import { stockRoutes } from './routes.ts';
import { StockService } from './service.ts';

/** Which sheets are here, and what is cut from which. */
export const stock: Station = {
  name: 'stock',
  entities: [StockSheetEntity],
  serve: (house) => [
    new StockService(house.db, {
      patterns: house.the(PatternService),
      verdicts: house.the(VerdictService),
      bench: house.bench,
    }),
  ],
  addresses: (house) => [{ router: stockRoutes(house.the(StockService)) }],
};
