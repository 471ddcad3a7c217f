import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf, sheetOf } from '../body/index.ts';
import {
  area,
  between,
  circle,
  clip,
  firstCrossing,
  inRing,
  offset,
  toRing,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { thicknessAt } from '../survey/index.ts';
import { chooseDatums, cutLine, cutOffsets, lineOnMap, thinMetal, type Datum } from './index.ts';

const outline: Ring = [
  [0, 0],
  [800, 0],
  [800, 500],
  [0, 500],
];
const spot = circle([400, 250], 40);

describe('cut.line', () => {
  const line = cutLine({ panel: { outline }, damage: [spot], margin: 20 });

  it('encloses the damage and its margin with a few straight runs', () => {
    expect(line.runs).toHaveLength(4);
    expect(line.runs.every((run) => run.cut && run.follows === 'free')).toBe(true);
    const grown = offset([[spot]], 20).polygons[0]![0]!;
    // A rounded corner may shave the margin, never the damage.
    expect(grown.filter((p) => !inRing(p, line.outline) && toRing(p, line.outline) > 0.1)).toEqual([]);
    expect(line.joints).toHaveLength(1);
    expect(line.joints[0]!.closed).toBe(true);
    expect(line.cutLength).toBeLessThan(4 * 121);
  });

  it('keeps the rough line 12 mm inside and the patch one blade smaller (T-12, T-13)', () => {
    for (const p of line.rough) expect(toRing(p, line.outline)).toBeGreaterThan(11.5);
    expect(line.patch.every((p) => inRing(p, line.outline))).toBe(true);
    for (const p of line.patch) expect(toRing(p, line.outline)).toBeCloseTo(1, 0);
  });

  it('runs from edge to edge where the damage reaches the edge', () => {
    const atEdge = cutLine({
      panel: { outline },
      damage: [
        [
          [300, 0],
          [400, 0],
          [400, 60],
          [300, 60],
        ],
      ],
      margin: 20,
    });
    expect(atEdge.joints).toHaveLength(1);
    expect(atEdge.joints[0]!.closed).toBe(false);
    expect(atEdge.runs.filter((run) => !run.cut)).toHaveLength(1);
    expect(atEdge.edgeLength).toBeCloseTo(140, 0);
    expect(atEdge.cutLength).toBeGreaterThan(280);
  });

  it('takes in a strip at the edge that is too narrow to weld', () => {
    const near = cutLine({
      panel: { outline },
      damage: [
        [
          [300, 35],
          [400, 35],
          [400, 90],
          [300, 90],
        ],
      ],
      margin: 20,
    });
    expect(near.edgeLength).toBeGreaterThan(130);
  });

  it('runs beside a crease that is close by', () => {
    const creased = cutLine({
      panel: {
        outline,
        creases: [
          {
            id: 'c',
            name: 'Waist crease',
            line: [
              [0, 320],
              [800, 320],
            ],
          },
        ],
      },
      damage: [spot],
      margin: 20,
    });
    const beside = creased.runs.find((run) => run.follows === 'crease')!;
    expect(beside.name).toBe('Waist crease');
    expect(beside.from[1]).toBeCloseTo(326, 3);
  });

  it('stays on the sheet and clear of itself for damage anywhere on real panels', () => {
    const plan = bodyPlan('saloon');
    const ids = ['quarter-l', 'sill-r', 'wing-l', 'floor-front-l', 'door-skin-r', 'boot-floor'];
    fc.assert(
      fc.property(
        fc.constantFrom(...ids),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.integer({ min: 8, max: 90 }),
        (id, x, y, radius) => {
          const panel = panelOf(plan, id);
          const sheet = sheetOf(panel);
          const us = panel.outline.map((p) => p[0]);
          const vs = panel.outline.map((p) => p[1]);
          const centre: Point = [x * Math.max(...us), y * Math.max(...vs)];
          const onSheet = clip('intersection', [circle(centre, radius)], sheet);
          if (onSheet.area < 100) return;
          const cut = cutLine({
            panel: { outline: panel.outline, openings: sheet.slice(1), creases: panel.creases },
            damage: [circle(centre, radius)],
            margin: 20,
          });
          const enclosed = sheet.slice(1).filter((ring) => ring.every((p) => inRing(p, cut.outline)));
          expect(cut.warnings.some((warning) => warning.includes('opening'))).toBe(
            enclosed.length > 0 || cut.warnings.some((warning) => warning.includes('divides')),
          );
          expect(
            clip('difference', [cut.outline], sheet).area - enclosed.reduce((sum, ring) => sum + area([ring]), 0),
          ).toBeLessThan(5);
          expect(cut.outline.length < 600 ? firstCrossing(cut.outline) : undefined).toBeUndefined();
          if (onSheet.polygons.length === 1 && cut.warnings.length === 0)
            expect(clip('difference', onSheet.polygons[0]!, [cut.outline]).area).toBeLessThan(60);
          expect(area([cut.rough])).toBeLessThan(area([cut.outline]));
          expect(cut.cutLength).toBeGreaterThan(0);
        },
      ),
      { numRuns: 60 },
    );
  });

  it.each([
    [{ panel: { outline }, damage: [], margin: 20 }, 'damage'],
    [{ panel: { outline }, damage: [circle([5000, 0], 10)], margin: 20 }, 'damage'],
    [
      {
        panel: { outline },
        damage: [
          [
            [0, 0],
            [50, 50],
            [50, 0],
            [0, 50],
          ],
        ],
        margin: 20,
      },
      'damage[0]',
    ],
    [{ panel: { outline }, damage: [spot], margin: -1 }, 'margin'],
    [{ panel: { outline: [] }, damage: [spot], margin: 1 }, 'panel.outline'],
    [{ panel: { outline }, damage: [spot], margin: 1, house: { cornerRadius: 3 } }, 'house.cornerRadius'],
  ])('refuses bad input by field (%#)', (input, field) =>
    expect(() => cutLine(input as never)).toThrow(expect.objectContaining({ field })),
  );
});

describe('lineOnMap', () => {
  const joints = [
    {
      points: [
        [100, 100],
        [500, 100],
      ] as Point[],
      closed: false,
    },
  ];
  const readings = Array.from({ length: 40 }, (_, i) => ({
    u: 60 + (i % 10) * 50,
    v: 60 + Math.floor(i / 10) * 40,
    value: i % 10 > 5 ? 0.4 : 0.88,
  }));
  it('finds the stretch that may be too thin, and the one that nobody has measured', () => {
    const { doubtful, unmeasured } = lineOnMap({ joints, asBuilt: 0.9, readings });
    expect(doubtful).toBeGreaterThan(0.3);
    expect(doubtful).toBeLessThan(0.8);
    expect(unmeasured).toBe(0);
    expect(
      lineOnMap({
        joints: [
          {
            points: [
              [3000, 0],
              [3400, 0],
            ],
            closed: false,
          },
        ],
        asBuilt: 0.9,
        readings,
      }).unmeasured,
    ).toBe(1);
    expect(lineOnMap({ joints, asBuilt: 0.9, readings: [] })).toEqual({ unmeasured: 1, doubtful: 0 });
  });
});

describe('cut.offsets', () => {
  const datums: [Datum, Datum] = [
    { name: 'lower edge', a: [0, 0], b: [800, 0] },
    { name: 'front edge', a: [0, 500], b: [0, 0] },
  ];

  it('gives the figures that a square would', () => {
    const { corners, runs } = cutOffsets({
      line: [
        [120, 80],
        [300, 80],
      ],
      datums,
      unit: 'in',
    });
    expect(corners[0]!.offsets.map((o) => o.mm)).toEqual([80, 120]);
    expect(corners[0]!.offsets[0]!.text).toBe('3 5/32"');
    expect(runs[0]!.mm).toBe(180);
  });

  it('leads back to within 1 mm of every corner, in both units, from edges of real panels', () => {
    const plan = bodyPlan('saloon');
    fc.assert(
      fc.property(
        fc.constantFrom(...plan.panels),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom('mm', 'in') as fc.Arbitrary<'mm' | 'in'>,
        (panel, x, y, unit) => {
          const corner: Point = [x * 900, y * 500];
          const [one] = cutOffsets({ line: [corner], datums: chooseDatums({ panel }, [corner])[0]!, unit }).corners;
          expect(one!.error).toBeLessThan(1);
          expect(between(corner, one!.replotted)).toBeCloseTo(one!.error, 9);
        },
      ),
    );
  });

  it('refuses parallel edges', () => {
    expect(() =>
      cutOffsets({ line: [[1, 1]], datums: [datums[0], { name: 'upper edge', a: [800, 500], b: [0, 500] }] }),
    ).toThrow(/parallel/);
  });
});

describe('metal that is too thin to weld to', () => {
  const sheet = sheetOf(panelOf(bodyPlan('saloon'), 'roof'));
  const grid = (value: (u: number) => number) =>
    Array.from({ length: 48 }, (_, i) => {
      const [u, v] = [200 + (i % 8) * 50, 200 + Math.floor(i / 8) * 50];
      return { u, v, value: value(u) };
    });

  it('is outlined where it was read, and not where the metal is good', () => {
    const thin = thinMetal({ sheet, asBuilt: 0.9, readings: grid((u) => (u < 350 ? 0.3 : 0.88)) });
    expect(thin.length).toBeGreaterThan(0);
    expect(thin.some((ring) => inRing([250, 300], ring))).toBe(true);
    expect(thin.some((ring) => inRing([500, 300], ring))).toBe(false);
    expect(thinMetal({ sheet, asBuilt: 0.9, readings: grid(() => 0.88) })).toEqual([]);
  });

  it('says nothing where there is no map: too few places, or none with a value of its own', () => {
    const two = grid(() => 0.1).slice(0, 2);
    expect(thinMetal({ sheet, asBuilt: 0.9, readings: [...two, ...two] })).toEqual([]);
    const beyond = grid(() => 0.6).map((reading) => ({ ...reading, censored: 'below' as const }));
    expect(thinMetal({ sheet, asBuilt: 0.9, readings: beyond })).toEqual([]);
    expect(lineOnMap({ joints: [], asBuilt: 0.9, readings: beyond })).toEqual({ unmeasured: 1, doubtful: 0 });
  });

  it('takes “less than” for less: its place is thinner than where the same figure was measured', () => {
    const at = (censored: 'below' | undefined) =>
      thicknessAt({
        asBuilt: 0.9,
        readings: grid((u) => (u < 300 ? 0.7 : 0.88)).map((reading) =>
          reading.u < 300 ? { ...reading, censored } : reading,
        ),
        at: [[225, 320]],
      })[0]!;
    expect(at('below').mean).toBeLessThan(at(undefined).mean);
    expect(at('below').under).toBeGreaterThanOrEqual(at(undefined).under);
  });
});
