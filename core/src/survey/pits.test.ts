import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gumbelPlot, pitRating, pits, type PitsInput } from './index.ts';

// Port Pirie annual maxima: the worked example of Coles 2001 (An Introduction to Statistical Modeling of
// Extreme Values, §3.4.1, Gumbel model), and fitted by evd in R (core/fixtures/portpirie.R).
const reference = JSON.parse(readFileSync(new URL('../../fixtures/portpirie.json', import.meta.url), 'utf8')) as {
  depths: number[];
  location: number;
  scale: number;
  covariance: number[][];
  periods: number[];
  quantiles: number[];
};
const input = (over: Partial<PitsInput> = {}): PitsInput => ({
  depths: [0.21, 0.28, 0.19, 0.33, 0.24, 0.17, 0.26, 0.2],
  sampledArea: 8 * 3600,
  totalArea: 880_000,
  thickness: 0.9,
  ...over,
});

describe('survey.pits against the outside', () => {
  const n = reference.depths.length;
  const fit = pits({ depths: reference.depths, sampledArea: n, totalArea: 100, thickness: 5 });

  it('finds the published estimates: location 3.87, scale 0.195 (Coles 2001)', () => {
    expect(fit.location).toBeCloseTo(3.87, 2);
    expect(fit.scale).toBeCloseTo(0.195, 3);
  });

  it('agrees with evd in R on estimates and return levels', () => {
    expect(fit.location).toBeCloseTo(reference.location, 3);
    expect(fit.scale).toBeCloseTo(reference.scale, 3);
    reference.periods.forEach((period, i) => {
      const at = pits({ depths: reference.depths, sampledArea: n, totalArea: period, thickness: 5 });
      expect(at.areaRatio).toBeCloseTo(period, 10);
      expect(at.deepestExpected).toBeCloseTo(reference.quantiles[i]!, 3);
    });
  });

  it('has about the standard error that evd’s covariance gives', () => {
    const y = -Math.log(-Math.log(1 - 1 / 100));
    const [[a, b], [, d]] = reference.covariance as [[number, number], [number, number]];
    expect(fit.standardError / Math.sqrt(a + 2 * y * b + y * y * d)).toBeCloseTo(1, 0.7);
  });

  it('by moments follows the closed form', () => {
    const depths = [1, 2, 3, 4];
    const result = pits({ depths, sampledArea: 4, totalArea: 50, thickness: 5, method: 'moments' });
    // Worked by hand: s = √(5/3) = 1.29099; δ = s√6/π = 1.00659; λ = 2.5 − 0.57722 δ = 1.91898.
    expect(result.scale).toBeCloseTo(1.00659, 4);
    expect(result.location).toBeCloseTo(1.91898, 4);
    expect(result.deepestExpected).toBeCloseTo(1.91898 - 1.00659 * Math.log(-Math.log(1 - 1 / 50)), 4);
  });
});

describe('survey.pits', () => {
  it('says how likely it is that the panel is through', () => {
    const { location, scale, areaRatio, perforationProbability } = pits(input());
    const patch = Math.exp(-Math.exp(-(0.9 - location) / scale));
    expect(perforationProbability).toBeCloseTo(1 - patch ** areaRatio, 9);
  });

  it('expects deeper pits and a likelier hole on a larger panel, and on a thinner one', () => {
    const small = pits(input({ totalArea: 100_000 }));
    const large = pits(input());
    expect(large.deepestExpected).toBeGreaterThan(small.deepestExpected);
    expect(large.perforationProbability).toBeGreaterThan(small.perforationProbability);
    expect(pits(input({ thickness: 0.6 })).perforationProbability).toBeGreaterThan(large.perforationProbability);
  });

  it('follows the unit: twice the depth, twice the answer', () => {
    const one = pits(input());
    const two = pits(input({ depths: input().depths.map((d) => 2 * d), thickness: 1.8 }));
    expect(two.deepestExpected).toBeCloseTo(2 * one.deepestExpected, 9);
    expect(two.perforationProbability).toBeCloseTo(one.perforationProbability, 9);
  });

  it.each([
    [{ depths: [0.2, 0.3] }, 'depths', /at least 3/],
    [{ depths: [0.2, 0.2, 0.2] }, 'depths', /equal/],
    [{ depths: [0.2, Number.NaN, 0.3] }, 'depths[1]', /number/],
    [{ depths: [0.2, -0.1, 0.3] }, 'depths[1]', /at least 0/],
    [{ totalArea: 3000 }, 'totalArea', /larger than one sampled patch/],
    [{ thickness: 0 }, 'thickness', /more than 0/],
    [{ method: 'bayes' as never }, 'method', /mle/],
  ])('refuses %o at its field', (over, field, message) => {
    expect(() => pits(input(over))).toThrow(
      expect.objectContaining({ field, message: expect.stringMatching(message) }),
    );
  });

  it('never gives NaN for sound input', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 12, noNaN: true }), { minLength: 3, maxLength: 40 }),
        fc.double({ min: 1.01, max: 1e4, noNaN: true }),
        fc.constantFrom('mle' as const, 'moments' as const),
        (depths, ratio, method) => {
          let result;
          try {
            result = pits({ depths, sampledArea: depths.length, totalArea: ratio, thickness: 1.2, method });
          } catch (error) {
            expect(error).toMatchObject({ code: 'no-spread' });
            return;
          }
          for (const value of Object.values(result)) expect(Number.isFinite(value)).toBe(true);
          expect(result.perforationProbability).toBeGreaterThanOrEqual(0);
          expect(result.perforationProbability).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
});

describe('pit rating', () => {
  // Grades of the standard chart (ASTM G46, memory).
  it('takes the nearest grade of the chart', () => {
    expect(pitRating({ pits: 10, area: 1000, mouth: 2, depth: 1.6 })).toEqual({
      density: 2,
      size: 2,
      depth: 3,
      text: 'A-2, B-2, C-3',
    });
    expect(pitRating({ pits: 5000, area: 10_000, mouth: 30, depth: 9 })).toMatchObject({
      density: 5,
      size: 5,
      depth: 5,
    });
    expect(pitRating({ pits: 1, area: 1e6, mouth: 0.1, depth: 0.05 })).toMatchObject({ density: 1, size: 1, depth: 1 });
  });
  it('refuses what cannot be counted', () => {
    expect(() => pitRating({ pits: 0, area: 1, mouth: 1, depth: 1 })).toThrow(/pits/);
    expect(() => pitRating({ pits: 1, area: 0, mouth: 1, depth: 1 })).toThrow(/area/);
  });
});

describe('Gumbel paper', () => {
  const fit = (depths: number[]) =>
    pits({ depths, sampledArea: depths.length * 3600, totalArea: 900_000, thickness: 1 });
  it('puts the Port Pirie maxima near the line that evd fits to them', () => {
    const { location, scale } = reference;
    const { points } = gumbelPlot(reference.depths, { location, scale, areaRatio: 100 });
    // The middle half of the ranks, where plotting positions are surest (Coles 2001, fig. 3.5).
    const middle = points.slice(Math.floor(points.length / 4), Math.ceil((3 * points.length) / 4));
    for (const { reduced, depth } of middle)
      expect(Math.abs(depth - (location + scale * reduced))).toBeLessThan(scale / 4);
  });
  it('has its points in order and ends at the deepest pit that is foretold, with its doubt', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.01, max: 2, noNaN: true }), { minLength: 3, maxLength: 40 }),
        (depths) => {
          fc.pre(Math.max(...depths) - Math.min(...depths) > 0.01);
          const result = fit(depths);
          const { points, line } = gumbelPlot(depths, result);
          expect(points.map((p) => p.depth)).toEqual([...depths].sort((a, b) => a - b));
          for (let i = 1; i < points.length; i++) expect(points[i]!.reduced).toBeGreaterThan(points[i - 1]!.reduced);
          const end = line.at(-1)!;
          expect(end.reduced).toBeGreaterThanOrEqual(points.at(-1)!.reduced - 1e-9);
          expect(end.high - end.depth).toBeCloseTo(end.depth - end.low, 9);
          expect(end.high).toBeGreaterThan(end.depth);
        },
      ),
    );
  });
});
