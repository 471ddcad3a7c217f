import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlans } from '../body/index.ts';
import type { Point } from '../geometry/index.ts';
import { carriesLoad, rulesWith, usualLimits, walkRound, weldableLimit } from './index.ts';

const panels = bodyPlans().flatMap((body) => body.panels);

describe('limits of a shop', () => {
  it('are the usual ones unless it says otherwise, and change nothing else of the rules', () => {
    expect(weldableLimit(1, rulesWith(usualLimits))).toBe(weldableLimit(1));
    const strict = rulesWith({ ...usualLimits, weldableShare: 0.9, weldableMm: 0.8 });
    // 0.9 of 1 mm; 0.8 mm where nine tenths are less; never more than the sheet had.
    expect([1, 0.85, 0.7].map((asBuilt) => weldableLimit(asBuilt, strict))).toEqual([0.9, 0.8, 0.7]);
    expect(strict.metalShare).toEqual(rulesWith(usualLimits).metalShare);
  });

  it('take in no less around a mount where they are wider, and load-bearing metal everywhere', () => {
    const mounted = panels.filter(({ mounts }) => mounts.length > 0);
    const radius = fc.integer({ min: 0, max: 1000 });
    fc.assert(
      fc.property(fc.constantFrom(...mounted), radius, radius, fc.nat(1000), fc.nat(1000), (panel, a, b, du, dv) => {
        const [u, v] = panel.mounts[0]!.at;
        const at: Point = [u + du - 500, v + dv - 500];
        const near = (mountRadius: number) => carriesLoad(panel, at, { mountRadius });
        if (near(Math.min(a, b))) expect(near(Math.max(a, b))).toBe(true);
        if (panel.structural) expect(near(0)).toBe(true);
        else expect(near(1e-9)).toBe(panel.mounts.some(({ at: [x, y] }) => x === at[0] && y === at[1]));
        expect(carriesLoad(panel, panel.mounts[0]!.at, { mountRadius: 0 })).toBe(true);
      }),
    );
  });

  it('reach the walk-round: a place is told as load-bearing by them', () => {
    for (const plan of bodyPlans())
      for (const mountRadius of [0, 300, 1000])
        for (const { panel, at, structural } of walkRound({
          ...{ plan, climate: 'wet', age: 40, past: [], limits: { mountRadius } },
        }))
          expect(structural).toBe(
            carriesLoad(
              plan.panels.find(({ id }) => id === panel)!,
              at,
              { mountRadius },
            ),
          );
  });
});
