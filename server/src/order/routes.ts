import { Router } from 'express';
import { orderBackSchema, orderChangeSchema, orderMoveSchema, orderSchema } from '@aspecta/contract/order/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { OrderService } from './service.ts';

export function orderRoutes(orders: OrderService): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    response.json(await orders.list(callerOf(request)));
  });
  router.post('/', async (request, response) => {
    response.status(201).json(await orders.add(callerOf(request), parse(orderSchema, request.body)));
  });
  router.put('/:id', async (request, response) => {
    response.json(await orders.change(callerOf(request), idOf(request), parse(orderChangeSchema, request.body)));
  });
  router.post('/:id/move', async (request, response) => {
    response.json(await orders.move(callerOf(request), idOf(request), parse(orderMoveSchema, request.body)));
  });
  router.post('/:id/back', async (request, response) => {
    const { version } = parse(orderBackSchema, request.body);
    response.json(await orders.takeBack(callerOf(request), idOf(request), version));
  });
  router.post('/:id/keep', async (request, response) => {
    const { version } = parse(orderBackSchema, request.body);
    response.json(await orders.keep(callerOf(request), idOf(request), version));
  });
  return router;
}
