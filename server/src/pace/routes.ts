import { Router } from 'express';
import { callerOf } from '../http/session.ts';
import type { PaceService } from './service.ts';

export function paceRoutes(paces: PaceService): Router {
  const router = Router();
  router.get('/paces', async (request, response) => {
    response.json(await paces.view(callerOf(request)));
  });
  router.delete('/paces', async (request, response) => {
    response.json(await paces.reset(callerOf(request)));
  });
  return router;
}
