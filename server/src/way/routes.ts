import { Router } from 'express';
import { waySchema } from '@aspecta/contract/way/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { WayService } from './service.ts';

export function wayRoutes(ways: WayService): Router {
  const router = Router();
  router.get('/repairs/:id/way', async (request, response) => {
    response.json(await ways.view(callerOf(request), idOf(request)));
  });
  router.put('/repairs/:id/way', async (request, response) => {
    response.json(await ways.say(callerOf(request), idOf(request), parse(waySchema, request.body)));
  });
  return router;
}
