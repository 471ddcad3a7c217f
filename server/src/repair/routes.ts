import { Router } from 'express';
import { closingSchema, fastenerMarkSchema } from '@aspecta/contract/repair/schemas';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { JointService } from './service.ts';

export function jointRoutes(joints: JointService): Router {
  const router = Router();
  router.get('/repairs/:id/joints', async (request, response) => {
    response.json(await joints.view(callerOf(request), idOf(request)));
  });
  router.get('/repairs/:id/drill-map.pdf', async (request, response) => {
    const { panel, file } = await joints.drillMap(callerOf(request), idOf(request));
    response.attachment(`drill-map-${panel}.pdf`).type('application/pdf').send(file);
  });
  router.put('/repairs/:id/joints', async (request, response) => {
    response.json(await joints.choose(callerOf(request), idOf(request), parse(closingSchema, request.body)));
  });
  router.put('/repairs/:id/fasteners', async (request, response) => {
    response.json(await joints.mark(callerOf(request), idOf(request), parse(fastenerMarkSchema, request.body)));
  });
  return router;
}
