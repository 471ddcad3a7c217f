import { describe, expect, it } from 'vitest';
import { Problem } from '@aspecta/core';
import { calculate, catalogue } from './index.ts';

/* Words that every object has though nobody put them there: refused by field like any other wrong word. */
describe.each(['__proto__', 'constructor', 'toString', 'hasOwnProperty', 'valueOf'])('the word %s', (word) => {
  it('is no word of any calculation', () => {
    for (const { id, example } of catalogue)
      for (const [field, value] of Object.entries(example as Record<string, unknown>)) {
        if (typeof value !== 'string') continue;
        let answer: unknown;
        try {
          answer = calculate(id, { ...(example as object), [field]: word });
        } catch (error) {
          expect(error, `${id} ${field}`).toBeInstanceOf(Problem);
          continue;
        }
        // A free text, such as a name, may be anything; but nothing is worked out with what is no number.
        expect(JSON.stringify(answer), `${id} ${field}`).not.toMatch(/null|NaN/);
      }
  });
});

describe('what a person reads of a calculation', () => {
  it('gives sentences, never the number of a rule', () => {
    for (const { id, example, ...told } of catalogue) {
      expect(JSON.stringify(told), id).not.toMatch(/\bT-\d/);
      // Counted work names its rule for who computes with it; everything else is read.
      const answer = JSON.stringify(calculate(id, example), (key, value: unknown) => (key === 'rule' ? '' : value));
      expect(answer, id).not.toMatch(/\bT-\d/);
    }
  });
});
