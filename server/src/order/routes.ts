import { Router } from 'express';
import type { DataSource } from 'typeorm';
import {
  arrivalSchema,
  orderBackSchema,
  orderChangeSchema,
  orderMoveSchema,
  orderSchema,
  parcelSchema,
  trackSchema,
} from '@aspecta/contract/order/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import { csvOf, workbookOf } from '../files/table.ts';
import type { AllCarsService } from '../plan/allCars.ts';
import type { ShopService } from '../shop/service.ts';
import { makersOf, orderAdvice } from './advice.ts';
import { checkArrival } from './arrivals.ts';
import { orderSheet, orderTable } from './files.ts';
import { orderTogether } from './parcels.ts';
import type { OrderService } from './service.ts';

interface Services {
  db: DataSource;
  orders: OrderService;
  allCars: AllCarsService;
  shops: ShopService;
}

export function orderRoutes(services: Services): Router {
  const { orders, shops } = services;
  const router = Router();
  router.get('/', async (request, response) => {
    response.json(await orders.list(callerOf(request)));
  });
  router.get('/advice', async (request, response) => {
    response.json(await orderAdvice(services, callerOf(request)));
  });
  router.get('/makers', async (request, response) => {
    response.json(await makersOf(services, callerOf(request)));
  });
  router.get('/orders.csv', async (request, response) => {
    const file = csvOf(orderTable(await orders.list(callerOf(request))));
    response.attachment('orders.csv').type('text/csv; charset=utf-8').send(file);
  });
  router.get('/orders.xlsx', async (request, response) => {
    const file = await workbookOf({ Orders: orderTable(await orders.list(callerOf(request))) });
    response.attachment('orders.xlsx').send(file);
  });
  router.get('/:id/order.pdf', async (request, response) => {
    const caller = callerOf(request);
    const [line, all, shop] = await Promise.all([
      orders.line(caller, idOf(request)),
      orders.list(caller),
      shops.shop(caller),
    ]);
    const lines = line.parcel ? all.filter(({ parcel }) => parcel === line.parcel) : [line];
    const on = line.history.find(({ state }) => state === 'ordered')?.on ?? line.history[0]!.on;
    response.attachment('order.pdf').send(await orderSheet(lines, { shop: shop.name, on }));
  });
  router.post('/parcel', async (request, response) => {
    response.json(await orderTogether(services, callerOf(request), parse(parcelSchema, request.body)));
  });
  router.post('/:id/check', async (request, response) => {
    const input = parse(arrivalSchema, request.body);
    response.json(await checkArrival(services, callerOf(request), idOf(request), input));
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
  router.put('/:id/track', async (request, response) => {
    response.json(await orders.track(callerOf(request), idOf(request), parse(trackSchema, request.body)));
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
