import { Router } from 'express';
import { workerChangeSchema, workerSchema } from '@aspecta/contract/plan/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { PlanService } from './service.ts';

export function planRoutes(plans: PlanService): Router {
  const router = Router();
  router.get('/vehicles/:id/plan', async (request, response) => {
    response.json(await plans.plan(callerOf(request), idOf(request)));
  });
  router.get('/vehicles/:id/plan.ics', async (request, response) => {
    const file = await plans.calendar(callerOf(request), idOf(request));
    response.attachment('plan.ics').type('text/calendar; charset=utf-8').send(file);
  });
  router.get('/tonight', async (request, response) => {
    response.json(await plans.tonight(callerOf(request)));
  });
  router.get('/workers', async (request, response) => {
    response.json(await plans.workers(callerOf(request)));
  });
  router.post('/workers', async (request, response) => {
    response.status(201).json(await plans.addWorker(callerOf(request), parse(workerSchema, request.body)));
  });
  router.put('/workers/:id', async (request, response) => {
    const change = parse(workerChangeSchema, { ...(request.body as object), id: idOf(request) });
    response.json(await plans.changeWorker(callerOf(request), change));
  });
  router.delete('/workers/:id', async (request, response) => {
    response.json(await plans.removeWorker(callerOf(request), idOf(request)));
  });
  return router;
}
