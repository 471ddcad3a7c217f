import express, { Router } from 'express';
import { readingsSchema, withdrawSchema, zoneChangeSchema, zoneSchema } from '@aspecta/contract/survey/schemas';
import { idOf, wordOf } from '../http/params.ts';
import { callerOf, guard } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { ReadingService } from './readings.ts';
import type { ZoneService } from './zones.ts';

/** Largest CSV that is taken: about 20,000 lines. */
const LARGEST_CSV = '4mb';

export function surveyRoutes(readings: ReadingService, zones: ZoneService): Router {
  const router = Router();
  router.use(guard);
  router.get('/vehicles/:id/panels/:panel/readings', async (request, response) => {
    response.json(await readings.list(callerOf(request), idOf(request), wordOf(request, 'panel')));
  });
  router.post('/vehicles/:id/readings', async (request, response) => {
    response
      .status(201)
      .json(await readings.add(callerOf(request), idOf(request), parse(readingsSchema, request.body).readings));
  });
  router.post('/vehicles/:id/readings/withdraw', async (request, response) => {
    const { ids, withdrawn } = parse(withdrawSchema, request.body);
    response.json(await readings.withdraw(callerOf(request), idOf(request), ids, withdrawn));
  });
  router.post(
    '/vehicles/:id/readings/import',
    express.text({ type: ['text/csv', 'text/plain'], limit: LARGEST_CSV }),
    async (request, response) => {
      const text = typeof request.body === 'string' ? request.body : '';
      response.json(await readings.importCsv(callerOf(request), idOf(request), text, request.query['store'] === '1'));
    },
  );
  router.get('/vehicles/:id/panels/:panel/zones', async (request, response) => {
    response.json(await zones.list(callerOf(request), idOf(request), wordOf(request, 'panel')));
  });
  router.post('/vehicles/:id/zones', async (request, response) => {
    response.status(201).json(await zones.add(callerOf(request), idOf(request), parse(zoneSchema, request.body)));
  });
  router.put('/vehicles/:id/zones/:zone', async (request, response) => {
    response.json(
      await zones.change(
        callerOf(request),
        idOf(request),
        idOf(request, 'zone'),
        parse(zoneChangeSchema, request.body),
      ),
    );
  });
  router.delete('/vehicles/:id/zones/:zone', async (request, response) => {
    await zones.remove(callerOf(request), idOf(request), idOf(request, 'zone'));
    response.status(204).end();
  });
  router.post('/vehicles/:id/zones/:zone/restore', async (request, response) => {
    response.json(await zones.restore(callerOf(request), idOf(request), idOf(request, 'zone')));
  });
  router.get('/vehicles/:id/zones/:zone/history', async (request, response) => {
    response.json(await zones.history(callerOf(request), idOf(request), idOf(request, 'zone')));
  });
  return router;
}
