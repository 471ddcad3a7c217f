import { Router } from 'express';
import { dressRoundSchema } from '@aspecta/contract/dress/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { DressService } from './service.ts';

export function dressRoutes(dress: DressService): Router {
  const router = Router();
  router.get('/repairs/:id/dress', async (request, response) => {
    response.json(await dress.view(callerOf(request), idOf(request)));
  });
  router.post('/repairs/:id/dress/rounds', async (request, response) => {
    response.status(201).json(await dress.add(callerOf(request), idOf(request), parse(dressRoundSchema, request.body)));
  });
  router.delete('/repairs/:id/dress/rounds/:round', async (request, response) => {
    response.json(await dress.remove(callerOf(request), idOf(request), idOf(request, 'round')));
  });
  return router;
}
