import { createHash } from 'node:crypto';

/** Answers kept of each computation. */
const KEPT = 100;

/**
 * A computation with its last answers by all that they were made from: a page, its files and
 * its card ask for the same ones again and again, and for one that is still being worked out.
 */
export function remembered<Input, Answer>(
  compute: (input: Input, asker: string) => Promise<Answer>,
): (input: Input, asker: string) => Promise<Answer> {
  const known = new Map<string, Promise<Answer>>();
  return (input, asker) => {
    const key = createHash('sha256').update(JSON.stringify(input)).digest('base64');
    const answer = known.get(key) ?? compute(input, asker);
    // The one that was asked for last is forgotten last.
    known.delete(key);
    known.set(key, answer);
    if (known.size > KEPT) known.delete(known.keys().next().value!);
    // What was refused, for whatever reason, is asked for again.
    answer.catch(() => known.get(key) === answer && known.delete(key));
    return answer;
  };
}
