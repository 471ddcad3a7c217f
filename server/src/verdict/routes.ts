import { Router } from 'express';
import {
  decideSchema,
  offerSchema,
  redecideSchema,
  restoreSchema,
  weighSchema,
  withdrawSchema,
} from '@aspecta/contract/verdict/schemas';
import { triedRulesSchema } from '@aspecta/contract/shop/schemas';
import type { GarageService } from '../garage/service.ts';
import { idOf, wordOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { OfferService } from './offers.ts';
import type { VerdictService } from './service.ts';

export function verdictRoutes(verdicts: VerdictService, offers: OfferService, garage: GarageService): Router {
  const router = Router();
  router.post('/vehicles/:id/verdict', async (request, response) => {
    response.json(await verdicts.weigh(callerOf(request), idOf(request), parse(weighSchema, request.body).zoneIds));
  });
  router.get('/estimates/schools/:question', async (request, response) => {
    response.json(await verdicts.schools(callerOf(request), wordOf(request, 'question')));
  });
  router.post('/estimates/moved', async (request, response) => {
    response.json(await verdicts.moved(callerOf(request), parse(triedRulesSchema, request.body)));
  });
  router.post('/vehicles/:id/offers', async (request, response) => {
    const caller = callerOf(request);
    const vehicle = await garage.own(caller, idOf(request));
    response.status(201).json(await offers.add(caller, vehicle, parse(offerSchema, request.body)));
  });
  router.get('/vehicles/:id/panels/:panel/offers-elsewhere', async (request, response) => {
    const caller = callerOf(request);
    const vehicle = await garage.own(caller, idOf(request));
    response.json(await offers.elsewhere(caller, vehicle, wordOf(request, 'panel')));
  });
  router.get('/vehicles/:id/repairs', async (request, response) => {
    response.json(await verdicts.list(callerOf(request), idOf(request)));
  });
  router.post('/vehicles/:id/repairs', async (request, response) => {
    response
      .status(201)
      .json(await verdicts.decide(callerOf(request), idOf(request), parse(decideSchema, request.body)));
  });
  router.get('/repairs/:id', async (request, response) => {
    response.json(await verdicts.repair(callerOf(request), idOf(request)));
  });
  router.put('/repairs/:id', async (request, response) => {
    response.json(await verdicts.change(callerOf(request), idOf(request), parse(redecideSchema, request.body)));
  });
  router.post('/repairs/:id/withdraw', async (request, response) => {
    response.json(await verdicts.withdraw(callerOf(request), idOf(request), parse(withdrawSchema, request.body)));
  });
  router.post('/repairs/:id/restore', async (request, response) => {
    const { version } = parse(restoreSchema, request.body);
    response.json(await verdicts.restore(callerOf(request), idOf(request), version));
  });
  return router;
}
