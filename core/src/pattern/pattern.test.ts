import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf } from '../body/index.ts';
import { area, clip, perimeter, type Point, type Ring } from '../geometry/index.ts';
import { closedJoints, panelJoints, pieceJoints, type ClosedJoint } from '../repair/index.ts';
import { blankOf, layOut, type BlankInput } from './index.ts';

const square: Ring = [
  [0, 0],
  [300, 0],
  [300, 200],
  [0, 200],
];
const joint = (line: readonly Point[], over: Partial<ClosedJoint> = {}): ClosedJoint => ({
  ...{ kind: 'fold', name: 'edge', length: 0, fasteners: 0, closing: 'make', welds: 0, chosen: false, counted: false },
  line,
  ...over,
});
const sides = (over: (i: number) => Partial<ClosedJoint>) =>
  square.map((p, i) => joint([p, square[(i + 1) % 4]!], over(i)));
const base: BlankInput = {
  ...{ piece: square, joints: sides(() => ({ kind: 'free' })), thickness: 1, material: 'steel', radius: 1 },
  ...{ gap: 0, trim: 0 },
};

describe('the blank of a piece', () => {
  it('is the piece itself where nothing goes on beyond its edges, less the gap of a butt', () => {
    expect(blankOf(base).area).toBeCloseTo(60_000, 0);
    const butted = blankOf({ ...base, gap: 1, joints: sides(() => ({ kind: 'cut', closing: 'butt' })) });
    expect(butted.box).toEqual({ width: 298, height: 198 });
    const left = blankOf({ ...base, trim: 10, joints: sides(() => ({ kind: 'cut', closing: 'butt' })) });
    expect(left.box).toEqual({ width: 320, height: 220 });
    expect(left.marks).toHaveLength(4);
  });

  it('adds to a flange what DIN 6935 says: 20 mm square with R 1 in 1 mm sheet comes to 17.9 mm', () => {
    // K = (0.65 + 0.5·log10(1))/2 = 0.325; allowance π/2 · 1.325 = 2.08; setback 2: 20 − 4 + 2.08 = 18.08 less the body’s share.
    const one = blankOf({ ...base, joints: sides((i) => (i === 0 ? { height: 20 } : { kind: 'free' })) });
    const allowance = (Math.PI / 2) * (1 + 0.325);
    expect(one.edges[0]!.reach).toBeCloseTo(20 - 4 + allowance, 3);
    expect(one.box.height).toBeCloseTo(200 + one.edges[0]!.reach, 2);
    expect(one.bends).toHaveLength(1);
    expect(one.bends[0]!.line[0]![1]).toBeCloseTo(2 - allowance / 2, 3);
  });

  it('marks where a joggled edge is set down, by the thickness of its neighbour, and leaves the slope its metal', () => {
    const one = blankOf({
      ...base,
      joints: sides((i) => (i === 2 ? { kind: 'cut', closing: 'joggle' } : { kind: 'free' })),
    });
    expect(one.steps).toMatchObject([{ joint: 2, depth: 1, line: [square[2], square[3]] }]);
    // 13 mm under the neighbour, and a slope at 45° is longer than what it covers.
    expect(one.box.height).toBeCloseTo(213 + Math.SQRT2 - 1, 2);
    const lapped = sides((i) => (i === 2 ? { kind: 'cut', closing: 'lap' } : { kind: 'free' }));
    expect(blankOf({ ...base, joints: lapped }).steps).toEqual([]);
  });

  it('of a piece that is cut from a bought panel has the edges that come with it; laps in the sheet are still cut', () => {
    const joints = sides((i) => (i === 0 ? { kind: 'spot', height: 15 } : { kind: 'cut', closing: 'lap' }));
    const bought = blankOf({ ...base, joints, bought: true });
    expect(bought.edges[0]).toMatchObject({ width: 0, bought: true, chosen: false });
    expect(bought.bends).toEqual([]);
    expect(bought.edges[1]!.width).toBe(25);
    // A flange that is not as it should be is said, and then it is made.
    const choices = [{ at: [150, 0] as Point, kind: 'spot', width: 20, angle: 90, way: 'in' as const }];
    const changed = blankOf({ ...base, joints, bought: true, choices });
    expect(changed.edges[0]).toMatchObject({ width: 20, chosen: true });
    expect(changed.edges[0]!.bought).toBeUndefined();
    expect(changed.bends).toHaveLength(1);
  });

  it('carries nuts and holes: drilled ones are cut out, others are marked, in its flanges as well', () => {
    const joints = sides((i) => (i === 0 ? { height: 20 } : { kind: 'free' }));
    const bare = blankOf({ ...base, joints });
    const fittings = [
      { name: 'Captive nut', at: [100, 60] as Point, diameter: 0 },
      { name: 'Locating hole', at: [200, -10] as Point, diameter: 10 },
    ];
    const one = blankOf({ ...base, joints, fittings });
    expect(one.fittings).toEqual(fittings);
    expect(one.blank).toHaveLength(2);
    // A round hole is drawn by sides that stray from it by no more than 0.2 mm.
    expect((bare.area - one.area) / (Math.PI * 25)).toBeGreaterThan(0.95);
    expect(bare.area - one.area).toBeLessThan(Math.PI * 25);
    const beyond = [{ name: 'Drain', at: [100, 260] as Point, diameter: 8 }];
    expect(() => blankOf({ ...base, fittings: beyond })).toThrow(/“Drain” lies beyond the piece/);
    expect(() => blankOf({ ...base, fittings: [{ ...fittings[0]!, diameter: -1 }] })).toThrow();
  });

  it('leaves the corner open between two flanges, and weighs what it weighs', () => {
    const all = blankOf({ ...base, joints: sides(() => ({ height: 20 })) });
    const reach = all.edges[0]!.reach;
    // Four strips, each drawn in at both ends by half its setback; no corner squares.
    expect(all.area).toBeCloseTo(60_000 + reach * (2 * 298 + 2 * 198), -1);
    expect(all.mass).toBeCloseTo((all.area * 7.85) / 1000, 1);
  });

  it('slits a round edge into tabs, and takes the wedges out where it bulges', () => {
    const ring = Array.from({ length: 60 }, (_, i): Point => {
      const a = (i * Math.PI) / 30;
      return [100 * Math.cos(a), 100 * Math.sin(a)];
    });
    const round = blankOf({ ...base, piece: ring, joints: [joint([...ring, ring[0]!], { height: 15 })] });
    expect(round.edges[0]!.tabs).toBeGreaterThan(10);
    expect(round.edges[0]!.strain).toBeLessThan(-0.1);
    const whole = Math.PI * (100 + round.edges[0]!.reach) ** 2;
    expect(round.area).toBeLessThan(whole);
    expect(round.area).toBeGreaterThan(Math.PI * 100 ** 2);
    // Between two tabs the edge goes back to the fold.
    expect(round.blank[0]!.some(([x, y]) => Math.abs(Math.hypot(x, y) - 100) < 0.3)).toBe(true);
  });

  it('refuses a flange that its bend leaves no room for, in words that name the edge', () => {
    const joints = sides((i) => (i === 0 ? { height: 1, name: 'lower edge' } : { kind: 'free' }));
    expect(() => blankOf({ ...base, joints })).toThrow(/lower edge is to be turned 1 mm wide/);
  });

  it('is found for every panel of all four bodies as a whole, and is never smaller than the panel', () => {
    for (const plan of bodyPlans())
      for (const panel of plan.panels) {
        const joints = closedJoints(panelJoints(plan, panel), { visible: panel.visible });
        const [layer] = panel.layers;
        const { area: size, blank } = blankOf({
          ...{ piece: panel.outline, joints, thickness: layer!.thickness, material: layer!.material },
          ...{ radius: 1.5, gap: 0, trim: 0, strips: panel.flanges },
        });
        expect(size, `${plan.id} ${panel.id}`).toBeGreaterThanOrEqual(area([panel.outline]) - 1);
        const most = area([panel.outline]) + perimeter(panel.outline) * 60;
        expect(size, `${plan.id} ${panel.id}`).toBeLessThan(most);
        expect(blank.length, `${plan.id} ${panel.id}`).toBeGreaterThan(0);
      }
  });

  it('takes in the flange of the edge that a patch reaches, and only along it', () => {
    const plan = bodyPlan('saloon');
    const panel = panelOf(plan, 'floor-front-l');
    const [u, v] = panel.outline.reduce((a, b) => (a[0] + a[1] <= b[0] + b[1] ? a : b));
    const piece: Ring = [
      [u, v],
      [u + 300, v],
      [u + 300, v + 200],
      [u, v + 200],
    ];
    const joints = closedJoints(pieceJoints(plan, panel, piece), { visible: false });
    const made = blankOf({ ...base, piece, joints });
    expect(made.edges.some(({ angle }) => angle === 90)).toBe(true);
    expect(made.area).toBeGreaterThan(60_000);
  });

  it('marks the bend of a strip that is drawn in the sheet already, adds nothing there, and goes no further than the piece', () => {
    const strip: Ring = [
      [0, 0],
      [400, 0],
      [400, 20],
      [0, 20],
    ];
    const panel: Ring = [
      [0, 0],
      [400, 0],
      [400, 300],
      [0, 300],
    ];
    const joints = sides((i) => (i === 0 ? { height: 20 } : { kind: 'free' }));
    const made = blankOf({ ...base, joints, panel, strips: [{ name: 'lip', outline: strip }] });
    expect(made.area).toBeCloseTo(60_000, 0);
    expect(made.edges[0]).toMatchObject({ inSheet: true, reach: 0 });
    const [from, to] = [...made.bends[0]!.line].sort((a, b) => a[0] - b[0]);
    expect([from, to]).toEqual([
      [0, 20],
      [300, 20],
    ]);
  });

  it('for any flanges of a rectangle: never less than the piece, and the same turned by a quarter', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 4, max: 60 }), { minLength: 4, maxLength: 4 }), (heights) => {
        const made = blankOf({ ...base, joints: sides((i) => ({ height: heights[i]! })) });
        expect(made.area).toBeGreaterThan(60_000);
        const turn = ([x, y]: Point): Point => [200 - y, x];
        const turned = blankOf({
          ...base,
          piece: square.map(turn),
          joints: sides((i) => ({ height: heights[i]! })).map((one) => ({ ...one, line: one.line.map(turn) })),
        });
        expect(turned.area).toBeCloseTo(made.area, 1);
      }),
      { numRuns: 40 },
    );
  });
});

describe('blanks on the sheets of the rack', () => {
  const blank = (id: string, w: number, h: number, over: object = {}) => ({
    id,
    blank: [
      [
        [0, 0],
        [w, 0],
        [w, h],
        [0, h],
      ] as Ring,
    ],
    thickness: 1,
    material: 'steel' as const,
    ...over,
  });
  const sheet = (id: string, width: number, height: number, over: object = {}) => ({
    ...{ id, width, height, thickness: 1, material: 'steel' as const },
    ...over,
  });

  it('go on leftovers before a whole sheet, and what is left goes back', () => {
    const { sheets, without } = layOut({
      sheets: [sheet('whole', 1000, 2000), sheet('left', 420, 220)],
      blanks: [blank('a', 400, 200), blank('b', 400, 200)],
      gap: 5,
      turn: true,
    });
    expect(sheets.map((one) => [one.sheet, one.placed.map((p) => p.blank)])).toEqual([
      ['left', ['a']],
      ['whole', ['b']],
    ]);
    expect(sheets[0]!.left).toBeNull();
    expect(sheets[1]!.left!.height).toBeGreaterThan(1590);
    expect(without).toEqual([]);
  });

  it('keep their metal and gauge, and say why they found no place', () => {
    const { without } = layOut({
      sheets: [sheet('s', 1000, 500)],
      blanks: [
        blank('thick', 100, 100, { thickness: 1.5 }),
        blank('light', 50, 50, { material: 'aluminium' }),
        blank('big', 1200, 600),
      ],
      gap: 5,
      turn: true,
    });
    expect(without).toEqual([
      { blank: 'thick', why: 'metal' },
      { blank: 'light', why: 'metal' },
      { blank: 'big', why: 'room' },
    ]);
  });

  it('never overlap, and stay on their sheet', () => {
    const sizes = fc.array(fc.tuple(fc.integer({ min: 40, max: 300 }), fc.integer({ min: 40, max: 300 })), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(sizes, (all) => {
        const { sheets } = layOut({
          sheets: [sheet('s', 600, 600)],
          blanks: all.map(([w, h], i) => blank(String(i), w, h)),
          gap: 4,
          turn: true,
        });
        const rings = sheets.flatMap(({ placed }) => placed.map(({ outline }) => outline));
        rings.forEach((ring, i) => {
          for (const p of ring) for (const x of p) expect(x >= -0.5 && x <= 600.5).toBe(true);
          for (const other of rings.slice(i + 1)) expect(clip('intersection', [ring], [other]).area).toBeLessThan(1);
        });
      }),
      { numRuns: 25 },
    );
  });
});
