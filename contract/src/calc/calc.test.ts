import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Problem } from '@aspecta/core';
import { calculate, catalogue, listCalculations } from './index.ts';

describe('catalogue', () => {
  it('lists every calculation once, with its question, source and schema', () => {
    const list = listCalculations();
    expect(new Set(list.map((entry) => entry.id)).size).toBe(list.length);
    for (const entry of list) {
      expect(entry.id).toMatch(/^[a-z]+\.[a-zA-Z0-9]+$/);
      expect(entry.question).toMatch(/\?$/);
      expect(entry.source.length).toBeGreaterThan(3);
      expect(entry.input).toMatchObject({ type: 'object' });
    }
  });

  it.each(catalogue.map((entry) => [entry.id, entry] as const))(
    '%s answers its worked example without NaN',
    (id, entry) => {
      const result = JSON.stringify(calculate(id, entry.example), (_key, value: unknown) => {
        if (typeof value === 'number' && !Number.isFinite(value)) throw new Error('not finite');
        return value;
      });
      expect(result.length).toBeGreaterThan(5);
    },
  );

  it.each(catalogue.map((entry) => [entry.id, entry] as const))(
    '%s refuses by name whatever is broken in its example',
    (id, entry) => {
      const rubbish = fc.constantFrom(null, 'x', -1, 0, 1e300, Number.NaN, Infinity, [], {}, true, [[0, 0]], undefined);
      fc.assert(
        fc.property(fc.constantFrom(...Object.keys(entry.example)), rubbish, (key, value) => {
          try {
            JSON.stringify(calculate(id, { ...entry.example, [key]: value }), (_key, x: unknown) => {
              if (typeof x === 'number' && !Number.isFinite(x)) throw new Error(`not finite in ${id}`);
              return x;
            });
          } catch (error) {
            if (!(error instanceof Problem)) throw error;
            expect(error.field).not.toBe('');
            expect(error.message.length).toBeGreaterThan(10);
          }
        }),
        { numRuns: 40 },
      );
    },
  );

  it('says which id it does not know', () => {
    expect(() => calculate('survey.nothing', {})).toThrow(/no calculation "survey.nothing"/);
    expect(() => calculate('weld.cooling', { heatInput: '1' })).toThrow(
      expect.objectContaining({ field: 'heatInput' }),
    );
  });
});
