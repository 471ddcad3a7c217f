import { Router } from 'express';
import {
  coatSchema,
  overruleSchema,
  productChangeSchema,
  productSchema,
  systemsSchema,
} from '@aspecta/contract/close/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { ProductService } from './products.ts';
import type { CloseService } from './service.ts';

export function closeRoutes(closes: CloseService, products: ProductService): Router {
  const router = Router();
  const at = '/vehicles/:id/close';
  router.get(at, async (request, response) => {
    response.json(await closes.view(callerOf(request), idOf(request)));
  });
  router.post(`${at}/coats`, async (request, response) => {
    response.status(201).json(await closes.coat(callerOf(request), idOf(request), parse(coatSchema, request.body)));
  });
  router.delete(`${at}/coats/:coat`, async (request, response) => {
    response.json(await closes.takeBack(callerOf(request), idOf(request), idOf(request, 'coat')));
  });
  router.put(`${at}/overruled`, async (request, response) => {
    response.json(await closes.overrule(callerOf(request), idOf(request), parse(overruleSchema, request.body)));
  });
  router.get('/reminders', async (request, response) => {
    response.json(await closes.reminders(callerOf(request)));
  });
  router.put('/systems', async (request, response) => {
    response.json(await products.changeSystems(callerOf(request), parse(systemsSchema, request.body)));
  });
  router.get('/products', async (request, response) => {
    response.json(await products.list(callerOf(request)));
  });
  router.post('/products', async (request, response) => {
    response.status(201).json(await products.add(callerOf(request), parse(productSchema, request.body)));
  });
  router.put('/products/:id', async (request, response) => {
    const change = parse(productChangeSchema, { ...(request.body as object), id: idOf(request) });
    response.json(await products.change(callerOf(request), change));
  });
  router.delete('/products/:id', async (request, response) => {
    response.json(await products.remove(callerOf(request), idOf(request)));
  });
  return router;
}
