import { Router } from 'express';
import { sideSchema } from '@aspecta/contract/side/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { SideService } from './service.ts';

export function sideRoutes(sides: SideService): Router {
  const router = Router();
  router.get('/repairs/:id/side', async (request, response) => {
    response.json(await sides.view(callerOf(request), idOf(request)));
  });
  router.post('/repairs/:id/side', async (request, response) => {
    response.status(201).json(await sides.same(callerOf(request), idOf(request), parse(sideSchema, request.body)));
  });
  return router;
}
