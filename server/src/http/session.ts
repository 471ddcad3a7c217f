import { randomBytes } from 'node:crypto';
import 'express-session';
import type { Request, RequestHandler } from 'express';
import type { Role } from '@aspecta/contract/shop';
import { ServerProblem } from './problems.ts';

declare module 'express-session' {
  interface SessionData {
    personId?: string;
    shopId?: string;
    name?: string;
    role?: Role;
    csrf?: string;
    /** When and on what it began, so that a person can tell his sessions apart. */
    since?: string;
    agent?: string;
  }
}

/** Who is asking. Every service takes it, and every query is scoped to its shop. */
export interface Caller {
  personId: string;
  shopId: string;
  name: string;
  role: Role;
  /** Of the network, for the audit. */
  address?: string | undefined;
}

const RANK: Readonly<Record<Role, number>> = { customer: -1, viewer: 0, worker: 1, owner: 2 };
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

export function callerOf(request: Request): Caller {
  const { personId, shopId, name, role } = request.session;
  if (!personId || !shopId || !name || !role)
    throw new ServerProblem(
      'not-signed-in',
      'You are not signed in, or your session has ended. Sign in again; what you have typed is kept.',
    );
  return { personId, shopId, name, role, address: request.ip };
}

/** Who waits for heavy work: a person, or the address of somebody without an account. */
export const askerOf = (request: Request): string => request.session.personId ?? request.ip ?? 'somebody';

/** Is a caller this, or more? */
export const may = (role: Role, caller: Caller): boolean => RANK[caller.role] >= RANK[role];

/** Refuses a caller who is less than this. */
export function needs(role: Role, caller: Caller): void {
  if (!may(role, caller))
    throw new ServerProblem('not-allowed', `This is for the ${role} of the shop; you are signed in as ${caller.role}.`);
}

/** A change carries the token of its session: no page of another site knows it. */
export const fromPage: RequestHandler = (request, _response, next) => {
  if (request.session.personId && request.get('x-aspecta-csrf') !== request.session.csrf)
    throw new ServerProblem('bad-origin', 'This change did not come from the page; reload it and try again.');
  next();
};

/** What a customer may look at, of the cars that are shown to him: no prices, no people, no rates. */
const FOR_CUSTOMERS =
  /^\/(vehicles|vehicles\/[^/]+(\/(board|walk|finds|live|photos(\/[^/]+\/picture)?|inspection\.pdf|panels\/[^/]+\/(readings|zones|finds|layers\/[^/]+\/pits)))?|plans\/[^/]+)\/?$/;

/** Signed in; a worker at least for every change; and a change carries the token of its session. */
export const guard: RequestHandler = (request, response, next) => {
  const caller = callerOf(request);
  if (!READING.has(request.method))
    return fromPage(request, response, (error) => {
      if (error) return next(error);
      needs('worker', caller);
      next();
    });
  if (caller.role === 'customer' && !FOR_CUSTOMERS.test(request.path)) needs('viewer', caller);
  next();
};

/** Changes from another site are refused before anything else looks at them. */
export const sameSite: RequestHandler = (request, _response, next) => {
  const site = request.get('sec-fetch-site');
  if (!READING.has(request.method) && site && site !== 'same-origin' && site !== 'none')
    throw new ServerProblem('bad-origin', 'Changes are taken from the Aspecta page only.');
  next();
};

/** Starts a session for a person under a new id. */
export async function signInto(request: Request, { personId, shopId, name, role }: Caller): Promise<string> {
  await new Promise<void>((resolve, reject) =>
    request.session.regenerate((error) => (error ? reject(error as Error) : resolve())),
  );
  const csrf = randomBytes(24).toString('base64url');
  const agent = (request.get('user-agent') ?? '').slice(0, 300);
  Object.assign(request.session, {
    personId,
    shopId,
    name,
    role,
    csrf,
    since: new Date().toISOString(),
    agent,
    renewedAt: Date.now(),
  });
  await new Promise<void>((resolve, reject) =>
    request.session.save((error) => (error ? reject(error as Error) : resolve())),
  );
  return csrf;
}
