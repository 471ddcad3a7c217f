import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../geometry/index.ts';
import { inTurn, isHot, planRepair, type RepairWeldInput, type WeldSide } from './index.ts';
import { Warmth } from './warmth.ts';

const patch = (width: number, height: number): Point[] => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
  [0, 0],
];
const planned = (width: number, height: number, over: Partial<RepairWeldInput> = {}) =>
  planRepair({
    joints: [{ name: 'in the sheet', kind: 'cut', closing: 'butt', line: patch(width, height), welds: 0 }],
    ...{ process: 'mig', thickness: 0.9, handWarm: 50, ambient: 20 },
    ...over,
  });
const sideOf = (steps: WeldSide['steps'], thickness = 0.9): WeldSide => ({
  ...{ steps, sheet: { thickness }, ambient: 20, handWarm: 50 },
});

describe('two sides welded in turn', () => {
  it('are done in their own order, each step once, none before its place is hand-warm', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 260 }),
        fc.integer({ min: 40, max: 200 }),
        fc.constantFrom(0, 30, 60, 240),
        (width, height, change) => {
          const sides = [planned(width, height).steps, planned(height, width).steps] as const;
          const { turns, total, waiting } = inTurn([sideOf(sides[0]), sideOf(sides[1])], change);
          for (const side of [0, 1] as const) {
            const own = turns.filter((turn) => turn.side === side);
            const numbers = own.flatMap(({ first, last }) =>
              Array.from({ length: last - first + 1 }, (_, i) => first + i),
            );
            expect(numbers).toEqual(sides[side].map(({ n }) => n));
          }
          expect(total).toBeGreaterThan(waiting);
          for (let i = 1; i < turns.length; i++) {
            expect(turns[i]!.side).not.toBe(turns[i - 1]!.side);
            expect(turns[i]!.start).toBeGreaterThanOrEqual(turns[i - 1]!.start + change);
          }
          // The first weld of each turn, by the heat of what was welded on its side before: played again from scratch.
          const warmth = [0, 1].map(() => new Warmth({ thickness: 0.9 }, 20, 50));
          for (const { side, first, last, start } of turns) {
            const step = sides[side][first - 1]!;
            if (isHot(step)) expect(warmth[side]!.at(step.from!, start)).toBeLessThanOrEqual(50 + 1e-6);
            let now = start;
            for (const one of sides[side].slice(first - 1, last)) {
              // Within a turn the torch is moved and places cool: heat put there too early would reach others too early.
              const before = one === step ? undefined : sides[side][one.n - 2];
              if (before) now += Math.max(0, one.start - one.wait - (before.start + before.duration));
              if (before && one.energy) now += warmth[side]!.waitAt(one.from!, now);
              if (one.energy)
                warmth[side]!.add({ from: one.from!, to: one.to!, duration: one.duration }, one.energy, now);
              now += one.duration;
            }
          }
        },
      ),
      { numRuns: 12, examples: [[142, 43, 0]] },
    );
  });

  it('never take longer than one after the other, which takes as long as both plans', () => {
    const [a, b] = [planned(160, 90), planned(120, 120)];
    const found = inTurn([sideOf(a.steps), sideOf(b.steps)], 60);
    expect(found.oneAfterOther.total).toBeCloseTo(a.totalTime + b.totalTime + 60, 0);
    expect(found.oneAfterOther.waiting).toBeCloseTo(a.waitTime + b.waitTime, 0);
    expect(found.total).toBeLessThanOrEqual(found.oneAfterOther.total);
  });

  it('save waits where a small patch has to cool again and again', () => {
    const small = planned(60, 45, { handWarm: 35 });
    const side = { ...sideOf(small.steps), handWarm: 35 };
    const { total, waiting, turns, oneAfterOther } = inTurn([side, side], 60);
    expect(small.waitTime).toBeGreaterThan(300);
    expect(waiting).toBeLessThan(0.6 * oneAfterOther.waiting);
    expect(total).toBeLessThan(oneAfterOther.total);
    expect(turns.length).toBeGreaterThan(3);
  });

  it('are nothing where both are done, and one side where the other is', () => {
    const { steps } = planned(80, 60);
    expect(inTurn([sideOf([]), sideOf([])])).toMatchObject({ turns: [], total: 0, waiting: 0 });
    expect(inTurn([sideOf([]), sideOf(steps)]).turns).toMatchObject([{ side: 1, first: 1, last: steps.length }]);
    expect(() => inTurn([sideOf([]), sideOf(steps)], -1)).toThrow(/change/);
  });
});
