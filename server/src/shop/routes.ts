import { Router, type Request } from 'express';
import type { DoorView, SessionView } from '@aspecta/contract/shop';
import { setupSchema, shopSchema, signInSchema } from '@aspecta/contract/shop/schemas';
import { ServerProblem } from '../http/problems.ts';
import { callerOf, fromPage, signInto, type Caller } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import { joinRoutes } from '../account/routes.ts';
import type { AccountService } from '../account/service.ts';
import type { Throttle } from '../account/throttle.ts';
import type { ShopService } from './service.ts';

const PROXY_HEADERS = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-real-ip', 'via'];
const LOOPBACK_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);
const LOOPBACK = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);

interface Door {
  shops: ShopService;
  accounts: AccountService;
  throttle: Throttle;
  demo: boolean;
}

/** The door: who is signed in, signing in and out, the first set-up, joining. Open to everybody. */
export function doorRoutes({ shops: service, accounts, throttle, demo }: Door): Router {
  const router = Router();
  // Only somebody who sits at this machine: never through a proxy, and under no name but this machine's own.
  const demoFor = (request: Request) =>
    demo &&
    request.app.get('trust proxy') === false &&
    !PROXY_HEADERS.some((name) => request.get(name)) &&
    LOOPBACK.has(request.socket.remoteAddress ?? '') &&
    LOOPBACK_NAMES.has(request.hostname);

  router.get('/door', async (request, response) => {
    const session = request.session.personId
      ? await sessionOf(service, callerOf(request), request.session.csrf ?? '').catch(() => null)
      : null;
    response.json({ session, demo: demoFor(request), needsSetup: await service.needsSetup() } satisfies DoorView);
  });
  router.post('/session', async (request, response) => {
    const { email, password } = parse(signInSchema, request.body);
    const right = await throttle.pass(request, email.toLowerCase());
    const caller = await service.signIn(email, password);
    await right();
    response.json(await enter(service, request, caller));
  });
  router.post('/session/demo', async (request, response) => {
    if (!demoFor(request))
      throw new ServerProblem('not-allowed', 'Signing in with one click works for the demo, on this machine only.');
    response.json(await enter(service, request, await service.demoOwner()));
  });
  router.post('/setup', async (request, response) => {
    const input = parse(setupSchema, request.body);
    const right = await throttle.pass(request, 'setup');
    const caller = await service.setUp(input);
    await right();
    response.status(201).json(await enter(service, request, caller));
  });
  router.use(joinRoutes(accounts, throttle, (request, caller) => enter(service, request, caller)));
  router.delete('/session', fromPage, async (request, response) => {
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
  return router;
}

async function enter(service: ShopService, request: Request, caller: Caller): Promise<SessionView> {
  return sessionOf(service, caller, await signInto(request, caller));
}

async function sessionOf(service: ShopService, caller: Caller, csrf: string): Promise<SessionView> {
  const [person, shop] = await Promise.all([service.person(caller), service.shop(caller)]);
  return { person, shop, csrf };
}
