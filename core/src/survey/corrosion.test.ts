import { describe, expect, it } from 'vitest';
import { corrosion, lookAgain } from './index.ts';

describe('survey.corrosion', () => {
  // First-year rates of ISO 9223 and exponents of ISO 9224; figures from memory.
  it.each([
    ['C2', 1.3, 25],
    ['C3', 25, 50],
    ['C4', 50, 80],
    ['C5', 80, 200],
    ['CX', 200, 700],
  ] as const)('has the first-year loss of %s', (category, low, high) => {
    expect(corrosion({ category, years: 1 })).toEqual({ low, high });
  });

  it('slows down with time: D = r·t^0.523', () => {
    // Worked by hand: 10^0.523 = 3.33426.
    expect(corrosion({ category: 'C3', years: 10 }).low).toBeCloseTo(25 * 3.33426, 2);
    expect(corrosion({ category: 'C3', years: 10, zinc: true }).high).toBeCloseTo(2.1 * 10 ** 0.813, 6);
    expect(corrosion({ category: 'C5', years: 0 })).toEqual({ low: 0, high: 0 });
  });

  it('turned round says when to look again', () => {
    const plan = lookAgain({ metal: 0.8, limit: 0.63, category: 'C4' });
    expect(corrosion({ category: 'C4', years: plan.soonest }).high).toBeCloseTo(170, 6);
    expect(corrosion({ category: 'C4', years: plan.latest }).low).toBeCloseTo(170, 6);
    expect(plan.months).toBeLessThanOrEqual(12);
    expect(lookAgain({ metal: 0.5, limit: 0.63, category: 'C4' })).toMatchObject({ soonest: 0, months: 1 });
  });

  it('refuses what the standard does not have', () => {
    expect(() => corrosion({ category: 'C9' as never, years: 1 })).toThrow(
      expect.objectContaining({ field: 'category' }),
    );
    expect(() => corrosion({ category: 'C3', years: -1 })).toThrow(expect.objectContaining({ field: 'years' }));
    expect(() => corrosion({ category: 'C3', years: 1, zinc: 'yes' as never })).toThrow(
      expect.objectContaining({ field: 'zinc' }),
    );
  });
});
