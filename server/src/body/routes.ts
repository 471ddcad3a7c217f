import express, { Router } from 'express';
import { outlineSchema } from '@aspecta/contract/body/schemas';
import type { GarageService } from '../garage/service.ts';
import { idOf, wordOf } from '../http/params.ts';
import { callerOf, guard } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import { outlineFrom } from './outlineFiles.ts';
import type { PlanService } from './plans.ts';

const LARGEST_DRAWING = '4mb';

export function bodyRoutes(plans: PlanService, garage: GarageService): Router {
  const router = Router();
  router.use(guard);
  router.get('/plans', async (request, response) => {
    response.json(await plans.list(callerOf(request)));
  });
  router.get('/plans/:id', async (request, response) => {
    response.json(await plans.own(callerOf(request), idOf(request)));
  });
  router.put('/vehicles/:id/panels/:panel/outline', async (request, response) => {
    const caller = callerOf(request);
    const vehicle = await garage.own(caller, idOf(request));
    response.json(await plans.reshape(caller, vehicle, wordOf(request, 'panel'), parse(outlineSchema, request.body)));
  });
  router.post(
    '/plans/outline-from-drawing',
    express.text({ type: ['text/plain', 'image/svg+xml', 'application/dxf'], limit: LARGEST_DRAWING }),
    (request, response) => {
      const name = typeof request.query['name'] === 'string' ? request.query['name'].slice(0, 80) : '';
      response.json(outlineFrom(typeof request.body === 'string' ? request.body : '', name));
    },
  );
  return router;
}
