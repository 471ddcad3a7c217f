import { Router } from 'express';
import { listCalculations } from '@aspecta/contract/calc';
import { wordOf } from '../http/params.ts';
import type { CalcBench } from './bench.ts';

/** Calculations by id, JSON in and out. They touch no data, so they need no account. */
export function calcRoutes(bench: CalcBench): Router {
  const router = Router();
  router.get('/', (_request, response) => {
    response.json(listCalculations());
  });
  router.post('/:id', async (request, response) => {
    response.json(await bench.run(wordOf(request, 'id'), request.body));
  });
  return router;
}
