import { Router } from 'express';
import { shareSchema } from '@aspecta/contract/record/schemas';
import { idOf, wordOf } from '../http/params.ts';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { RecordService } from './service.ts';

const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
} as const;

/** For whoever has a link. */
export function sharedRoutes(records: RecordService): Router {
  const router = Router();
  router.get('/shared/:token', async (request, response) => {
    response.set('cache-control', 'no-store').json(await records.shared(wordOf(request, 'token')));
  });
  router.get('/shared/:token/pictures/:photo', async (request, response) => {
    const { root, name } = await records.sharedPicture(wordOf(request, 'token'), idOf(request, 'photo'));
    // A link that is revoked shows nothing any more, so nothing is kept.
    response.set('cache-control', 'no-store').sendFile(name, { root });
  });
  return router;
}

export function recordRoutes(records: RecordService): Router {
  const router = Router();
  const words = (value: unknown) => (typeof value === 'string' ? value.slice(0, 100).trim() : '');
  router.get('/vehicles/:id/timeline', async (request, response) => {
    const { before, subject, search } = request.query;
    const moment = new Date(words(before));
    const asked = {
      before: Number.isNaN(moment.getTime()) ? undefined : moment,
      subject: words(subject),
      search: words(search),
    };
    response.json(await records.timeline(callerOf(request), idOf(request), asked));
  });
  router.get('/vehicles/:id/record', async (request, response) => {
    response.json(await records.view(callerOf(request), idOf(request)));
  });
  for (const format of ['csv', 'xlsx'] as const)
    router.get(`/vehicles/:id/costs.${format}`, async (request, response) => {
      const file = await records.costs(callerOf(request), idOf(request), format);
      response.attachment(`costs.${format}`).type(TYPES[format]).send(file);
    });
  router.get('/vehicles/:id/shares', async (request, response) => {
    response.json(await records.shares(callerOf(request), idOf(request)));
  });
  router.post('/vehicles/:id/shares', async (request, response) => {
    response.status(201).json(await records.share(callerOf(request), idOf(request), parse(shareSchema, request.body)));
  });
  router.delete('/vehicles/:id/shares/:share', async (request, response) => {
    response.json(await records.revoke(callerOf(request), idOf(request), idOf(request, 'share')));
  });
  return router;
}
