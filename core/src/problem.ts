/**
 * The one kind of refusal in core. A calculation that cannot be answered throws it;
 * the command line prints it, the server turns it into problem+json, the page shows
 * it at the field.
 */
export class Problem extends Error {
  /** Dotted path of the input that is wrong, for example `points[3].value`. */
  readonly field: string;
  /** Stable code in kebab-case, for programs. */
  readonly code: string;

  constructor(code: string, field: string, message: string) {
    super(message);
    this.name = 'Problem';
    this.code = code;
    this.field = field;
  }
}

/** Throws a Problem: what is wrong and how to mend it, in one sentence or two. */
export function refuse(code: string, field: string, message: string): never {
  throw new Problem(code, field, message);
}
