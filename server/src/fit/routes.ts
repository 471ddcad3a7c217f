import { Router } from 'express';
import { fitOverruleSchema, fitRoundSchema } from '@aspecta/contract/fit/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { FitService } from './service.ts';

export function fitRoutes(fits: FitService): Router {
  const router = Router();
  router.get('/repairs/:id/fit', async (request, response) => {
    response.json(await fits.view(callerOf(request), idOf(request)));
  });
  router.post('/repairs/:id/fit/rounds', async (request, response) => {
    response.status(201).json(await fits.add(callerOf(request), idOf(request), parse(fitRoundSchema, request.body)));
  });
  router.delete('/repairs/:id/fit/rounds/:round', async (request, response) => {
    response.json(await fits.remove(callerOf(request), idOf(request), idOf(request, 'round')));
  });
  router.put('/repairs/:id/fit/overruled', async (request, response) => {
    response.json(await fits.overrule(callerOf(request), idOf(request), parse(fitOverruleSchema, request.body)));
  });
  return router;
}
