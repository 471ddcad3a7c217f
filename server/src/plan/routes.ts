import { Router } from 'express';
import { wishSchema, workerChangeSchema, workerSchema } from '@aspecta/contract/plan/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { AllCarsService } from './allCars.ts';
import type { PlanService } from './service.ts';
import type { WorkerService } from './workers.ts';

export function planRoutes({
  plans,
  allCars,
  workers,
}: {
  plans: PlanService;
  allCars: AllCarsService;
  workers: WorkerService;
}): Router {
  const router = Router();
  router.get('/vehicles/:id/plan', async (request, response) => {
    response.json(await plans.plan(callerOf(request), idOf(request)));
  });
  router.get('/vehicles/:id/plan.ics', async (request, response) => {
    const file = await plans.calendar(callerOf(request), idOf(request));
    response.attachment('plan.ics').type('text/calendar; charset=utf-8').send(file);
  });
  router.get('/vehicles/:id/plan/what-if', async (request, response) => {
    response.json(await plans.whatIf(callerOf(request), idOf(request)));
  });
  router.put('/vehicles/:id/plan/wish', async (request, response) => {
    response.json(await plans.wish(callerOf(request), idOf(request), parse(wishSchema, request.body)));
  });
  router.get('/tonight', async (request, response) => {
    response.json(await allCars.tonight(callerOf(request)));
  });
  router.get('/weeks', async (request, response) => {
    response.json(await allCars.weeks(callerOf(request)));
  });
  router.get('/workers', async (request, response) => {
    response.json(await workers.list(callerOf(request)));
  });
  router.post('/workers', async (request, response) => {
    response.status(201).json(await workers.add(callerOf(request), parse(workerSchema, request.body)));
  });
  router.put('/workers/:id', async (request, response) => {
    const change = parse(workerChangeSchema, { ...(request.body as object), id: idOf(request) });
    response.json(await workers.change(callerOf(request), change));
  });
  router.delete('/workers/:id', async (request, response) => {
    response.json(await workers.remove(callerOf(request), idOf(request)));
  });
  return router;
}
