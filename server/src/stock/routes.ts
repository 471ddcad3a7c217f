import { Router } from 'express';
import { cutSheetSchema, layOutSchema, sheetChangeSchema, sheetSchema } from '@aspecta/contract/stock/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { StockService } from './service.ts';

export function stockRoutes(stock: StockService): Router {
  const router = Router();
  router.get('/stock', async (request, response) => {
    response.json(await stock.view(callerOf(request)));
  });
  router.post('/stock/sheets', async (request, response) => {
    response.status(201).json(await stock.add(callerOf(request), parse(sheetSchema, request.body)));
  });
  router.put('/stock/sheets/:id', async (request, response) => {
    const change = parse(sheetChangeSchema, { ...(request.body as object), id: idOf(request) });
    response.json(await stock.change(callerOf(request), change));
  });
  router.delete('/stock/sheets/:id', async (request, response) => {
    response.json(await stock.remove(callerOf(request), idOf(request)));
  });
  router.post('/stock/lay-out', async (request, response) => {
    response.json(await stock.layOut(callerOf(request), parse(layOutSchema, request.body)));
  });
  router.post('/stock/cut', async (request, response) => {
    response.json(await stock.cut(callerOf(request), parse(cutSheetSchema, request.body)));
  });
  router.delete('/stock/cut/:id/:section', async (request, response) => {
    response.json(await stock.takeBack(callerOf(request), idOf(request), Number(request.params['section'])));
  });
  return router;
}
