import { Router } from 'express';
import { outlineFileSchema } from '@aspecta/contract/shape/schemas';
import { askerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { Workbench } from '../work/bench.ts';

/** Outlines as files at 1:1. They touch no data, so they need no account. */
export function shapeRoutes(bench: Workbench): Router {
  const router = Router();
  router.post('/shape/outline', async (request, response) => {
    const drawing = parse(outlineFileSchema, request.body);
    const file = await bench.run('outlineFile', drawing, askerOf(request));
    response.type(drawing.as.startsWith('dxf') ? 'application/dxf' : 'application/pdf').send(Buffer.from(file));
  });
  return router;
}
