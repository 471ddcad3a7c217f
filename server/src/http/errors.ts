import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { ProblemBody } from '@aspecta/contract';
import { Problem } from '@aspecta/core';
import type { Logger } from 'pino';
import { databaseAway } from './alive.ts';
import { notFound, ServerProblem } from './problems.ts';

/** Answers what no route has answered. */
export const unknownRoute: RequestHandler = () => {
  throw notFound('address');
};

/** The one place where errors become answers: problem+json, never a stack trace. */
export function problemHandler(logger: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const body = bodyOf(error);
    if (body.status === 500) logger.error({ err: error as unknown, path: request.path }, 'unexpected');
    else if (body.status > 500) logger.warn({ path: request.path, code: body.code }, body.detail);
    if (body.status === 503 || body.status === 429) response.set('retry-after', '2');
    response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
  };
}

/** What the driver or the system says while the database is away or on its way back. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ETIMEDOUT',
  'EPIPE',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'POOL_CLOSED',
  'ER_CON_COUNT_ERROR',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  'ER_QUERY_INTERRUPTED',
  'ER_UNKNOWN_COM_ERROR',
]);
const FULL = new Set([
  'ENOSPC',
  'EDQUOT',
  'ER_DISK_FULL',
  'ER_RECORD_FILE_FULL',
  'ER_ERROR_ON_WRITE',
  'ER_TEMP_FILE_WRITE_FAILURE',
]);
const BUSY = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT']);

/** A failure of database or disk as what it is for the person; undefined for all others. */
function outageOf(error: unknown): ServerProblem | undefined {
  const {
    code = '',
    driverError,
    message = '',
  } = (error ?? {}) as {
    code?: string;
    driverError?: { code?: string };
    message?: string;
  };
  const name = driverError?.code ?? code;
  const isDriver = driverError !== undefined || 'sqlMessage' in Object(error) || 'fatal' in Object(error);
  if (FULL.has(name) || /errno: 28\b|No space left/.test(message))
    return new ServerProblem('disk-full', 'The disk of the server is full; make room on it, and try again.');
  if (name === 'ER_DUP_ENTRY') return new ServerProblem('already-there', 'This has been stored already; look again.');
  if (BUSY.has(name)) return new ServerProblem('busy', 'Somebody else is changing the same thing; try again.');
  if (AWAY.has(name)) return databaseAway();
  if (isDriver && /closed state|connection (is )?lost|closed/i.test(message)) return databaseAway();
  return undefined;
}

function bodyOf(thrown: unknown): ProblemBody {
  const error = outageOf(thrown) ?? thrown;
  if (error instanceof ServerProblem)
    return problem(error.status, error.code, error.message, {
      ...(error.field ? { field: error.field } : {}),
      ...error.extra,
    });
  if (error instanceof Problem) return problem(422, error.code, error.message, { field: error.field });
  const parse = error as { type?: string; status?: number };
  if (parse.type === 'entity.too.large')
    return problem(413, 'too-large', 'This is more than can be sent at once; split it into smaller parts.');
  if (parse.type === 'entity.parse.failed') return problem(400, 'bad-json', 'The request is not valid JSON.');
  if (parse.status && parse.status >= 400 && parse.status < 500)
    return problem(parse.status, 'invalid', 'The request cannot be read.');
  return problem(
    500,
    'internal',
    'Something went wrong on the server; nothing was changed. Try again; if it stays, the log of the server says more (run/log in the folder of the shop).',
  );
}

function problem(status: number, code: string, detail: string, extra: Record<string, unknown> = {}): ProblemBody {
  return { type: `urn:aspecta:problem:${code}`, title: code.replaceAll('-', ' '), status, code, detail, ...extra };
}
