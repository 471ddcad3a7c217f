import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlans } from '../body/index.ts';
import type { Point } from '../geometry/index.ts';
import { calledShare } from './called.ts';
import {
  carriesLoad,
  checkLimits,
  isNearMount,
  coatingClass,
  metalClass,
  rulesWith,
  usualLimits,
  walkRound,
  weldableLimit,
} from './index.ts';

const panels = bodyPlans().flatMap((body) => body.panels);

describe('limits of a shop', () => {
  it('are the usual ones unless it says otherwise, and change nothing else of the rules', () => {
    expect(weldableLimit(1, rulesWith(usualLimits))).toBe(weldableLimit(1));
    const strict = rulesWith({ ...usualLimits, weldableShare: 0.9, weldableMm: 0.8 });
    // 0.9 of 1 mm; 0.8 mm where nine tenths are less; never more than the sheet had.
    expect([1, 0.85, 0.7].map((asBuilt) => weldableLimit(asBuilt, strict))).toEqual([0.9, 0.8, 0.7]);
    expect(strict.metalShare).toEqual(rulesWith(usualLimits).metalShare);
  });

  it('move the classes of metal and of coating, and how sure one has to be', () => {
    const rules = rulesWith({ ...usualLimits, thinShare: 0.6, heavyUm: 800, certainty: 0.95 });
    expect([metalClass(0.55, 1), metalClass(0.55, 1, rules)]).toEqual(['thin', 'failing']);
    expect([coatingClass(900), coatingClass(900, rules)]).toEqual(['heavy', 'filler']);
    // On one side of the limit with 92 %: called by 90, not by 95.
    const samples = Array.from({ length: 6 }, (_, i) => ({ u: i * 20, v: 0, value: 1 }));
    expect([calledShare([0.92], 1, samples), calledShare([0.92], 1, samples, rules)]).toEqual([1, 0]);
    // What was kept before there were more limits than one.
    expect(rulesWith({ weldableMm: 0.8 })).toEqual({ ...rulesWith(usualLimits), weldableMm: 0.8 });
  });

  it('follow one another, or are refused at the first that does not (property)', () => {
    expect(() => checkLimits(usualLimits)).not.toThrow();
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, share, share, share, (soundShare, wornShare, thinShare, throughShare) => {
        const limits = { ...usualLimits, soundShare, wornShare, thinShare, throughShare };
        const falls = soundShare > wornShare && wornShare > thinShare && thinShare > throughShare;
        if (!falls) {
          expect(() => checkLimits(limits)).toThrow('make this share smaller');
          return;
        }
        checkLimits(limits);
        // Metal at the lower end of each class is in it.
        const { metalShare } = rulesWith(limits);
        expect(Object.entries(metalShare).map(([, least]) => metalClass(least, 1, rulesWith(limits)))).toEqual([
          ...['sound', 'worn', 'thin', 'failing'],
        ]);
      }),
    );
    expect(() => checkLimits({ ...usualLimits, heavyUm: usualLimits.repaintedUm })).toThrow(/make this one larger/);
  });

  it('say which areas reach near a mount: those that hold it, and those nearer than the radius', () => {
    const mounts = [{ at: [0, 0] as const }];
    const square = (u: number): [number, number][] => [
      [u, -20],
      [u + 40, -20],
      [u + 40, 20],
      [u, 20],
    ];
    const near = (u: number, mountRadius: number) => isNearMount({ mounts }, square(u), { mountRadius });
    expect([near(-20, 0), near(100, 99), near(100, 101)]).toEqual([true, false, true]);
    expect(isNearMount({ mounts: [] }, square(0))).toBe(false);
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
