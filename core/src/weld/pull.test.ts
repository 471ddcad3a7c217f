import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../geometry/index.ts';
import { distortion, planRepair, pull } from './index.ts';

const ring: Point[] = [
  [0, 0],
  [300, 0],
  [300, 200],
  [0, 200],
];
const joint = { name: 'in the sheet', closed: true, points: ring };
const stitch = (from: Point, to: Point, temperature = 20) => ({
  kind: 'stitch' as const,
  seam: 0,
  from,
  to,
  temperature,
});
const sides = ring.map((from, i) => stitch(from, ring[(i + 1) % 4]!));
const of = (steps: Parameters<typeof pull>[0]['steps'], over = {}) =>
  pull({ joints: [joint], steps, thickness: 1, width: 400, ...over });

describe('how a plan draws the sheet together', () => {
  it('is 0.10·A_w/t across and 0.025·L·A_w/A_p lengthwise on each side of a patch (Blodgett, memory)', () => {
    const found = of(sides);
    expect(found).toHaveLength(4);
    // A_w = 1.5 mm², t = 1 mm, A_p = 1 × 400 mm²: worked by hand.
    for (const { across } of found) expect(across).toBeCloseTo(0.15, 9);
    const long = found.find(({ at }) => at[1] === 0)!;
    expect(long.lengthwise).toBeCloseTo((0.025 * 300 * 1.5) / 400, 9);
    expect(long).toMatchObject({ at: [150, 0], along: [1, 0] });
    // The same figure by which plans are compared.
    const { shrinkage } = distortion({
      stitches: [{ at: [0, 0], length: 10, temperature: 20 }],
      thickness: 1,
      width: 400,
    });
    expect(long.across).toBeCloseTo(shrinkage, 9);
  });

  it('is half where half is stitched, more where it starts warm, and lies only where it is stitched', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.integer({ min: 20, max: 400 }),
        (share, celsius) => {
          const part = of([stitch([0, 0], [300 * share, 0])]);
          expect(part).toHaveLength(1);
          expect(part[0]!.across).toBeCloseTo(0.15 * share, 6);
          const warm = of([stitch([0, 0], [300 * share, 0], celsius)]);
          expect(warm[0]!.across).toBeGreaterThanOrEqual(part[0]!.across - 1e-12);
        },
      ),
    );
    expect(of([])).toEqual([]);
  });

  it('tells of a plan as it was laid out: every side of the piece once', () => {
    const plan = planRepair({
      joints: [{ name: 'in the sheet', kind: 'cut', closing: 'butt', line: [...ring, ring[0]!], welds: 0 }],
      process: 'mig',
      thickness: 0.9,
    });
    const found = of(plan.steps, { thickness: 0.9 });
    expect(found).toHaveLength(4);
    for (const { across } of found) {
      expect(across).toBeGreaterThan(0.1 * 1.5 * 0.9 * 0.8);
      expect(across).toBeLessThan(0.1 * 1.5 * 0.9 * 1.3);
    }
  });
});
