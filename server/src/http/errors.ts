import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { ProblemBody } from '@aspecta/contract';
import { Problem } from '@aspecta/core';
import type { Logger } from 'pino';
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
    if (body.status >= 500) logger.error({ err: error as unknown, path: request.path }, 'unexpected');
    response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
  };
}

function bodyOf(error: unknown): ProblemBody {
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
    'Something went wrong on the server; nothing was changed. Try again, and look into the server log if it stays.',
  );
}

function problem(status: number, code: string, detail: string, extra: Record<string, unknown> = {}): ProblemBody {
  return { type: `urn:aspecta:problem:${code}`, title: code.replaceAll('-', ' '), status, code, detail, ...extra };
}
