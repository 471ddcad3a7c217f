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
  }
}

/** Who is asking. Every service takes it, and every query is scoped to its shop. */
export interface Caller {
  personId: string;
  shopId: string;
  name: string;
  role: Role;
}

const RANK: Readonly<Record<Role, number>> = { viewer: 0, worker: 1, owner: 2 };
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

export function callerOf(request: Request): Caller {
  const { personId, shopId, name, role } = request.session;
  if (!personId || !shopId || !name || !role)
    throw new ServerProblem(
      'not-signed-in',
      'You are not signed in, or your session has ended. Sign in again; what you have typed is kept.',
    );
  return { personId, shopId, name, role };
}

/** Who waits for heavy work: a person, or the address of somebody without an account. */
export const askerOf = (request: Request): string => request.session.personId ?? request.ip ?? 'somebody';

/** Refuses a caller who is less than this. */
export function needs(role: Role, caller: Caller): void {
  if (RANK[caller.role] < RANK[role])
    throw new ServerProblem('not-allowed', `This is for the ${role} of the shop; you are signed in as ${caller.role}.`);
}

/** Signed in; a worker at least for every change; and a change carries the token of its session. */
export const guard: RequestHandler = (request, _response, next) => {
  const caller = callerOf(request);
  if (!READING.has(request.method)) {
    if (request.get('x-aspecta-csrf') !== request.session.csrf)
      throw new ServerProblem('bad-origin', 'This change did not come from the page; reload it and try again.');
    needs('worker', caller);
  }
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
export async function signInto(request: Request, caller: Caller): Promise<string> {
  await new Promise<void>((resolve, reject) =>
    request.session.regenerate((error) => (error ? reject(error as Error) : resolve())),
  );
  const csrf = randomBytes(24).toString('base64url');
  Object.assign(request.session, caller, { csrf });
  await new Promise<void>((resolve, reject) =>
    request.session.save((error) => (error ? reject(error as Error) : resolve())),
  );
  return csrf;
}
