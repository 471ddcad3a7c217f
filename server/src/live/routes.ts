import { Router } from 'express';
import type { DataSource } from 'typeorm';
import type { LiveChange } from '@aspecta/contract/live';
import { idOf } from '../http/params.ts';
import { isOpen } from '../account/sessions.ts';
import { callerOf } from '../http/session.ts';
import { openStream } from '../http/stream.ts';
import type { LiveHub } from './hub.ts';

export function liveRoutes(hub: LiveHub, db: DataSource): Router {
  const router = Router();
  router.get('/vehicles/:id/live', async (request, response) => {
    let tell = (_change: LiveChange): void => undefined;
    const stop = await hub.watch(callerOf(request), idOf(request), (change) => tell(change));
    tell = openStream<LiveChange>(response, { closed: stop, stillOpen: () => isOpen(db, request.sessionID) });
  });
  return router;
}
