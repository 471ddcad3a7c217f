import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  empiricalVariogram,
  fitVariogram,
  krige,
  normalCdf,
  prepareNearKriging,
  type Sample,
  type VariogramModel,
} from './index.ts';

// Ordinary kriging of log(zinc) on the Meuse data set by gstat in R; written by core/fixtures/meuse.R.
const meuse = JSON.parse(readFileSync(new URL('../../fixtures/meuse.json', import.meta.url), 'utf8')) as {
  points: Sample[];
  model: VariogramModel;
  fitted: VariogramModel;
  at: { u: number; v: number }[];
  mean: number[];
  variance: number[];
  leaveOneOutRmse: number;
};

describe('survey.krige against gstat on the Meuse data', () => {
  const result = krige({ points: meuse.points, model: meuse.model, at: meuse.at });

  it('gives the same means and variances', () => {
    result.at.forEach((place, i) => {
      expect(place.mean).toBeCloseTo(meuse.mean[i]!, 6);
      expect(place.variance).toBeCloseTo(meuse.variance[i]!, 6);
    });
  });

  it('leaves one out with the same error', () => {
    expect(result.leaveOneOutRmse).toBeCloseTo(meuse.leaveOneOutRmse, 6);
  });

  it('fits nearly the same spherical variogram', () => {
    const fitted = fitVariogram(empiricalVariogram(meuse.points), ['spherical'])!;
    expect(fitted.range / meuse.fitted.range).toBeCloseTo(1, 1);
    expect(fitted.partialSill / meuse.fitted.partialSill).toBeCloseTo(1, 1);
    expect(Math.abs(fitted.nugget - meuse.fitted.nugget)).toBeLessThan(0.03);
  });
});

describe('survey.krige', () => {
  const points = [
    { u: 0, v: 0, value: 0.9 },
    { u: 100, v: 0, value: 0.5 },
    { u: 0, v: 100, value: 0.7 },
    { u: 100, v: 100, value: 0.6 },
  ];
  const model: VariogramModel = { kind: 'exponential', nugget: 0.001, partialSill: 0.02, range: 80 };

  it('reproduces a sampled place with no doubt', () => {
    const { at } = krige({ points, model, at: points });
    at.forEach((place, i) => {
      expect(place.mean).toBe(points[i]!.value);
      expect(place.variance).toBe(0);
    });
  });

  it('gives the mean of four corners at their middle, and full doubt far away', () => {
    const { at } = krige({
      points,
      model,
      at: [
        { u: 50, v: 50 },
        { u: 1e5, v: 0 },
      ],
    });
    expect(at[0]!.mean).toBeCloseTo(0.675, 10);
    expect(at[1]!.variance).toBeGreaterThan(model.nugget + model.partialSill);
  });

  it('averages coincident readings and says so', () => {
    const { at, warnings } = krige({ points: [...points, { u: 0, v: 0, value: 0.7 }], model, at: [{ u: 0, v: 0 }] });
    expect(at[0]!.mean).toBeCloseTo(0.8, 12);
    expect(warnings[0]).toMatch(/1 readings/);
  });

  it.each([
    [{ points: points.slice(0, 2), at: [] }, 'points'],
    [{ points: [...points.slice(0, 3), { u: 0, v: Number.NaN, value: 1 }], at: [] }, 'points[3].v'],
    [{ points, at: [{ u: Infinity, v: 0 }] }, 'at[0].u'],
    [{ points, model: { ...model, range: 0 }, at: [] }, 'model.range'],
    [{ points, model: { ...model, nugget: 0, partialSill: 0 }, at: [] }, 'model'],
  ])('refuses bad input by field (%#)', (input, field) => {
    expect(() => krige(input as Parameters<typeof krige>[0])).toThrow(expect.objectContaining({ field }));
  });

  it('never returns NaN, whatever the readings', () => {
    const reading = fc.record({
      u: fc.integer({ min: 0, max: 1000 }),
      v: fc.integer({ min: 0, max: 1000 }),
      value: fc.double({ min: 0, max: 2, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(reading, { minLength: 3, maxLength: 25, selector: (r) => `${r.u} ${r.v}` }),
        (readings) => {
          const { at } = krige({
            points: readings,
            at: [
              { u: 500, v: 500 },
              { u: readings[0]!.u, v: readings[0]!.v },
            ],
          });
          for (const place of at) {
            expect(Number.isFinite(place.mean)).toBe(true);
            expect(place.variance).toBeGreaterThanOrEqual(0);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('shifts and scales with its values', () => {
    const [one] = krige({ points, model, at: [{ u: 30, v: 20 }] }).at;
    const [other] = krige({
      points: points.map((p) => ({ ...p, value: 2 * p.value + 3 })),
      model,
      at: [{ u: 30, v: 20 }],
    }).at;
    expect(other!.mean).toBeCloseTo(2 * one!.mean + 3, 10);
  });
});

describe('kriging with a moving neighbourhood', () => {
  // Against the whole system, itself checked against gstat: the screen effect makes the difference small.
  it('agrees with the whole system on the Meuse data to a fifth of a standard deviation', () => {
    const exact = krige({ points: meuse.points, model: meuse.model, at: meuse.at }).at;
    const mean = new Float64Array(meuse.at.length);
    const variance = new Float64Array(meuse.at.length);
    prepareNearKriging(meuse.points, meuse.model).predict(
      meuse.at.map((p) => p.u),
      meuse.at.map((p) => p.v),
      mean,
      variance,
    );
    exact.forEach((place, i) => {
      expect(Math.abs(place.mean - mean[i]!) / Math.sqrt(place.variance)).toBeLessThan(0.2);
      expect(Math.sqrt(variance[i]! / place.variance)).toBeCloseTo(1, 1);
    });
  });
});

describe('normalCdf', () => {
  // Standard normal table of any statistics handbook.
  it.each([
    [0, 0.5],
    [1, 0.8413447],
    [-1.2815516, 0.1],
    [1.959964, 0.975],
  ])('at %d', (z, p) => expect(normalCdf(z)).toBeCloseTo(p, 6));
});
