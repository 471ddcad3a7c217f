import express, { Router } from 'express';
import {
  findChangeSchema,
  findSchema,
  lookSchema,
  pitSchema,
  readingsSchema,
  withdrawSchema,
  zoneChangeSchema,
  zoneOperationSchema,
  zoneSchema,
} from '@aspecta/contract/survey/schemas';
import { idOf, wordOf } from '../http/params.ts';
import { notFound } from '../http/problems.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { ExtentService } from './extents.ts';
import type { FindService } from './finds.ts';
import type { PitService } from './pits.ts';
import type { ReadingService } from './readings.ts';
import type { WalkService } from './walk.ts';
import type { ZoneService } from './zones.ts';
import type { GarageService } from '../garage/service.ts';

/** Largest file of readings that is looked at: a hundred thousand lines still get an answer that says what to do. */
const LARGEST_FILE = '24mb';
const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  json: 'application/json; charset=utf-8',
} as const;

interface Services {
  garage: GarageService;
  readings: ReadingService;
  zones: ZoneService;
  finds: FindService;
  walks: WalkService;
  pits: PitService;
  extents: ExtentService;
}

export function surveyRoutes(services: Services): Router {
  const router = Router();
  router.use(readingRoutes(services), zoneRoutes(services), lookRoutes(services));
  return router;
}

function readingRoutes({ readings }: Services): Router {
  const router = Router();
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
    express.raw({ type: () => true, limit: LARGEST_FILE }),
    async (request, response) => {
      const bytes = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
      response.json(await readings.importFile(callerOf(request), idOf(request), bytes, request.query['store'] === '1'));
    },
  );
  router.get('/vehicles/:id/readings.:format', async (request, response) => {
    const format = wordOf(request, 'format') as keyof typeof TYPES;
    if (!(format in TYPES)) throw notFound('format');
    const file = await readings.exportFile(callerOf(request), idOf(request), format);
    response.attachment(`readings.${format}`).type(TYPES[format]).send(Buffer.from(file));
  });
  return router;
}

function zoneRoutes({ zones, extents, garage }: Services): Router {
  const router = Router();
  router.get('/vehicles/:id/panels/:panel/zones', async (request, response) => {
    response.json(await zones.list(callerOf(request), idOf(request), wordOf(request, 'panel')));
  });
  router.post('/vehicles/:id/zones', async (request, response) => {
    response.status(201).json(await zones.add(callerOf(request), idOf(request), parse(zoneSchema, request.body)));
  });
  router.post('/vehicles/:id/zones/operate', async (request, response) => {
    response.json(await zones.operate(callerOf(request), idOf(request), parse(zoneOperationSchema, request.body)));
  });
  router.put('/vehicles/:id/zones/:zone', async (request, response) => {
    const change = parse(zoneChangeSchema, request.body);
    response.json(await zones.change(callerOf(request), idOf(request), idOf(request, 'zone'), change));
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
  router.get('/vehicles/:id/panels/:panel/extents', async (request, response) => {
    await garage.own(callerOf(request), idOf(request));
    response.json(await extents.list(idOf(request), wordOf(request, 'panel')));
  });
  router.delete('/learnt', async (request, response) => {
    response.json(await extents.forget(callerOf(request)));
  });
  router.get('/learnt', async (request, response) => {
    response.json(await extents.learnt(callerOf(request)));
  });
  return router;
}

function lookRoutes({ finds, walks, pits }: Services): Router {
  const router = Router();
  router.get('/vehicles/:id/walk', async (request, response) => {
    response.json(await walks.walk(callerOf(request), idOf(request)));
  });
  router.post('/vehicles/:id/walk', async (request, response) => {
    const { place, state } = parse(lookSchema, request.body);
    response.json(await walks.look(callerOf(request), idOf(request), place, state));
  });
  router.get('/vehicles/:id/finds', async (request, response) => {
    response.json(await finds.list(callerOf(request), idOf(request)));
  });
  router.get('/vehicles/:id/panels/:panel/finds', async (request, response) => {
    response.json(await finds.list(callerOf(request), idOf(request), wordOf(request, 'panel')));
  });
  router.post('/vehicles/:id/finds', async (request, response) => {
    response.status(201).json(await finds.add(callerOf(request), idOf(request), parse(findSchema, request.body)));
  });
  router.put('/vehicles/:id/finds/:find', async (request, response) => {
    const change = parse(findChangeSchema, request.body);
    response.json(await finds.change(callerOf(request), idOf(request), idOf(request, 'find'), change));
  });
  for (const [verb, removed] of [
    ['remove', true],
    ['restore', false],
  ] as const)
    router.post(`/vehicles/:id/finds/:find/${verb}`, async (request, response) => {
      await finds.setRemoved(callerOf(request), idOf(request), idOf(request, 'find'), removed);
      response.status(204).end();
    });
  router.get('/vehicles/:id/panels/:panel/layers/:layer/pits', async (request, response) => {
    const [panel, layer] = [wordOf(request, 'panel'), wordOf(request, 'layer')];
    response.json(await pits.of(callerOf(request), idOf(request), panel, layer));
  });
  router.post('/vehicles/:id/pits', async (request, response) => {
    response.status(201).json(await pits.add(callerOf(request), idOf(request), parse(pitSchema, request.body)));
  });
  for (const [verb, removed] of [
    ['remove', true],
    ['restore', false],
  ] as const)
    router.post(`/vehicles/:id/pits/:pit/${verb}`, async (request, response) => {
      await pits.setRemoved(callerOf(request), idOf(request), idOf(request, 'pit'), removed);
      response.status(204).end();
    });
  return router;
}
