import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf } from '../body/index.ts';
import { area, between, inPolygon, toRing, type Point, type Ring } from '../geometry/index.ts';
import { besideEdge, cutLine, cutPanelOf, lineByHand, placeFrom, tapesFor } from './index.ts';

const sheet: Ring = [
  [0, 0],
  [600, 0],
  [600, 400],
  [0, 400],
];
const square = (u: number, v: number, width: number, height = width): Point[] => [
  [u, v],
  [u + width, v],
  [u + width, v + height],
  [u, v + height],
];
const damage = [square(100, 100, 60, 50)];
const task = { panel: { outline: sheet }, damage, margin: 20 };

describe('a line laid by hand', () => {
  it('is as long as its rounded corners make it', () => {
    const line = lineByHand({ ...task, corners: square(70, 70, 120, 110) });
    // Worked by hand: 2·(120 + 110) less what four quarter circles of 15 mm save: 8·15 − 2·π·15.
    expect(line.cutLength).toBeCloseTo(460 - 120 + 30 * Math.PI, 0);
    expect(line.area).toBeCloseTo(120 * 110 - (4 - Math.PI) * 225, -1);
    expect(line).toMatchObject({ edgeLength: 0, warnings: [], leastCost: null, alternatives: [] });
    expect(line.runs.map(({ follows, why }) => [follows, why])).toEqual(
      Array.from({ length: 4 }, () => ['free', 'As it was laid by hand.']),
    );
  });

  it('goes out to the edge where a corner lies beyond it', () => {
    const line = lineByHand({ ...task, corners: square(70, -30, 120, 210) });
    expect(line.edgeLength).toBeCloseTo(120, 6);
    expect(line.joints).toHaveLength(1);
    expect(line.joints[0]!.closed).toBe(false);
    expect(line.corners).toHaveLength(4);
  });

  it('cuts a panel across, in two lines, where it reaches two edges', () => {
    const line = lineByHand({ ...task, corners: square(70, -30, 120, 460) });
    expect(line.joints).toHaveLength(2);
    expect(line.cutLength).toBeCloseTo(800, 3);
  });

  it('says how narrow the margin is, and what of the damage is left out', () => {
    expect(lineByHand({ ...task, corners: square(92, 70, 100, 110) }).warnings).toEqual([
      'At its narrowest only 8 mm of metal stay between the damage and this line; 20 mm are asked for.',
    ]);
    // Ten of sixty millimetres lie outside, fifty high: 5 cm².
    expect(lineByHand({ ...task, corners: square(110, 70, 120, 110) }).warnings[0]).toMatch(/^5\.0 cm² of the damage/);
  });

  it('warns of a drain and of a mount in its way', () => {
    const holes = [square(60, 120, 20)];
    const mounts = [{ at: [195, 120] as Point, name: 'rear spring' }];
    const { warnings } = lineByHand({
      ...task,
      panel: { outline: sheet, holes, mounts },
      corners: square(70, 70, 120, 110),
    });
    expect(warnings).toEqual([expect.stringMatching(/a hole or drain/), expect.stringMatching(/rear spring/)]);
  });

  it.each([
    [
      'crosses itself',
      [
        [70, 70],
        [190, 180],
        [190, 70],
        [70, 180],
      ],
      'corners',
      /crosses itself/,
    ],
    [
      'has two corners on one another',
      [
        [70, 70],
        [70.1, 70],
        [190, 70],
        [190, 180],
        [70, 180],
      ],
      'corners[0]',
      /Corners 1 and 2/,
    ],
    ['lies beside the damage', square(300, 200, 50), 'corners', /none of the damage/],
    [
      'has two corners only',
      [
        [1, 1],
        [2, 2],
      ],
      'corners',
      /3/,
    ],
    [
      'has no numbers',
      [
        [1, 'x'],
        [2, 2],
        [3, 1],
      ],
      'corners[0][1]',
      /number/,
    ],
  ])('is refused where it %s', (_what, corners, field, words) => {
    expect(() => lineByHand({ ...task, corners: corners as number[][] })).toThrow(
      expect.objectContaining({ field, message: expect.stringMatching(words) }),
    );
  });

  it('has the figures of the line that was found, laid where that one runs', () => {
    for (const [plan, id, ring] of [
      ['saloon', 'quarter-l', square(1100, 300, 100, 80)],
      ['pickup', 'bed-floor', square(300, 200, 120, 80)],
      ['offroader', 'floor-front-l', square(200, 120, 120, 80)],
    ] as const) {
      const body = bodyPlan(plan);
      const panel = body.panels.find((one) => one.id === id) ?? body.panels[0]!;
      const own = { panel: cutPanelOf(body, panel), damage: [ring], margin: 20 };
      const found = cutLine(own);
      const laid = lineByHand({ ...own, corners: found.laid });
      for (const figure of ['cutLength', 'edgeLength', 'area', 'cost'] as const)
        expect(laid[figure], `${figure} on ${id}`).toBeCloseTo(found[figure], 1);
      for (const other of found.alternatives)
        expect(lineByHand({ ...own, corners: other.laid }).cutLength).toBeCloseTo(other.length, 0);
    }
  });

  it('is never longer all around when a run moves inward, and never lies beyond the panel', () => {
    const far = fc.integer({ min: 25, max: 90 });
    fc.assert(
      fc.property(far, far, far, far, fc.integer({ min: 1, max: 20 }), (left, right, below, above, by) => {
        const corners = (l: number): Point[] => [
          [100 - l, 100 - below],
          [160 + right, 100 - below],
          [160 + right, 150 + above],
          [100 - l, 150 + above],
        ];
        const [wide, narrow] = [left + by, left].map((l) => lineByHand({ ...task, corners: corners(l) }));
        // Where it goes out to an edge the cut is shorter, and as much of the edge is made again.
        const around = ({ cutLength, edgeLength }: typeof wide & object) => cutLength + edgeLength;
        expect(around(narrow!)).toBeLessThanOrEqual(around(wide!) + 1e-6);
        expect(narrow!.area).toBeLessThan(wide!.area);
        expect(area([narrow!.patch])).toBeLessThan(narrow!.area);
        expect(narrow!.outline.every((p) => inPolygon(p, [sheet]) || toRing(p, sheet) < 0.01)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});

describe('a run beside an edge', () => {
  const corners = square(100, 100, 100);

  it('lies parallel to a straight edge at the distance asked for, or out to it', () => {
    expect(besideEdge({ corners, run: 0, outline: sheet, at: 60 })).toEqual([
      [100, 60],
      [200, 60],
      [200, 200],
      [100, 200],
    ]);
    expect(besideEdge({ corners, run: 3, outline: sheet, at: 25 })).toEqual([
      [200, 100],
      [200, 200],
      [25, 200],
      [25, 100],
    ]);
    const out = besideEdge({ corners, run: 0, outline: sheet, at: 0 });
    expect(out[0]![1]).toBe(-30);
    expect(lineByHand({ ...task, corners: out }).edgeLength).toBeCloseTo(100, 6);
  });

  it('follows a curved edge within a felt-pen line, as the strip behind a wheel arch', () => {
    const panel = panelOf(bodyPlan('saloon'), 'quarter-l');
    const arch = panel.outline.filter(([u, v]) => v > 150 && v < 400 && u > 380 && u < 980);
    const [first, last] = [arch[0]!, arch.at(-1)!];
    const line = besideEdge({
      corners: [first, last, [last[0], 700], [first[0], 700]],
      run: 0,
      outline: panel.outline,
      at: 60,
    }).slice(0, -2);
    expect(line.length).toBeGreaterThan(4);
    for (const p of line) expect(toRing(p, panel.outline)).toBeCloseTo(60, 0);
    const middles = line.slice(1).map((p, i): Point => [(p[0] + line[i]![0]) / 2, (p[1] + line[i]![1]) / 2]);
    for (const p of middles) expect(Math.abs(toRing(p, panel.outline) - 60)).toBeLessThan(1.5);
  });

  it.each([
    [{ at: -1 }, 'at', /at least 0/],
    [{ at: 250 }, 'at', /Nowhere on this panel/],
    [{ run: 9 }, 'run', /no such run/],
  ])('is refused for %j', (over, field, words) => {
    expect(() => besideEdge({ corners, run: 0, outline: sheet, at: 60, ...over })).toThrow(
      expect.objectContaining({ field, message: expect.stringMatching(words) }),
    );
  });

  it('is refused where no edge runs along it', () => {
    // So far in, what runs parallel to the edge is a third as long as the run.
    const across: Point[] = [
      [10, 200],
      [590, 200],
      [590, 300],
      [10, 300],
    ];
    expect(() => besideEdge({ corners: across, run: 0, outline: sheet, at: 199 })).toThrow(/No edge of the panel runs/);
  });
});

describe('tape figures', () => {
  it('lead back to the corner, in mm and in inches', () => {
    const panel = panelOf(bodyPlan('saloon'), 'quarter-l');
    const own = { panel: cutPanelOf(bodyPlan('saloon'), panel), damage: [square(1100, 300, 100)], margin: 20 };
    const line = cutLine(own);
    for (const unit of ['mm', 'in'] as const) {
      const { corners } = tapesFor({ panel, line, unit });
      for (const { corner, datums, offsets } of corners)
        expect(between(placeFrom([offsets[0]!.mm, offsets[1]!.mm], datums), corner)).toBeLessThan(1e-6);
    }
  });
});
