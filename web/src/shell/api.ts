import type { ProblemBody } from '@aspecta/contract';

/** A refusal of the server, with the field it belongs to. */
export class ApiProblem extends Error {
  readonly body: ProblemBody;
  constructor(body: ProblemBody) {
    const detail = hooks.say(body.detail);
    super(detail);
    const errors = body.errors?.map((error) => ({ ...error, detail: hooks.say(error.detail) }));
    this.body = { ...body, detail, ...(errors ? { errors } : {}) };
  }
  get code(): string {
    return this.body.code;
  }
}

/** The server did not answer at all. */
export class Unreachable extends Error {
  constructor(neverSeen = false) {
    super(
      neverSeen
        ? 'The server cannot be reached, and this has not been opened on this device before: there is nothing to show until it is back.'
        : 'The server cannot be reached. Nothing is lost: try again when it is back.',
    );
  }
}

/** What the shell gives to the client: the token of the session, and what to do when either end is lost. */
export interface ApiHooks {
  csrf(): string;
  /** Resolves when somebody has signed in again; the request is then repeated. */
  signInAgain(): Promise<boolean>;
  reached(yes: boolean): void;
  /** Notes an answer on this device, and gives the last one back. */
  keep(path: string, answer: unknown): Promise<void>;
  known(path: string): Promise<unknown>;
  /** A sentence of the server as this person reads it. */
  say(text: string): string;
}

let hooks: ApiHooks = {
  csrf: () => '',
  signInAgain: () => Promise.resolve(false),
  reached: () => undefined,
  keep: () => Promise.resolve(),
  known: () => Promise.resolve(undefined),
  say: (text) => text,
};
/** ms between the clock of the server and ours; for cooling timers. */
let clockOffset = 0;

export const setApiHooks = (given: ApiHooks) => (hooks = given);
export const serverNow = () => Date.now() + clockOffset;

/**
 * What the server says now; while it is away, what it said when this device last asked, and
 * the page is told how old that is.
 * @throws Unreachable where it is away and this device has never seen it
 */
export async function get<T>(path: string): Promise<T> {
  try {
    const answer = await send<T>('GET', path);
    void hooks.keep(path, answer);
    return answer;
  } catch (error) {
    if (!(error instanceof Unreachable)) throw error;
    const known = await hooks.known(path);
    if (known === undefined) throw new Unreachable(true);
    return known as T;
  }
}
/** Tells when something of ours has been stored, so that what follows from it is asked for anew. Returns how to stop. */
export function whenStored(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
const listeners = new Set<() => void>();

/** Sends what the outbox holds: JSON, or a file as it is. */
export const sendAgain = (method: string, path: string, body: unknown) =>
  body instanceof Blob
    ? send<unknown>(method, path, body, 'application/octet-stream')
    : send<unknown>(method, path, body);
export const post = <T>(path: string, body: unknown = {}) => send<T>('POST', path, body);
export const put = <T>(path: string, body: unknown) => send<T>('PUT', path, body);
export const remove = <T = void>(path: string) => send<T>('DELETE', path);
/** Sends JSON and is given a file. */
export const postForBlob = (path: string, body: unknown) => send<Blob>('POST', path, body);
/** A file as it is. */
export const postBytes = <T>(path: string, bytes: Blob | string, type = 'application/octet-stream') =>
  send<T>('POST', path, bytes, type);

/** How often something is asked for again while the server has too much to do. */
const PATIENCE = 3;

async function send<T>(
  method: string,
  path: string,
  body?: unknown,
  type = 'application/json',
  again = true,
  patience = PATIENCE,
): Promise<T> {
  const headers: Record<string, string> = { accept: 'application/json' };
  if (method !== 'GET') headers['x-aspecta-csrf'] = hooks.csrf();
  if (body !== undefined) headers['content-type'] = type;
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers,
      ...(body === undefined ? {} : { body: type === 'application/json' ? JSON.stringify(body) : (body as BodyInit) }),
    });
  } catch {
    hooks.reached(false);
    throw new Unreachable();
  }
  const gone =
    response.status >= 502 && response.status <= 504 && !response.headers.get('content-type')?.includes('problem');
  hooks.reached(!gone);
  if (gone) throw new Unreachable();
  const date = response.headers.get('date');
  if (date) clockOffset = new Date(date).getTime() + 500 - Date.now();
  if (response.ok && method !== 'GET') for (const tell of listeners) tell();
  if (response.status === 204) return undefined as T;
  // A file is given as it is; everything else is JSON.
  if (response.ok && /^application\/(dxf|pdf)/.test(response.headers.get('content-type') ?? ''))
    return (await response.blob()) as T;
  const answer = (await response.json().catch(() => null)) as unknown;
  if (response.ok) return answer as T;
  // The server is there, but its database is not: for the person it is the same.
  if ((answer as ProblemBody | null)?.code === 'database-away') {
    hooks.reached(false);
    throw new Unreachable();
  }
  const problem = new ApiProblem(
    (answer as ProblemBody | null) ?? {
      type: '',
      title: '',
      status: response.status,
      code: 'internal',
      detail: 'The server gave no answer that can be read.',
    },
  );
  if (problem.code === 'busy' && method === 'GET' && patience > 0) {
    await new Promise((done) => setTimeout(done, 1000 * Number(response.headers.get('retry-after') ?? 1)));
    return send<T>(method, path, body, type, again, patience - 1);
  }
  const expired = problem.code === 'not-signed-in' || (problem.code === 'bad-origin' && method !== 'GET');
  if (expired && again && (await hooks.signInAgain())) return send<T>(method, path, body, type, false);
  throw problem;
}
