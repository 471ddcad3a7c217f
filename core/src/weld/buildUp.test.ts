import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildUp, field, MATERIALS, settings } from './index.ts';
import { netPower } from './netPower.ts';

describe('an edge that is built up with bead', () => {
  it('gains what is asked for in passes of at most 1.5 mm (T-39), with a pause after each but the last', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 6, noNaN: true }),
        fc.integer({ min: 20, max: 600 }),
        fc.constantFrom(0.8, 1, 1.5, 2),
        (low, length, thickness) => {
          const { passes, each, pauses, minutes, hot } = buildUp({ low, length, thickness });
          expect(passes * each).toBeCloseTo(low, 9);
          expect(each).toBeLessThanOrEqual(1.5 + 1e-9);
          expect(pauses).toHaveLength(passes - 1);
          expect(minutes * 60).toBeGreaterThan(hot);
          // Each pass finds the edge warmer than the one before it did.
          for (let i = 1; i < pauses.length; i++) expect(pauses[i]!).toBeGreaterThanOrEqual(pauses[i - 1]! - 1.1);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('waits as long as the sheet takes by heat flow on a grid, an edge of it insulated', () => {
    const [length, thickness, limit, ambient] = [100, 1, 60, 20];
    const { pauses } = buildUp({ length, low: 3, thickness, limit, ambient });
    const { seam, travel } = netPower('mig', settings({ process: 'mig', thickness }), thickness);
    const run = length / travel;
    // Large enough that its other edges are not felt; the bead runs along the lower one.
    const { rise } = field({
      ...{ width: 800, height: 400, cell: 5, thickness, material: MATERIALS.steel },
      stitches: [{ start: [350, 1], end: [450, 1], at: 0, duration: run, energy: seam * run }],
      probes: [355, 375, 400, 425, 445].map((u): [number, number] => [u, 2.5]),
      times: [run + pauses[0]!],
    });
    const hottest = ambient + Math.max(...rise.map(([value]) => value!));
    expect(Math.abs(hottest - limit)).toBeLessThan(6);
  });

  it('is a strip beyond a few millimetres (T-35), and warmer sheet or a lower limit makes it wait longer', () => {
    expect(buildUp({ length: 200, low: 2, thickness: 1 })).toMatchObject({ passes: 2, better: 'bead' });
    expect(buildUp({ length: 200, low: 4, thickness: 1 })).toMatchObject({
      better: 'strip',
      why: expect.stringMatching(/Beyond 3 mm/),
    });
    const wait = (over: object) => buildUp({ length: 200, low: 2, thickness: 1, ...over }).pauses[0]!;
    expect(wait({ ambient: 35 })).toBeGreaterThan(wait({}));
    expect(wait({ limit: 100 })).toBeLessThan(wait({}));
    expect(wait({ material: 'aluminium', process: 'tig' })).toBeGreaterThan(0);
  });

  it('refuses what is no edge, at its field', () => {
    expect(() => buildUp({ length: 0, low: 2, thickness: 1 })).toThrow(/length/);
    expect(() => buildUp({ length: 100, low: 0, thickness: 1 })).toThrow(/low/);
    expect(() => buildUp({ length: 100, low: 1, thickness: 1, ambient: 40, limit: 30 })).toThrow(/limit/);
  });
});
