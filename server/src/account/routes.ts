import { Router, type Request } from 'express';
import { guestsSchema, invitationSchema, joinSchema, passwordChangeSchema } from '@aspecta/contract/account/schemas';
import { personSchema, roleSchema } from '@aspecta/contract/shop/schemas';
import { idOf, wordOf } from '../http/params.ts';
import { callerOf, fromPage } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import type { AccountService } from './service.ts';
import type { Throttle } from './throttle.ts';

/** Joining by the link of an invitation: open to whoever has it. */
export function joinRoutes(
  accounts: AccountService,
  throttle: Throttle,
  enter: (request: Request, caller: Awaited<ReturnType<AccountService['join']>>) => Promise<unknown>,
): Router {
  const router = Router();
  router.get('/invitations/:token', async (request, response) => {
    response.json(await accounts.invitation(wordOf(request, 'token')));
  });
  router.post('/invitations/:token', async (request, response) => {
    const token = wordOf(request, 'token');
    const right = await throttle.pass(request, `invitation ${token}`);
    const caller = await accounts.join(token, parse(joinSchema, request.body));
    await right();
    response.status(201).json(await enter(request, caller));
  });
  return router;
}

/** A person's own account: open to every role, also to those who may change nothing else. */
export function ownAccountRoutes(accounts: AccountService): Router {
  const router = Router();
  router.put('/password', fromPage, async (request, response) => {
    await accounts.changePassword(callerOf(request), request.sessionID, parse(passwordChangeSchema, request.body));
    response.status(204).end();
  });
  router.get('/sessions', async (request, response) => {
    response.json(await accounts.sessions(callerOf(request), request.sessionID));
  });
  router.delete('/sessions/:name', fromPage, async (request, response) => {
    await accounts.endSession(callerOf(request), wordOf(request, 'name'));
    response.status(204).end();
  });
  return router;
}

/** The people of the caller's shop, who may join it, and which customer sees which car. */
export function peopleRoutes(accounts: AccountService): Router {
  const router = Router();
  router.get('/shop/people', async (request, response) => {
    response.json(await accounts.people(callerOf(request)));
  });
  router.post('/shop/people', async (request, response) => {
    response.status(201).json(await accounts.addPerson(callerOf(request), parse(personSchema, request.body)));
  });
  router.put('/shop/people/:id/role', async (request, response) => {
    response.json(await accounts.changeRole(callerOf(request), idOf(request), parse(roleSchema, request.body).role));
  });
  router.delete('/shop/people/:id', async (request, response) => {
    await accounts.remove(callerOf(request), idOf(request));
    response.status(204).end();
  });
  router.get('/shop/invitations', async (request, response) => {
    response.json(await accounts.invitations(callerOf(request)));
  });
  router.post('/shop/invitations', async (request, response) => {
    response.status(201).json(await accounts.invite(callerOf(request), parse(invitationSchema, request.body)));
  });
  router.delete('/shop/invitations/:id', async (request, response) => {
    await accounts.withdrawInvitation(callerOf(request), idOf(request));
    response.status(204).end();
  });
  router.get('/shop/audit', async (request, response) => {
    response.json(await accounts.audit(callerOf(request)));
  });
  router.get('/vehicles/:id/guests', async (request, response) => {
    response.json(await accounts.guests(callerOf(request), idOf(request)));
  });
  router.put('/vehicles/:id/guests', async (request, response) => {
    const { personIds } = parse(guestsSchema, request.body);
    response.json(await accounts.setGuests(callerOf(request), idOf(request), personIds));
  });
  return router;
}
