import express, { Router } from 'express';
import { factsSchema, outlineSchema, partSchema, pieceSchema } from '@aspecta/contract/body/schemas';
import type { GarageService } from '../garage/service.ts';
import { idOf, wordOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { Workbench } from '../work/bench.ts';
import type { FactsService } from './facts.ts';
import type { PieceService } from './pieces.ts';
import type { PlanService } from './plans.ts';

const LARGEST_DRAWING = '4mb';

interface Services {
  plans: PlanService;
  facts: FactsService;
  pieces: PieceService;
  garage: GarageService;
  bench: Workbench;
}

export function bodyRoutes({ plans, facts, pieces, garage, bench }: Services): Router {
  const router = Router();
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
  router.put('/vehicles/:id/panels/:panel/facts', async (request, response) => {
    const said = parse(factsSchema, request.body);
    response.json(await facts.say(callerOf(request), idOf(request), wordOf(request, 'panel'), said));
  });
  router.put('/vehicles/:id/parts/:part', async (request, response) => {
    const part = parse(partSchema, request.body);
    response.json(await facts.part(callerOf(request), idOf(request), idOf(request, 'part'), part));
  });
  router.delete('/vehicles/:id/parts/:part', async (request, response) => {
    response.json(await facts.removePart(callerOf(request), idOf(request), idOf(request, 'part')));
  });
  router.put('/vehicles/:id/pieces/:piece', async (request, response) => {
    const piece = parse(pieceSchema, request.body);
    response.json(await pieces.add(callerOf(request), idOf(request), { ...piece, id: idOf(request, 'piece') }));
  });
  router.delete('/vehicles/:id/pieces/:piece', async (request, response) => {
    response.json(await pieces.remove(callerOf(request), idOf(request), idOf(request, 'piece')));
  });
  router.post(
    '/plans/outline-from-drawing',
    express.text({ type: ['text/plain', 'image/svg+xml', 'application/dxf'], limit: LARGEST_DRAWING }),
    async (request, response) => {
      const name = typeof request.query['name'] === 'string' ? request.query['name'].slice(0, 80) : '';
      const text = typeof request.body === 'string' ? request.body : '';
      response.json(await bench.run('outlineFrom', { text, name }, callerOf(request).personId));
    },
  );
  return router;
}
