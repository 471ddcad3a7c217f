import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf, sheetOf, type Panel } from '../body/index.ts';
import { between, circle, inPolygon, lineLength, type Point, type Ring } from '../geometry/index.ts';
import { datumsOn, footOn, tapeTrouble, type Datum } from './datums.ts';
import { chooseDatums } from './measureFrom.ts';
import { alongLips } from './lips.ts';
import { cutOffsets } from './offsets.ts';
import { cutPanelOf } from './panel.ts';
import { cutLine } from './line.ts';
import { tapesFor } from './tapes.ts';

const saloon = bodyPlan('saloon');
/** 600 × 400 with a window in the middle, a crease across, and its upper right corner rounded off. */
const panel: Panel = {
  ...panelOf(saloon, 'quarter-l'),
  outline: [
    [0, 0],
    [600, 0],
    [600, 250],
    [585, 320],
    [545, 372],
    [480, 400],
    [0, 400],
  ],
  creases: [
    {
      id: 'swage',
      name: 'Swage line',
      line: [
        [0, 60],
        [600, 60],
      ],
    },
  ],
  holes: [
    {
      id: 'window',
      name: 'Window',
      kind: 'opening',
      outline: [
        [200, 120],
        [400, 120],
        [400, 280],
        [200, 280],
      ],
    },
  ],
};
const sheet = sheetOf(panel);
const lower: Datum = { name: 'lower edge', a: [0, 0], b: [600, 0] };
const rear: Datum = { name: 'rear edge', a: [600, 0], b: [600, 250] };
const names = (datums: readonly Datum[]) => datums.map(({ name }) => name).sort();

describe('a tape', () => {
  it.each<[string, Datum, Point, ReturnType<typeof tapeTrouble>]>([
    ['runs over metal', lower, [100, 300], null],
    ['would hang across the window', lower, [300, 350], 'off-metal'],
    ['may begin a little past the end of its edge, on the straight edge that stands out there', rear, [500, 300], null],
    ['begins where no straight edge reaches', rear, [450, 399], 'beyond-end'],
    ['is longer than an arm', rear, [60, 100], 'far'],
  ])('%s', (_, datum, corner, trouble) => expect(tapeTrouble(sheet, datum, corner)).toBe(trouble));

  it('is as long as the arm of the shop', () => expect(tapeTrouble(sheet, rear, [60, 100], 600)).toBeNull());
});

describe('what is measured from', () => {
  it('are straight stretches of edges and creases, a crease from both of its sides', () => {
    expect(names(datumsOn(panel))).toEqual(
      expect.arrayContaining(['front edge', 'lower edge', 'rear edge', 'swage line', 'swage line', 'upper edge']),
    );
    // The rounded corner carries no straight edge of 60 mm within 3 mm but its chords; none of them is short.
    for (const { a, b } of datumsOn(panel)) expect(between(a, b)).toBeGreaterThanOrEqual(60);
  });

  it('is not what goes with the piece', () => {
    const corner: Ring = [
      [500, -10],
      [610, -10],
      [610, 410],
      [500, 410],
    ];
    const left = datumsOn(panel, corner);
    expect(names(left)).not.toContain('rear edge');
    expect(left.find(({ name }) => name === 'lower edge')!.b[0]).toBeCloseTo(500);
  });

  it('is near, over metal, and the same for all corners where it serves them', () => {
    const corners: Point[] = [
      [60, 330],
      [150, 330],
      [150, 380],
      [60, 380],
    ];
    const pairs = chooseDatums({ panel }, corners);
    expect(new Set(pairs).size).toBe(1);
    expect(names(pairs[0]!)).toEqual(['front edge', 'upper edge']);
  });

  it('differs from corner to corner where no two serve all', () => {
    const pairs = chooseDatums({ panel, reach: 250 }, [
      [60, 330],
      [560, 120],
    ]);
    expect(names(pairs[0]!)).toEqual(['front edge', 'upper edge']);
    expect(names(pairs[1]!)).toContain('rear edge');
  });

  it('is what the person names, even where it is awkward', () => {
    const [pair] = chooseDatums({ panel, from: ['rear edge'] }, [[60, 330]]);
    expect(names(pair!)).toContain('rear edge');
    // A name that this panel does not have is no reason to measure from nothing.
    expect(chooseDatums({ panel, from: ['drip rail'] }, [[60, 330]])).toHaveLength(1);
  });
});

describe('lines on real panels', () => {
  const flat = bodyPlans().flatMap((plan) => plan.panels.map((each) => ({ plan, each })));

  it('are measured by tapes that lie on metal and within reach, or say what is wrong with them', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...flat),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        ({ plan, each }, x, y) => {
          const us = each.outline.map(([u]) => u);
          const vs = each.outline.map(([, v]) => v);
          const at: Point = [
            Math.min(...us) + x * (Math.max(...us) - Math.min(...us)),
            Math.min(...vs) + y * (Math.max(...vs) - Math.min(...vs)),
          ];
          fc.pre(inPolygon(at, sheetOf(each)));
          const half = 25;
          const damage: Ring = [
            [at[0] - half, at[1] - half],
            [at[0] + half, at[1] - half],
            [at[0] + half, at[1] + half],
            [at[0] - half, at[1] + half],
          ];
          let line;
          try {
            line = cutLine({ panel: cutPanelOf(plan, each), damage: [damage], margin: 15 });
          } catch {
            return; // no line is found here: told elsewhere
          }
          for (const { corner, datums, offsets, troubles, error } of tapesFor({ panel: each, line, unit: 'mm' })
            .corners) {
            expect(error).toBeLessThan(1);
            datums.forEach((datum, k) => {
              expect(between(footOn(datum, corner), corner)).toBeCloseTo(Math.abs(offsets[k]!.mm), 6);
              if (!troubles[k] && !datum.lip) expect(Math.abs(offsets[k]!.mm)).toBeLessThanOrEqual(500);
            });
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('along a lip', () => {
  const place: Point = [300, 20];
  const ways = alongLips(panel, place);

  it('a place is found from either end of the edge, and from there square in', () => {
    const lower = ways.filter(([, edge]) => edge.name === 'lower edge');
    expect(lower.map(([way]) => way.name)).toEqual([
      'lower edge, along it from its front end',
      'lower edge, along it from its rear end',
    ]);
    for (const pair of lower) {
      const [at] = cutOffsets({ line: [place], datums: pair, unit: 'mm' }).corners;
      expect(at!.offsets.map(({ mm }) => Math.round(mm))).toEqual([300, 20]);
      expect(lineLength(pair[0].lip!)).toBeCloseTo(300);
    }
  });

  it('the tape follows a rounded edge, and its figure is the way along it', () => {
    const onCurve: Point = [545, 372];
    const [from] = alongLips(panel, onCurve).filter(([way]) => way.lip!.length > 2);
    const [at] = cutOffsets({ line: [onCurve], datums: from!, unit: 'mm' }).corners;
    expect(at!.offsets[0]!.mm).toBeCloseTo(lineLength(from![0].lip!), 3);
    expect(at!.offsets[0]!.mm).toBeGreaterThan(between(from![0].lip![0]!, onCurve));
  });

  it('is hooked at nothing that goes with the piece, nor on what is round all over', () => {
    const left: Ring = [
      [-10, -10],
      [320, -10],
      [320, 50],
      [-10, 50],
    ];
    expect(alongLips(panel, place, left).map(([way]) => way.name)).not.toContain(
      'lower edge, along it from its front end',
    );
    expect(alongLips({ ...panel, outline: circle([0, 0], 200) }, [0, 150])).toEqual([]);
  });

  it('serves a corner in the middle of a long panel, where no square tape reaches', () => {
    const long: Panel = {
      ...panel,
      outline: [
        [0, 0],
        [3000, 0],
        [3000, 120],
        [0, 120],
      ],
      creases: [],
      holes: [],
    };
    const [pair] = chooseDatums({ panel: long }, [[1500, 40]]);
    expect(pair!.map((datum) => tapeTrouble([long.outline], datum, [1500, 40]))).toEqual([null, null]);
    expect(pair![0].name).toContain('along it from its');
  });
});
