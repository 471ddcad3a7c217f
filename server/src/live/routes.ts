import { Router } from 'express';
import type { LiveChange } from '@aspecta/contract/live';
import { idOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { openStream } from '../http/stream.ts';
import type { LiveHub } from './hub.ts';

export function liveRoutes(hub: LiveHub): Router {
  const router = Router();
  router.get('/vehicles/:id/live', async (request, response) => {
    let tell = (_change: LiveChange): void => undefined;
    const stop = await hub.watch(callerOf(request), idOf(request), (change) => tell(change));
    tell = openStream<LiveChange>(response, stop);
  });
  return router;
}
