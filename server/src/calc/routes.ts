import express, { Router } from 'express';
import { listCalculations } from '@aspecta/contract/calc';
import { wordOf } from '../http/params.ts';
import { askerOf } from '../http/session.ts';
import type { Workbench } from '../work/bench.ts';

const LARGEST_INPUT = '8mb';

/** Calculations by id, JSON in and out. They touch no data, so they need no account; the input is read on the workbench. */
export function calcRoutes(bench: Workbench): Router {
  const router = Router();
  router.get('/', (_request, response) => {
    response.json(listCalculations());
  });
  router.post('/:id', express.text({ type: () => true, limit: LARGEST_INPUT }), async (request, response) => {
    const text = typeof request.body === 'string' ? request.body : '';
    response.json(await bench.run('calc', { id: wordOf(request, 'id'), text }, askerOf(request)));
  });
  return router;
}
