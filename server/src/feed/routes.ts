import { Router } from 'express';
import { feedSchema } from '@aspecta/contract/plan/schemas';
import { wordOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { FeedService } from './service.ts';

/** For a calendar that has the address. */
export function feedFileRoutes(feeds: FeedService): Router {
  const router = Router();
  router.get('/calendar/:token', async (request, response) => {
    const file = await feeds.file(wordOf(request, 'token').replace(/\.ics$/, ''));
    response.set('cache-control', 'no-store').type('text/calendar; charset=utf-8').send(file);
  });
  return router;
}

export function feedRoutes(feeds: FeedService): Router {
  const router = Router();
  router.get('/feed', async (request, response) => {
    response.json(await feeds.view(callerOf(request)));
  });
  router.post('/feed', async (request, response) => {
    parse(feedSchema, request.body ?? {});
    response.status(201).json(await feeds.open(callerOf(request)));
  });
  router.delete('/feed', async (request, response) => {
    response.json(await feeds.end(callerOf(request)));
  });
  return router;
}
