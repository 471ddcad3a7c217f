import type { Station } from '../station.ts';
import { BoardService } from '../board/service.ts';
import { GarageService } from '../garage/service.ts';
import { PhotoService } from '../photo/service.ts';
import { ShopService } from '../shop/service.ts';
import { FindService } from '../survey/finds.ts';
import { PitService } from '../survey/pits.ts';
import { ReadingService } from '../survey/readings.ts';
import { WalkService } from '../survey/walk.ts';
import { ZoneService } from '../survey/zones.ts';
import { reportRoutes } from './routes.ts';
import { ReportService } from './service.ts';

/** What is known and what is not, on paper. */
export const report: Station = {
  name: 'report',
  serve: (house) => [
    new ReportService(house, {
      garage: house.the(GarageService),
      shops: house.the(ShopService),
      readings: house.the(ReadingService),
      zones: house.the(ZoneService),
      finds: house.the(FindService),
      walks: house.the(WalkService),
      pits: house.the(PitService),
      photos: house.the(PhotoService),
      board: house.the(BoardService),
    }),
  ],
  addresses: (house) => [{ router: reportRoutes(house.the(ReportService)) }],
};
