import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf, type DatumPoint } from '../body/index.ts';
import {
  apart,
  gapPlaces,
  heldFigure,
  movedPoints,
  proposeBraces,
  shimsFor,
  tapesOf,
  type HeldFigure,
  type TakenTape,
} from './index.ts';

const frame = bodyPlan('saloon').frame!;
const pointsOf = (figure: string): DatumPoint[] =>
  frame.figures.find(({ id }) => id === figure)!.points.map((id) => frame.points.find((point) => point.id === id)!);
const taped = (points: readonly DatumPoint[]): TakenTape[] =>
  tapesOf(points).map(([from, to]) => ({
    from,
    to,
    length: apart(
      points.find(({ id }) => id === from)!,
      points.find(({ id }) => id === to)!,
    ),
  }));
const held = (points: readonly DatumPoint[], tapes: readonly TakenTape[]): HeldFigure => {
  const out = heldFigure(points, tapes);
  if ('open' in out) throw new Error(out.open);
  return out;
};

describe('the measuring points of all bodies', () => {
  for (const plan of bodyPlans())
    it(`${plan.name}: every figure can be taped, and its panels exist`, () => {
      const { points, figures, hung } = plan.frame!;
      expect(figures.length).toBeGreaterThanOrEqual(5);
      for (const figure of figures) {
        const own = figure.points.map((id) => points.find((point) => point.id === id)!);
        expect(own.every(Boolean), figure.id).toBe(true);
        const tapes = tapesOf(own);
        // Enough to check each other, and never all pairs where there are many points.
        expect(tapes.length).toBeGreaterThan(2 * own.length - 3);
        if (own.length > 4) expect(tapes.length).toBeLessThan((own.length * (own.length - 1)) / 2);
        for (const id of figure.sides.flatMap(({ panels }) => panels)) expect(panelOf(plan, id).id).toBe(id);
      }
      for (const { panel, mounts } of hung) {
        expect(mounts.length).toBeGreaterThanOrEqual(2);
        expect(gapPlaces(panelOf(plan, panel))).toHaveLength(12);
        expect(mounts.every(({ on }) => on.length > 0)).toBe(true);
        for (const id of mounts.flatMap(({ on }) => on)) expect(panelOf(plan, id).id).toBe(id);
      }
      expect(new Set(points.map(({ id }) => id)).size).toBe(points.length);
    });
  it('left and right mirror each other', () => {
    for (const { points } of bodyPlans().map((plan) => plan.frame!))
      for (const left of points.filter(({ id }) => id.endsWith('-l'))) {
        const right = points.find(({ id }) => id === left.id.replace(/-l$/, '-r'))!;
        expect(right.at).toEqual([left.at[0], -left.at[1], left.at[2]]);
      }
  });
});

describe('the tapes of a figure', () => {
  it('take the next one where the last one ended, as far as that can be', () => {
    const tapes = tapesOf(pointsOf('door-l'));
    expect(tapes).toHaveLength(6);
    const walks = tapes.slice(1).filter(([from], i) => from !== tapes[i]![1]);
    expect(walks.length).toBeLessThan(3);
  });
  it('go round what is in the way, and take all that is left where too few can be stretched', () => {
    const under = pointsOf('under');
    const isOne = (pair: readonly string[], [a, b]: readonly [string, string]) => pair.includes(a) && pair.includes(b);
    for (const barred of tapesOf(under)) {
      const around = tapesOf(under, [barred]);
      expect(around.some((pair) => isOne(pair, barred))).toBe(false);
      expect(around.length).toBeGreaterThanOrEqual(2 * under.length - 3);
    }
    const door = pointsOf('door-l');
    const [a, b] = tapesOf(door) as [[string, string], [string, string]];
    expect(tapesOf(door, [a, b])).toHaveLength(4);
  });
  it('name a blunder of 100 mm, and one of 8 mm among many', () => {
    const under = pointsOf('under');
    for (const [k, blunder] of [
      [2, 100],
      [5, 8],
    ] as const) {
      const tapes = taped(under).map((tape, i) => (i === k ? { ...tape, length: tape.length + blunder } : tape));
      expect(held(under, tapes).doubtful).toContain(k);
    }
  });
  it('say which points still swing', () => {
    const door = pointsOf('door-l');
    expect(heldFigure(door, taped(door).slice(0, 1))).toEqual({ open: expect.stringContaining('three') as string });
    expect(heldFigure(door, taped(door).slice(0, 4))).toEqual({ open: expect.stringContaining('swing') as string });
  });
});

describe('what has moved', () => {
  it('is found whatever the car was turned by in between (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.05, max: 0.05, noNaN: true }),
        fc.double({ min: -300, max: 300, noNaN: true }),
        fc.double({ min: -15, max: 15, noNaN: true }),
        (turn, shift, sag) => {
          const door = pointsOf('door-l');
          const before = held(door, taped(door));
          const moved = (point: DatumPoint): DatumPoint => {
            const z = point.at[2] - (point.id === 'lock-foot-l' ? sag : 0);
            const [c, s] = [Math.cos(turn), Math.sin(turn)];
            return { ...point, at: [c * point.at[0] - s * z + shift, point.at[1], s * point.at[0] + c * z] };
          };
          const now = held(door.map(moved), taped(door.map(moved)));
          const found = movedPoints(before, now, { kept: ['hinge-foot-l', 'hinge-head-l', 'lock-head-l'] });
          const foot = found.find(({ id }) => id === 'lock-foot-l')!;
          // The tapes are stretched in space: what is read in the plane differs by less than a line is wide.
          expect(foot.by[1]).toBeCloseTo(-sag, 0);
          expect(foot.by[0]).toBeCloseTo(0, 0);
          for (const { kept, beyond } of found.filter(({ id }) => id !== 'lock-foot-l'))
            expect({ kept, beyond }).toEqual({ kept: true, beyond: false });
        },
      ),
      { numRuns: 60 },
    );
  });
  it('two points that nobody has touched are enough to lay one over the other', () => {
    const door = pointsOf('door-l');
    const sunk = door.map((point) =>
      point.id.includes('foot') ? { ...point, at: [point.at[0], point.at[1], point.at[2] - 5] as const } : point,
    );
    const found = movedPoints(held(door, taped(door)), held(sunk, taped(sunk)), {
      kept: ['hinge-head-l', 'lock-head-l'],
    });
    expect(found.filter(({ beyond }) => beyond).map(({ id }) => id)).toEqual(['hinge-foot-l', 'lock-foot-l']);
    expect(found[0]!.by[1]).toBeCloseTo(-5, 1);
  });
});

describe('braces', () => {
  const door = frame.figures.find(({ id }) => id === 'door-l')!;
  it('none as long as no side is out', () => {
    expect(proposeBraces(door, { points: frame.points, out: ['wing-l'] })).toMatchObject({ braces: [], stiff: true });
  });
  it('two for a lost sill: the opening cannot lean any more', () => {
    const proposal = proposeBraces(door, { points: frame.points, out: ['sill-l'] });
    expect(proposal.stiff).toBe(true);
    expect(proposal.lost).toEqual([['lock-foot-l', 'hinge-foot-l']]);
    expect(proposal.braces).toHaveLength(2);
    for (const brace of proposal.braces) expect(brace.length - brace.cut).toBe(120);
  });
  it('are cut to what this car measures, and are softer the longer they are', () => {
    const plain = proposeBraces(door, { points: frame.points, out: ['sill-l'] }).braces[0]!;
    const longer = proposeBraces(door, {
      points: frame.points,
      out: ['sill-l'],
      held: () => 2 * plain.length,
    }).braces[0]!;
    expect(longer.length).toBe(2 * plain.length);
    expect(longer.reserve).toBeLessThan(plain.reserve / 3.5);
  });
  it('keep every figure of every body stiff, whichever panel is out (property)', () => {
    for (const { frame: own } of bodyPlans())
      for (const figure of own!.figures)
        for (const panel of figure.sides.flatMap(({ panels }) => panels))
          expect(proposeBraces(figure, { points: own!.points, out: [panel] }).stiff, `${figure.id} ${panel}`).toBe(
            true,
          );
  });
});

describe('shims', () => {
  it('come as near as all combinations of up to six (exhaustive)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.uniqueArray(fc.constantFrom(0.5, 1, 1.5, 2, 3, 5), { minLength: 1, maxLength: 3 }),
        (thickness, stock) => {
          const { shims, rest } = shimsFor(thickness, stock);
          let sums = new Set([0]);
          for (let n = 0; n < 6; n++)
            sums = new Set([...sums, ...[...sums].flatMap((sum) => stock.map((s) => sum + s))]);
          const least = Math.min(...[...sums].map((sum) => Math.abs(thickness - sum)));
          expect(Math.abs(rest)).toBeCloseTo(least, 2);
          expect(shims.reduce((a, b) => a + b, 0) + rest).toBeCloseTo(thickness, 2);
        },
      ),
    );
  });
  it('none at hand: the whole of it is left', () => {
    expect(shimsFor(3, [])).toEqual({ shims: [], rest: 3 });
  });
});

describe('where gaps are read', () => {
  it('the front of a right-hand door is on its right', () => {
    const [left, right] = ['door-skin-l', 'door-skin-r'].map((id) => gapPlaces(panelOf(bodyPlan('saloon'), id)));
    const front = (places: typeof left) => places!.find(({ id }) => id === 'front-lower')!;
    expect(front(left).normal[0]).toBeLessThan(-0.95);
    expect(front(right).normal[0]).toBeGreaterThan(0.95);
    // A raked edge looks up as well as forward.
    const raked = left!.find(({ id }) => id === 'front-upper')!;
    expect(raked.normal[1]).toBeGreaterThan(0.4);
    expect(Math.hypot(...raked.normal)).toBeCloseTo(1, 9);
    expect(front(left).at[1]).toBeCloseTo(front(right).at[1], 3);
  });
});
