import { Router } from 'express';
import type { DataSource } from 'typeorm';
import type { GaugeEvent } from '@aspecta/contract/gauge';
import { placeSchema } from '@aspecta/contract/gauge/schemas';
import { notFound } from '../http/problems.ts';
import { isOpen } from '../account/sessions.ts';
import { callerOf, needs } from '../http/session.ts';
import { wordOf } from '../http/params.ts';
import { openStream } from '../http/stream.ts';
import { parse } from '../http/validate.ts';
import type { GaugeService } from './service.ts';

export function gaugeRoutes(gauges: GaugeService, db: DataSource): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    response.json(await gauges.list(callerOf(request)));
  });
  router.get('/:gauge/stream', async (request, response) => {
    const caller = callerOf(request);
    needs('worker', caller);
    // A gauge may say hello before the stream to the page is open.
    const early: GaugeEvent[] = [];
    let tell = (event: GaugeEvent): void => void early.push(event);
    const putDown = await gauges.take(caller, wordOf(request, 'gauge'), (event) => tell(event));
    tell = openStream<GaugeEvent>(response, { closed: putDown, stillOpen: () => isOpen(db, request.sessionID) });
    early.forEach((event) => tell(event));
  });
  router.post('/:gauge/zero', (request, response) => {
    gauges.say(callerOf(request), wordOf(request, 'gauge'), 'ZERO');
    response.status(204).end();
  });
  router.post('/:gauge/place', (request, response) => {
    const { panel, layer, u, v } = parse(placeSchema, request.body);
    gauges.say(callerOf(request), wordOf(request, 'gauge'), `AT ${panel} ${layer} ${u.toFixed(1)} ${v.toFixed(1)}`);
    response.status(204).end();
  });
  /** The button of a simulated gauge; a real one has its own. */
  router.post('/:gauge/press', async (request, response) => {
    const caller = callerOf(request);
    const id = wordOf(request, 'gauge');
    if (!(await gauges.list(caller)).some((gauge) => gauge.id === id && gauge.standIn))
      throw notFound('simulated gauge');
    gauges.say(caller, id, 'PRESS');
    response.status(204).end();
  });
  return router;
}
