import { Router } from 'express';
import { ownStepChangeSchema, ownStepSchema, stepClockSchema, stepSaySchema } from '@aspecta/contract/job/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { JobService } from './service.ts';

export function jobRoutes(jobs: JobService): Router {
  const router = Router();
  router.get('/vehicles/:id/job', async (request, response) => {
    response.json(await jobs.view(callerOf(request), idOf(request)));
  });
  router.put('/vehicles/:id/job/said', async (request, response) => {
    response.json(await jobs.say(callerOf(request), idOf(request), parse(stepSaySchema, request.body)));
  });
  router.put('/vehicles/:id/job/clock', async (request, response) => {
    response.json(await jobs.clock(callerOf(request), idOf(request), parse(stepClockSchema, request.body)));
  });
  router.post('/vehicles/:id/job/steps', async (request, response) => {
    response.status(201).json(await jobs.add(callerOf(request), idOf(request), parse(ownStepSchema, request.body)));
  });
  router.put('/vehicles/:id/job/steps/:step', async (request, response) => {
    const change = parse(ownStepChangeSchema, { ...(request.body as object), id: idOf(request, 'step') });
    response.json(await jobs.change(callerOf(request), idOf(request), change));
  });
  router.delete('/vehicles/:id/job/steps/:step', async (request, response) => {
    response.json(await jobs.remove(callerOf(request), idOf(request), idOf(request, 'step')));
  });
  return router;
}
