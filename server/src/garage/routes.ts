import { Router } from 'express';
import { vehicleChangeSchema, vehicleSchema } from '@aspecta/contract/garage/schemas';
import type { BoardService } from '../board/service.ts';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { GarageService } from './service.ts';

export function garageRoutes(garage: GarageService, board: BoardService): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    response.json(await garage.list(callerOf(request), (vehicles) => board.garageLines(vehicles)));
  });
  router.get('/removed', async (request, response) => {
    response.json(await garage.removed(callerOf(request)));
  });
  router.post('/', async (request, response) => {
    response.status(201).json(await garage.add(callerOf(request), parse(vehicleSchema, request.body)));
  });
  router.get('/:id', async (request, response) => {
    response.json(await garage.vehicle(callerOf(request), idOf(request)));
  });
  router.put('/:id', async (request, response) => {
    response.json(await garage.change(callerOf(request), idOf(request), parse(vehicleChangeSchema, request.body)));
  });
  router.delete('/:id', async (request, response) => {
    await garage.remove(callerOf(request), idOf(request));
    response.status(204).end();
  });
  router.post('/:id/restore', async (request, response) => {
    response.json(await garage.restore(callerOf(request), idOf(request)));
  });
  return router;
}
