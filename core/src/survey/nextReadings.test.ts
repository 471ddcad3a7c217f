import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inPolygon, type Polygon } from '../geometry/index.ts';
import { nextReadings, type Sample } from './index.ts';

const sheet: Polygon = [
  [
    [0, 0],
    [800, 0],
    [800, 400],
    [0, 400],
  ],
];
const grid = (step: number, value: (u: number, v: number) => number): Sample[] => {
  const samples: Sample[] = [];
  for (let u = step / 2; u < 800; u += step)
    for (let v = step / 2; v < 400; v += step) samples.push({ u, v, value: value(u, v) });
  return samples;
};
const rusty = (u: number, v: number) => 0.88 - 0.6 * Math.exp(-((u - 500) ** 2 + (v - 120) ** 2) / 9000);

describe('survey.nextReadings', () => {
  const limit = 0.63;
  it('spreads the first readings, then goes where the side of the limit is open', () => {
    const first = nextReadings({ points: [], outline: sheet, limit, count: 4, minSpacing: 20 });
    expect(first.next).toHaveLength(4);
    expect(first.next[0]!.reason).toMatch(/Nothing has been read/);
    expect(first.called).toBe(0);
    const after = nextReadings({ points: grid(160, rusty), outline: sheet, limit, count: 3, minSpacing: 20 });
    expect(Math.hypot(after.next[0]!.u - 500, after.next[0]!.v - 120)).toBeLessThan(170);
    expect(after.next[0]!.reason).toMatch(/chance/);
  });

  it('calls more of a sheet the more it is read, and nearly all of a sound one', () => {
    const called = [200, 100, 50].map(
      (step) =>
        nextReadings({ points: grid(step, () => 0.88), outline: sheet, limit, count: 1, minSpacing: 10 }).called,
    );
    expect(called[0]!).toBeLessThan(called[2]! + 1e-9);
    expect(called[2]!).toBeGreaterThan(0.98);
  });

  it('never advises a place off the sheet, twice, or too close', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            u: fc.double({ min: 0, max: 800, noNaN: true }),
            v: fc.double({ min: 0, max: 400, noNaN: true }),
            value: fc.double({ min: 0, max: 1.2, noNaN: true }),
          }),
          { maxLength: 12 },
        ),
        fc.integer({ min: 1, max: 5 }),
        (points, count) => {
          const { next, called } = nextReadings({ points, outline: sheet, limit, count, minSpacing: 45 });
          const all = [...points, ...next];
          for (const place of next) {
            expect(inPolygon([place.u, place.v], sheet)).toBe(true);
            for (const other of all)
              if (other !== place) expect(Math.hypot(other.u - place.u, other.v - place.v)).toBeGreaterThan(44.9);
          }
          expect(called).toBeGreaterThanOrEqual(0);
          expect(called).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 25 },
    );
  });

  it.each([
    [{ outline: [[0, 0]] as never }, 'outline'],
    [{ limit: 0 }, 'limit'],
    [{ count: 0 }, 'count'],
    [{ minSpacing: -1 }, 'minSpacing'],
    [{ points: [{ u: 0, v: 0, value: Number.NaN }] }, 'points[0].value'],
  ])('refuses %o at its field', (over, field) => {
    const call = () => nextReadings({ points: [], outline: sheet, limit, count: 1, minSpacing: 10, ...over });
    expect(call).toThrow(expect.objectContaining({ field: expect.stringContaining(field) }));
  });
});
