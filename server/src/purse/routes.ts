import { Router } from 'express';
import { purseSchema } from '@aspecta/contract/purse/schemas';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { PurseService } from './service.ts';

export function purseRoutes(purses: PurseService): Router {
  const router = Router();
  router.get('/purse', async (request, response) => {
    response.json(await purses.view(callerOf(request)));
  });
  router.put('/purse', async (request, response) => {
    response.json(await purses.say(callerOf(request), parse(purseSchema, request.body)));
  });
  return router;
}
