import { Router, type Request } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { DoorView, SessionView } from '@aspecta/contract/shop';
import { personSchema, roleSchema, setupSchema, shopSchema, signInSchema } from '@aspecta/contract/shop/schemas';
import { idOf } from '../http/params.ts';
import { ServerProblem } from '../http/problems.ts';
import { callerOf, signInto, type Caller } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { ShopService } from './service.ts';

const LOOPBACK = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);

/** The door: who is signed in, signing in and out, the first set-up. Open to everybody. */
export function doorRoutes(service: ShopService, options: { demo: boolean; triesPerQuarterHour: number }): Router {
  const router = Router();
  const throttle = rateLimit({
    windowMs: 15 * 60_000,
    limit: options.triesPerQuarterHour,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new ServerProblem('too-many-tries', 'Too many tries; wait a quarter of an hour.', 'password');
    },
  });
  const demoFor = (request: Request) => options.demo && LOOPBACK.has(request.socket.remoteAddress ?? '');

  router.get('/door', async (request, response) => {
    const session = request.session.personId
      ? await sessionOf(service, callerOf(request), request.session.csrf ?? '').catch(() => null)
      : null;
    response.json({ session, demo: demoFor(request), needsSetup: await service.needsSetup() } satisfies DoorView);
  });
  router.post('/session', throttle, async (request, response) => {
    const { email, password } = parse(signInSchema, request.body);
    response.json(await enter(service, request, await service.signIn(email, password)));
  });
  router.post('/session/demo', async (request, response) => {
    if (!demoFor(request))
      throw new ServerProblem('not-allowed', 'Signing in with one click works for the demo, on this machine only.');
    response.json(await enter(service, request, await service.demoOwner()));
  });
  router.post('/setup', throttle, async (request, response) => {
    response.status(201).json(await enter(service, request, await service.setUp(parse(setupSchema, request.body))));
  });
  router.delete('/session', async (request, response) => {
    await new Promise<void>((resolve) => request.session.destroy(() => resolve()));
    response.status(204).end();
  });
  return router;
}

/** House rules and people of the caller's shop. */
export function shopRoutes(service: ShopService): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    response.json(await service.shop(callerOf(request)));
  });
  router.put('/', async (request, response) => {
    response.json(await service.changeShop(callerOf(request), parse(shopSchema, request.body)));
  });
  router.get('/people', async (request, response) => {
    response.json(await service.people(callerOf(request)));
  });
  router.post('/people', async (request, response) => {
    response.status(201).json(await service.addPerson(callerOf(request), parse(personSchema, request.body)));
  });
  router.put('/people/:id/role', async (request, response) => {
    response.json(await service.changeRole(callerOf(request), idOf(request), parse(roleSchema, request.body).role));
  });
  return router;
}

async function enter(service: ShopService, request: Request, caller: Caller): Promise<SessionView> {
  return sessionOf(service, caller, await signInto(request, caller));
}

async function sessionOf(service: ShopService, caller: Caller, csrf: string): Promise<SessionView> {
  const [person, shop] = await Promise.all([service.person(caller), service.shop(caller)]);
  return { person, shop, csrf };
}
