import { Router } from 'express';
import type { Station } from '../station.ts';
import { GarageService } from '../garage/service.ts';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { PaceService } from '../pace/service.ts';
import { ShopService } from '../shop/service.ts';
import { ZoneService } from '../survey/zones.ts';
import { OfferService } from '../verdict/offers.ts';
import { VerdictService } from '../verdict/service.ts';
import { WholeService } from './service.ts';

/** Go on with patches, or order it all? */
export const whole: Station = {
  name: 'whole',
  serve: (house) => [
    new WholeService({
      garage: house.the(GarageService),
      zones: house.the(ZoneService),
      verdicts: house.the(VerdictService),
      offers: house.the(OfferService),
      shops: house.the(ShopService),
      paces: house.the(PaceService),
      bench: house.bench,
    }),
  ],
  addresses: (house) => {
    const router = Router();
    router.get('/vehicles/:id/whole', async (request, response) => {
      response.json(await house.the(WholeService).view(callerOf(request), idOf(request)));
    });
    return [{ router }];
  },
};
