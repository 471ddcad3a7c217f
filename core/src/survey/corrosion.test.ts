import { describe, expect, it } from 'vitest';
import { corrosion, growthOfLoss, lookAgain, lookAtPits } from './index.ts';

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

  it('follows the multiples of the first year that ISO 9224 tabulates for steel, and goes on evenly beyond twenty years', () => {
    // ISO 9224, values of t^b for b = 0.523 (memory).
    const table = [
      ...[
        [1, 1],
        [2, 1.437],
        [3, 1.776],
        [4, 2.065],
        [5, 2.32],
        [6, 2.553],
        [7, 2.767],
        [8, 2.967],
        [9, 3.155],
      ],
      ...[
        [10, 3.334],
        [15, 4.121],
        [20, 4.791],
      ],
    ] as const;
    for (const [years, times] of table) expect(growthOfLoss(years)).toBeCloseTo(times, 2);
    const evenly = growthOfLoss(21) - growthOfLoss(20);
    // The tangent at twenty years, worked by hand: 0.523 · 20^−0.477 = 0.12529.
    expect(evenly).toBeCloseTo(0.12529, 4);
    expect(growthOfLoss(60) - growthOfLoss(59)).toBeCloseTo(evenly, 12);
    expect(growthOfLoss(20 - 1e-6)).toBeCloseTo(growthOfLoss(20 + 1e-6), 6);
    expect(corrosion({ category: 'C3', years: 40 }).low).toBeCloseTo(25 * (4.79138 + 20 * 0.12529), 1);
  });

  it('turned round says when to look again, at the earliest', () => {
    const plan = lookAgain({ metal: 0.8, limit: 0.63, category: 'C4' });
    expect(corrosion({ category: 'C4', years: plan.earliest }).high).toBeCloseTo(170, 6);
    expect(plan.months).toBeLessThanOrEqual(12);
    expect(lookAgain({ metal: 0.5, limit: 0.63, category: 'C4' })).toMatchObject({ earliest: 0, months: 1 });
    const long = lookAgain({ metal: 0.9, limit: 0.6, category: 'C2' });
    expect(long.earliest).toBeGreaterThan(20);
    expect(corrosion({ category: 'C2', years: long.earliest }).high).toBeCloseTo(300, 6);
  });

  it('pits go on as they have begun: the pit grows, not the sheet', () => {
    // Worked by hand: thirty years of age, so ten of rust; 0.6 mm deep after 10 years, through at 0.9 mm:
    // growth 1.5 · 10^0.523 = 5.0014, beyond twenty years: 20 + (5.0014 − 4.7914)/0.12529 = 21.68.
    expect(lookAtPits({ depth: 0.6, thickness: 0.9, years: 30 }).earliest).toBeCloseTo(11.68, 1);
    expect(lookAtPits({ depth: 0.9, thickness: 0.9, years: 30 })).toEqual({ earliest: 0, months: 1 });
    expect(lookAtPits({ depth: 0, thickness: 0.9, years: 30 }).earliest).toBe(Infinity);
    // A pit that is deeper, or has taken less time for it, is through sooner.
    expect(lookAtPits({ depth: 0.8, thickness: 0.9, years: 30 }).earliest).toBeLessThan(6);
    expect(lookAtPits({ depth: 0.6, thickness: 0.9, years: 9 }).earliest).toBeLessThan(5);
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
