import { Router } from 'express';
import { practiceEndSchema, practiceReadSchema, practiceSchema } from '@aspecta/contract/practice/schemas';
import { callerOf } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { PracticeService } from './service.ts';

export function practiceRoutes(practice: PracticeService): Router {
  const router = Router();
  router.get('/practice', async (request, response) => {
    response.json(await practice.view(callerOf(request), parse(practiceSchema, request.query)));
  });
  router.post('/practice/read', (request, response) => {
    response.json(practice.read(parse(practiceReadSchema, request.body)));
  });
  router.post('/practice/end', async (request, response) => {
    response.json(await practice.end(callerOf(request), parse(practiceEndSchema, request.body)));
  });
  return router;
}
