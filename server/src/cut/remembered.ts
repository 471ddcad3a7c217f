import { createHash } from 'node:crypto';

/** Answers kept of each computation. */
const KEPT = 100;

/** A computation with its last answers by all that they were made from: a page, its files and its card ask for the same ones again and again. */
export function remembered<Input, Answer>(compute: (input: Input) => Answer): (input: Input) => Answer {
  const known = new Map<string, Answer>();
  return (input) => {
    const key = createHash('sha256').update(JSON.stringify(input)).digest('base64');
    const answer = known.get(key) ?? compute(input);
    // The one that was asked for last is forgotten last.
    known.delete(key);
    known.set(key, answer);
    if (known.size > KEPT) known.delete(known.keys().next().value!);
    return answer;
  };
}
