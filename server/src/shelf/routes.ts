import { Router } from 'express';
import { shelfChangeSchema, shelfSchema } from '@aspecta/contract/shelf/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { ShelfService } from './service.ts';

export function shelfRoutes(shelves: ShelfService): Router {
  const router = Router();
  router.get('/shelf', async (request, response) => {
    response.json(await shelves.view(callerOf(request)));
  });
  router.post('/shelf', async (request, response) => {
    response.status(201).json(await shelves.add(callerOf(request), parse(shelfSchema, request.body)));
  });
  router.put('/shelf/:id', async (request, response) => {
    const change = parse(shelfChangeSchema, { ...(request.body as object), id: idOf(request) });
    response.json(await shelves.change(callerOf(request), change));
  });
  router.delete('/shelf/:id', async (request, response) => {
    response.json(await shelves.remove(callerOf(request), idOf(request)));
  });
  return router;
}
