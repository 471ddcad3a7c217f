import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';
import { ServerProblem } from '../http/problems.ts';

/** argon2id with the parameters that OWASP's password storage sheet lists first (memory: 19 MiB, 2 passes, 1 lane). */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
/** A hash to compare with where there is no such person, so that both answers take as long. */
const NOBODY = hash('nobody has this password', ARGON);
/** Of 4: below it a password is guessed within some hundred million tries. */
const LEAST_SCORE = 3;
const strength = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });

export const hashPassword = (password: string): Promise<string> => hash(password, ARGON);

/** Is it the right one? Takes as long where there is nobody to compare with. */
export async function isPassword(stored: string | undefined, password: string): Promise<boolean> {
  const right = await verify(stored ?? (await NOBODY), password);
  return right && stored !== undefined;
}

/**
 * Refuses a password that is soon guessed: a common one, a pattern, or one made of what
 * everybody knows of the person.
 * @throws ServerProblem `invalid` at `field`
 */
export function checkPassword(password: string, known: readonly string[], field = 'password'): void {
  const parts = known.flatMap((word) => [word, ...word.split(/[^\p{L}\p{N}]+/u)]).filter((word) => word.length > 2);
  if (strength.check(password.slice(0, 100), parts).score >= LEAST_SCORE) return;
  throw new ServerProblem(
    'invalid',
    'This password is soon guessed; take four or five words that do not belong together, or a longer one.',
    field,
  );
}
