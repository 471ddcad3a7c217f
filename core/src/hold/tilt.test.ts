import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tilt } from './index.ts';

const corners = [
  [0, 600],
  [0, -600],
  [2400, 620],
  [2400, -620],
] as const;

describe('how a car leans', () => {
  it('is what it was leant by, however high it stands', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 900, noNaN: true }),
        (left, rear, up) => {
          const points = corners.map(([x, y], i) => ({
            ...{ x, y, z: 200 + 40 * i },
            height: 200 + 40 * i + up + (left * y) / 1000 + (rear * x) / 1000,
          }));
          const found = tilt({ points });
          expect(found.left).toBeCloseTo(left, 6);
          expect(found.rear).toBeCloseTo(rear, 6);
          expect(found.off).toBeLessThan(1e-6);
        },
      ),
    );
  });
  it('names twist: one corner that stands too high leaves a quarter of it at every corner', () => {
    const points = [
      [0, 600, 8],
      [0, -600, 0],
      [2400, 600, 0],
      [2400, -600, 0],
    ].map(([x, y, height]) => ({ x: x!, y: y!, z: 0, height: height! }));
    expect(tilt({ points }).off).toBeCloseTo(2, 9);
  });
  it('asks for points that do not lie on a line', () => {
    const points = [0, 800, 2400].map((x) => ({ x, y: 600, z: 0, height: 300 }));
    expect(() => tilt({ points })).toThrowError(expect.objectContaining({ code: 'on-a-line' }));
    expect(() => tilt({ points: points.slice(0, 2) })).toThrowError(expect.objectContaining({ field: 'points' }));
  });
});
