import { Router } from 'express';
import { stepSchema, stepsSchema, weldSchema, weldSettingsSchema } from '@aspecta/contract/weld/schemas';
import { idOf, wordOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { BothSidesService } from './bothSides.ts';
import type { WeldService } from './service.ts';
import type { WeldingCosts } from './schoolCosts.ts';

export function weldRoutes({
  welds,
  sides,
  schools,
}: {
  welds: WeldService;
  sides: BothSidesService;
  schools: WeldingCosts;
}): Router {
  const router = Router();
  router.get('/weld/schools/:question', async (request, response) => {
    response.json(await schools.of(callerOf(request), wordOf(request, 'question')));
  });
  router.get('/repairs/:id/weld', async (request, response) => {
    response.json(await welds.plan(callerOf(request), idOf(request)));
  });
  router.get('/repairs/:id/weld/both', async (request, response) => {
    response.json(await sides.view(callerOf(request), idOf(request)));
  });
  router.get('/repairs/:id/weld/other', async (request, response) => {
    response.json(await sides.other(callerOf(request), idOf(request)));
  });
  router.get('/repairs/:id/weld/usual', async (request, response) => {
    response.json(await welds.usual(callerOf(request), idOf(request)));
  });
  router.get('/repairs/:id/weld/card.pdf', async (request, response) => {
    const { panel, file } = await welds.card(callerOf(request), idOf(request));
    response.attachment(`weld-card-${panel}.pdf`).type('application/pdf').send(Buffer.from(file));
  });
  router.put('/repairs/:id/weld', async (request, response) => {
    response.json(await welds.layOut(callerOf(request), idOf(request), parse(weldSchema, request.body)));
  });
  router.post('/repairs/:id/weld/compare', async (request, response) => {
    response.json(await welds.compare(callerOf(request), idOf(request), parse(weldSettingsSchema, request.body)));
  });
  router.post('/repairs/:id/weld/acknowledge', async (request, response) => {
    response.json(await welds.acknowledge(callerOf(request), idOf(request)));
  });
  router.put('/repairs/:id/weld/steps', async (request, response) => {
    response.json(await welds.tick(callerOf(request), idOf(request), parse(stepsSchema, request.body)));
  });
  router.put('/repairs/:id/weld/steps/:n', async (request, response) => {
    const steps = [Number(wordOf(request, 'n'))];
    response.json(await welds.tick(callerOf(request), idOf(request), { steps, ...parse(stepSchema, request.body) }));
  });
  return router;
}
