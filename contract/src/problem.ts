/** Every error on the wire: problem+json (RFC 9457) with a stable code and the field that is wrong. */
export interface ProblemBody {
  type: string;
  title: string;
  status: number;
  code: string;
  detail: string;
  field?: string;
  /** With a conflict: what is stored now. */
  current?: unknown;
  /** The station of the car in which it is put right, as the last word of its address. */
  station?: string;
  /** With several fields wrong at once. */
  errors?: { field: string; detail: string }[];
}

/** All codes that only the server uses, and their statuses. Codes of core are answered with 422. */
export const PROBLEM_CODES = {
  'not-signed-in': 401,
  'wrong-credentials': 401,
  'not-allowed': 403,
  'bad-origin': 403,
  'not-found': 404,
  conflict: 409,
  'already-there': 409,
  'too-large': 413,
  'not-a-picture': 415,
  'gauge-away': 502,
  'bad-json': 400,
  invalid: 422,
  'unknown-host': 421,
  'too-many-tries': 429,
  busy: 503,
  'database-away': 503,
  'disk-full': 507,
  'took-too-long': 503,
  internal: 500,
} as const;
export type ProblemCode = keyof typeof PROBLEM_CODES;
