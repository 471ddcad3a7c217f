import { Router } from 'express';
import {
  braceOutSchema,
  braceSchema,
  gapSchema,
  pointSchema,
  roundChangeSchema,
  roundSchema,
  tapeSchema,
} from '@aspecta/contract/hold/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { HoldService } from './service.ts';

export function holdRoutes(hold: HoldService): Router {
  const router = Router();
  const at = '/vehicles/:id/hold';
  router.get(at, async (request, response) => {
    response.json(await hold.view(callerOf(request), idOf(request)));
  });
  router.post(`${at}/rounds`, async (request, response) => {
    response.status(201).json(await hold.begin(callerOf(request), idOf(request), parse(roundSchema, request.body)));
  });
  router.put(`${at}/rounds/:round`, async (request, response) => {
    const place = { vehicleId: idOf(request), roundId: idOf(request, 'round') };
    response.json(await hold.change(callerOf(request), place, parse(roundChangeSchema, request.body)));
  });
  router.delete(`${at}/rounds/:round`, async (request, response) => {
    const place = { vehicleId: idOf(request), roundId: idOf(request, 'round') };
    response.json(await hold.remove(callerOf(request), place));
  });
  router.post(`${at}/rounds/:round/tapes`, async (request, response) => {
    const place = { vehicleId: idOf(request), roundId: idOf(request, 'round') };
    response.status(201).json(await hold.tape(callerOf(request), place, parse(tapeSchema, request.body)));
  });
  router.delete(`${at}/rounds/:round/tapes/:tape`, async (request, response) => {
    const place = { vehicleId: idOf(request), roundId: idOf(request, 'round') };
    response.json(await hold.takeBack(callerOf(request), place, idOf(request, 'tape')));
  });
  router.post(`${at}/points`, async (request, response) => {
    response.status(201).json(await hold.addPoint(callerOf(request), idOf(request), parse(pointSchema, request.body)));
  });
  router.delete(`${at}/points/:point`, async (request, response) => {
    response.json(await hold.removePoint(callerOf(request), idOf(request), idOf(request, 'point')));
  });
  router.post(`${at}/braces`, async (request, response) => {
    response.status(201).json(await hold.fit(callerOf(request), idOf(request), parse(braceSchema, request.body)));
  });
  router.put(`${at}/braces/:brace/out`, async (request, response) => {
    const out = { ...parse(braceOutSchema, request.body), id: idOf(request, 'brace') };
    response.json(await hold.unfit(callerOf(request), idOf(request), out));
  });
  router.delete(`${at}/braces/:brace`, async (request, response) => {
    response.json(await hold.braceBack(callerOf(request), idOf(request), idOf(request, 'brace')));
  });
  router.post(`${at}/gaps`, async (request, response) => {
    response.status(201).json(await hold.addGaps(callerOf(request), idOf(request), parse(gapSchema, request.body)));
  });
  router.delete(`${at}/gaps/:gap`, async (request, response) => {
    response.json(await hold.removeGaps(callerOf(request), idOf(request), idOf(request, 'gap')));
  });
  return router;
}
