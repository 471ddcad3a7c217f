import { PROBLEM_CODES, type ProblemCode } from '@aspecta/contract';

/** A refusal of the server: a code of the catalogue, a sentence, and where it applies. */
export class ServerProblem extends Error {
  readonly code: ProblemCode;
  readonly field: string | undefined;
  readonly extra: Record<string, unknown>;

  constructor(code: ProblemCode, detail: string, field?: string, extra: Record<string, unknown> = {}) {
    super(detail);
    this.code = code;
    this.field = field;
    this.extra = extra;
  }

  get status(): number {
    return PROBLEM_CODES[this.code];
  }
}

export const notFound = (what: string) =>
  new ServerProblem('not-found', `This ${what} does not exist, or belongs to another shop.`);
export const conflict = (current: unknown) =>
  new ServerProblem('conflict', 'Somebody else has changed this in the meantime. Compare and choose.', undefined, {
    current,
  });
export const alreadyThere = (field: string, detail: string) => new ServerProblem('already-there', detail, field);
