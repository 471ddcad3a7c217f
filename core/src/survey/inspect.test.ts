import polygonClipping from 'polygon-clipping';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf, sheetOf } from '../body/index.ts';
import { area, circle, inPolygon, type Point, type Polygon } from '../geometry/index.ts';
import {
  checkReading,
  corrosion,
  expectedBeyond,
  fillCensored,
  gaugeLine,
  importReadings,
  layerSamples,
  lookAgain,
  mapCoating,
  mapThickness,
  mergeZones,
  nextReadings,
  readingCells,
  READING_COLUMNS,
  splitZone,
  spread,
  spreadRatio,
  subtractZone,
  textCell,
  walkCoverage,
  walkRound,
  zoneClassFrom,
  zoneDistances,
  zonePolygon,
  type CensoredSample,
  type KeptReading,
  type Sample,
} from './index.ts';

const sheet: Polygon = [
  [
    [0, 0],
    [800, 0],
    [800, 400],
    [0, 400],
  ],
];
const grid = (step: number, value: (u: number, v: number) => number): Sample[] => {
  const samples: Sample[] = [];
  for (let u = step / 2; u < 800; u += step)
    for (let v = step / 2; v < 400; v += step) samples.push({ u, v, value: value(u, v) });
  return samples;
};
const rusty = (u: number, v: number) => 0.88 - 0.6 * Math.exp(-((u - 500) ** 2 + (v - 120) ** 2) / 9000);

describe('censored readings', () => {
  it('count as what is to be expected beyond the range, worked by hand', () => {
    // N(0, 1) above 1: φ(1)/(1 − Φ(1)) = 0.241971/0.158655 = 1.525135 (tables of the normal distribution).
    expect(expectedBeyond(1, 'above', 0, 1)).toBeCloseTo(1.525135, 5);
    // N(10, 2) below 9 is the mirror image: 10 − 2 · φ(0.5)/(1 − Φ(0.5)) = 10 − 2 · 1.141078 = 7.717844.
    expect(expectedBeyond(9, 'below', 10, 2)).toBeCloseTo(7.717844, 4);
    expect(expectedBeyond(40, 'above', 0, 1)).toBeCloseTo(40.025, 3);
    expect(expectedBeyond(5, 'above', 3, 0)).toBe(5);
  });

  it('stay on their side, and leave measured ones alone', () => {
    const model = { kind: 'spherical' as const, nugget: 100, partialSill: 160_000, range: 300 };
    const samples: CensoredSample[] = [
      { u: 0, v: 0, value: 300 },
      { u: 100, v: 0, value: 900 },
      { u: 150, v: 0, value: 2000, censored: 'above' },
      { u: 200, v: 0, value: 2000, censored: 'above' },
      { u: 300, v: 0, value: 500 },
    ];
    const filled = fillCensored(samples, model);
    expect(filled.filter((_, i) => !samples[i]!.censored).map((s) => s.value)).toEqual([300, 900, 500]);
    expect(filled[2]!.value).toBeGreaterThan(2000);
    expect(filled[3]!.value).toBeGreaterThan(2000);
    expect(() =>
      fillCensored(
        samples.filter((s) => s.censored),
        model,
      ),
    ).toThrow(/over the range/);
  });

  it('make a coating map say “more than”, and never average the range as if it were measured', () => {
    const readings: CensoredSample[] = grid(80, (u, v) => (Math.hypot(u - 400, v - 200) < 90 ? 2000 : 200)).map((s) =>
      s.value === 2000 ? { ...s, censored: 'above' } : s,
    );
    const map = mapCoating({ sheet, readings });
    expect(map.summary.moreThan).toBe(true);
    expect(map.summary.deepestFiller).toBeGreaterThanOrEqual(1.65);
    expect(Math.max(...Array.from(map.mean).filter((x) => !Number.isNaN(x)))).toBeGreaterThanOrEqual(2000);
    expect(map.summary.filler).toBeGreaterThan(0.02);
  });
});

describe('the map of metal', () => {
  it('points out a reading that its neighbours do not bear out, and no other', () => {
    const readings = grid(60, () => 0.87).map((s, i) => ({
      ...s,
      value: i === 40 ? 0.3 : s.value + 0.01 * Math.sin(i),
    }));
    const { outliers } = mapThickness({ sheet, asBuilt: 0.9, readings });
    expect(outliers).toHaveLength(1);
    expect(outliers[0]).toMatchObject({ u: readings[40]!.u, v: readings[40]!.v, value: 0.3 });
    expect(outliers[0]!.expected).toBeGreaterThan(0.8);
  });

  it('answers for any limit: a higher one has more below it, and certainty comes with it', () => {
    const readings = grid(60, rusty);
    const shares = [0.4, 0.63, 0.8].map((limit) => mapThickness({ sheet, asBuilt: 0.9, readings, limit }).summary);
    expect(shares[0]!.underLimit).toBeLessThan(shares[1]!.underLimit);
    expect(shares[1]!.underLimit).toBeLessThan(shares[2]!.underLimit);
    for (const summary of shares) expect(summary.surelyUnder).toBeLessThanOrEqual(summary.underLimit + 1e-9);
  });

  it('leaves readings on lead and on doubled edges out of the steel map, but keeps a hole', () => {
    const pillar = panelOf(bodyPlan('saloon'), 'pillar-l');
    const [u, v] = pillar.leaded![0]!.outline.reduce((s, p): Point => [s[0] + p[0] / 4, s[1] + p[1] / 4], [0, 0]);
    const at = { panel: 'pillar-l', layer: 'outer', u, v };
    const { metal, leftOut } = layerSamples(pillar, 'outer', [
      { ...at, metalMm: 1 },
      { ...at, probe: 'through' },
      { ...at, u: u - 300, metalMm: 0.98 },
      { ...at, layer: 'inner', metalMm: 1 },
    ]);
    expect(leftOut).toBe(1);
    expect(metal.map((sample) => sample.value)).toEqual([0, 0.98]);
  });

  it('knows that a magnetic gauge says nothing on aluminium', () => {
    const plan = bodyPlan('offroader');
    const at = { panel: 'tub-side-l', u: 300, v: 400 };
    expect(() => checkReading(plan, { ...at, layer: 'skin', coatingUm: 120 })).toThrow(
      expect.objectContaining({ code: 'wrong-material', field: 'coatingUm' }),
    );
    expect(checkReading(plan, { ...at, layer: 'skin', metalMm: 1.1 })).toBeTruthy();
    expect(checkReading(plan, { ...at, layer: 'capping', coatingUm: 120 })).toBeTruthy();
  });
});

describe('survey.nextReadings', () => {
  const limit = 0.63;
  it('spreads the first readings, then goes where the side of the limit is open', () => {
    const first = nextReadings({ points: [], outline: sheet, limit, count: 4, minSpacing: 20 });
    expect(first.next).toHaveLength(4);
    expect(first.next[0]!.reason).toMatch(/Nothing has been read/);
    expect(first.called).toBe(0);
    const after = nextReadings({ points: grid(160, rusty), outline: sheet, limit, count: 3, minSpacing: 20 });
    expect(Math.hypot(after.next[0]!.u - 500, after.next[0]!.v - 120)).toBeLessThan(170);
    expect(after.next[0]!.reason).toMatch(/chance/);
  });

  it('calls more of a sheet the more it is read, and nearly all of a sound one', () => {
    const called = [200, 100, 50].map(
      (step) =>
        nextReadings({ points: grid(step, () => 0.88), outline: sheet, limit, count: 1, minSpacing: 10 }).called,
    );
    expect(called[0]!).toBeLessThan(called[2]! + 1e-9);
    expect(called[2]!).toBeGreaterThan(0.98);
  });

  it('never advises a place off the sheet, twice, or too close', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            u: fc.double({ min: 0, max: 800, noNaN: true }),
            v: fc.double({ min: 0, max: 400, noNaN: true }),
            value: fc.double({ min: 0, max: 1.2, noNaN: true }),
          }),
          { maxLength: 12 },
        ),
        fc.integer({ min: 1, max: 5 }),
        (points, count) => {
          const { next, called } = nextReadings({ points, outline: sheet, limit, count, minSpacing: 45 });
          const all = [...points, ...next];
          for (const place of next) {
            expect(inPolygon([place.u, place.v], sheet)).toBe(true);
            for (const other of all)
              if (other !== place) expect(Math.hypot(other.u - place.u, other.v - place.v)).toBeGreaterThan(44.9);
          }
          expect(called).toBeGreaterThanOrEqual(0);
          expect(called).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 25 },
    );
  });

  it.each([
    [{ outline: [[0, 0]] as never }, 'outline'],
    [{ limit: 0 }, 'limit'],
    [{ count: 0 }, 'count'],
    [{ minSpacing: -1 }, 'minSpacing'],
    [{ points: [{ u: 0, v: 0, value: Number.NaN }] }, 'points[0].value'],
  ])('refuses %o at its field', (over, field) => {
    const call = () => nextReadings({ points: [], outline: sheet, limit, count: 1, minSpacing: 10, ...over });
    expect(call).toThrow(expect.objectContaining({ field: expect.stringContaining(field) }));
  });
});

describe('survey.corrosion', () => {
  // First-year rates of ISO 9223 and exponents of ISO 9224; figures from memory.
  it.each([
    ['C2', 1.3, 25],
    ['C3', 25, 50],
    ['C4', 50, 80],
    ['C5', 80, 200],
    ['CX', 200, 700],
  ] as const)('has the first-year loss of %s', (category, low, high) => {
    expect(corrosion({ category, years: 1 })).toEqual({ low, high });
  });

  it('slows down with time: D = r·t^0.523', () => {
    // Worked by hand: 10^0.523 = 3.33426.
    expect(corrosion({ category: 'C3', years: 10 }).low).toBeCloseTo(25 * 3.33426, 2);
    expect(corrosion({ category: 'C3', years: 10, zinc: true }).high).toBeCloseTo(2.1 * 10 ** 0.813, 6);
    expect(corrosion({ category: 'C5', years: 0 })).toEqual({ low: 0, high: 0 });
  });

  it('turned round says when to look again', () => {
    const plan = lookAgain({ metal: 0.8, limit: 0.63, category: 'C4' });
    expect(corrosion({ category: 'C4', years: plan.soonest }).high).toBeCloseTo(170, 6);
    expect(corrosion({ category: 'C4', years: plan.latest }).low).toBeCloseTo(170, 6);
    expect(plan.months).toBeLessThanOrEqual(12);
    expect(lookAgain({ metal: 0.5, limit: 0.63, category: 'C4' })).toMatchObject({ soonest: 0, months: 1 });
  });

  it('refuses what the standard does not have', () => {
    expect(() => corrosion({ category: 'C9' as never, years: 1 })).toThrow(
      expect.objectContaining({ field: 'category' }),
    );
    expect(() => corrosion({ category: 'C3', years: -1 })).toThrow(expect.objectContaining({ field: 'years' }));
    expect(() => corrosion({ category: 'C3', years: 1, zinc: 'yes' as never })).toThrow(
      expect.objectContaining({ field: 'zinc' }),
    );
  });
});

describe('survey.spread', () => {
  const blister: Polygon = [circle([400, 200], 20)];
  it('grows what is seen to the area that is expected, around it and on the sheet', () => {
    const { ratio, polygon50, polygon90 } = spread({ visible: blister, evidence: 'blister', history: [], sheet });
    const seen = area(blister);
    expect(polygon50.reduce((sum, p) => sum + area(p), 0) / seen).toBeCloseTo(ratio.p50, 1);
    expect(polygon90.reduce((sum, p) => sum + area(p), 0) / seen).toBeCloseTo(ratio.p90, 1);
    expect(blister[0]!.every((p) => inPolygon(p, polygon50[0]!))).toBe(true);
    const low = spread({ visible: [circle([20, 20], 15)], evidence: 'blister', history: [], sheet });
    expect(low.polygon90.flat(2).every(([u, v]) => u >= -0.01 && v >= -0.01)).toBe(true);
  });

  it('learns: openings that found twice as much move the median towards two', () => {
    const cases = (n: number) => Array.from({ length: n }, () => ({ predicted: 100, found: 200 }));
    const factors = [0, 1, 4, 40].map((n) => spreadRatio('blister', cases(n)).factor);
    expect(factors[0]).toBe(1);
    // Conjugate mean, worked by hand: with four cases the prior (four cases at 0) and the data (ln 2) meet half-way.
    expect(factors[2]).toBeCloseTo(Math.SQRT2, 9);
    expect(factors[3]).toBeGreaterThan(1.85);
    expect([...factors].sort((a, b) => a - b)).toEqual(factors);
  });

  it('is surer the deeper one has looked, and after more openings', () => {
    const width = (r: { p10: number; p90: number }) => Math.log(r.p90 / r.p10);
    expect(width(spreadRatio('opened', []))).toBeLessThan(width(spreadRatio('blister', [])));
    const many = Array.from({ length: 30 }, (_, i) => ({ predicted: 100, found: 100 * (1 + 0.05 * (i % 3)) }));
    expect(width(spreadRatio('blister', many))).toBeLessThan(width(spreadRatio('blister', [])));
  });

  it('refuses by field', () => {
    expect(() => spread({ visible: blister, evidence: 'guess' as never, history: [] })).toThrow(
      expect.objectContaining({ field: 'evidence' }),
    );
    expect(() => spread({ visible: blister, evidence: 'blister', history: [{ predicted: 0, found: 1 }] })).toThrow(
      expect.objectContaining({ field: 'history[0].predicted' }),
    );
    expect(() => spread({ visible: [] as never, evidence: 'blister', history: [] })).toThrow(
      expect.objectContaining({ field: 'visible' }),
    );
  });
});

describe('shapes of zones against a second clipping library', () => {
  const ring = (p: Polygon) => p.map((r) => [...r, r[0]!].map(([u, v]): [number, number] => [u, v]));
  const total = (shapes: [number, number][][][]) =>
    shapes.reduce((sum, p) => sum + area(p.map((r) => r.slice(0, -1))), 0);
  const blob = (u: number, v: number, r: number): Polygon => [circle([u, v], r), circle([u, v], r / 3)];

  it('have the same areas, merged and taken out of each other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 40 }), (du, dv) => {
        const [a, b] = [blob(100, 100, 40), [circle([100 + du, 100 + dv], 30)] as Polygon];
        const union = total(polygonClipping.union(ring(a), ring(b)) as never);
        const difference = total(polygonClipping.difference(ring(a), ring(b)) as never);
        expect(area(mergeZones(a, b))).toBeCloseTo(union, -0.5);
        expect(subtractZone(a, b).reduce((sum, p) => sum + area(p), 0)).toBeCloseTo(difference, -0.5);
      }),
      { numRuns: 40 },
    );
  });

  it('are split into pieces that add up', () => {
    const zone = blob(100, 100, 40);
    const pieces = splitZone(zone, [
      [60, 90],
      [140, 115],
    ]);
    expect(pieces.length).toBeGreaterThanOrEqual(2);
    expect(pieces.reduce((sum, p) => sum + area(p), 0)).toBeCloseTo(area(zone), -0.5);
    expect(() =>
      splitZone(zone, [
        [0, 0],
        [200, 1],
      ]),
    ).toThrow(/does not cross/);
    expect(() =>
      splitZone(zone, [
        [100, 100],
        [100, 100],
      ]),
    ).toThrow(/draw it longer/);
  });

  it('refuse what makes no zone', () => {
    expect(() => mergeZones([circle([0, 0], 10)], [circle([100, 0], 10)])).toThrow(
      expect.objectContaining({ field: 'other' }),
    );
    expect(() => subtractZone([circle([0, 0], 10)], [circle([0, 0], 30)])).toThrow(/Nothing would be left/);
    expect(() => zonePolygon(circle([0, 0], 10), [circle([9, 0], 5)])).toThrow(
      expect.objectContaining({ field: 'holes[0]' }),
    );
  });

  it('know how far they are from what decides a repair', () => {
    const panel = panelOf(bodyPlan('saloon'), 'sill-l');
    const { edge, crease, mount } = zoneDistances(panel, [circle([700, 60], 10)]);
    expect(edge).toBeCloseTo(50, 0);
    expect(crease).toBeCloseTo(28, 0);
    expect(mount).toBeGreaterThan(500);
    expect(zoneDistances(panel, [circle([700, 2], 10)]).edge).toBe(0);
  });
});

describe('the class of a zone', () => {
  const polygon: Polygon = [circle([100, 100], 50)];
  const at = { panel: 'p', layer: 'outer', u: 100, v: 100 };
  it.each([
    [[{ ...at, probe: 'through' as const }], 'through'],
    [
      [
        { ...at, metalMm: 0.9 },
        { ...at, u: 110, metalMm: 0.5 },
      ],
      'thin',
    ],
    [[{ ...at, probe: 'soft' as const }], 'thin'],
    [[{ ...at, coatingUm: 1800 }], 'filler'],
    [[{ ...at, metalMm: 0.75 }], 'pitted'],
    [[{ ...at, metalMm: 0.89 }], undefined],
    [[{ ...at, u: 500, metalMm: 0 }], undefined],
  ])('follows the readings inside: %o', (readings, expected) => {
    expect(zoneClassFrom({ polygon, asBuilt: 0.9, readings })?.class).toBe(expected);
  });
  it('follows the finds inside where nothing was measured', () => {
    expect(
      zoneClassFrom({ polygon, asBuilt: 0.9, readings: [], finds: [{ sign: 'old-patch', u: 100, v: 100 }] })?.class,
    ).toBe('old-repair');
    expect(
      zoneClassFrom({ polygon, asBuilt: 0.9, readings: [], finds: [{ sign: 'filler-over-hole', u: 100, v: 100 }] })
        ?.class,
    ).toBe('through');
  });
});

describe('walk-round', () => {
  const walk = (over: object = {}) =>
    walkRound({ plan: bodyPlan('saloon'), climate: 'wet', age: 60, past: [], ...over });

  it.each(bodyPlans().map((plan) => [plan.id, plan] as const))(
    '%s: every place lies on its sheet, once',
    (_id, plan) => {
      const places = walk({ plan });
      expect(places.length).toBeGreaterThan(40);
      expect(new Set(places.map((place) => place.id)).size).toBe(places.length);
      for (const place of places) {
        const panel = panelOf(plan, place.panel);
        expect(inPolygon(place.at, [panel.outline]), place.id).toBe(true);
        expect(place.lookFor.length).toBeGreaterThan(0);
        expect(place.risk).toBeGreaterThan(0);
        expect(place.risk).toBeLessThan(1);
      }
    },
  );

  it('looks at sills, mounts and hollows before the roof', () => {
    const places = walk();
    const rank = (id: string) => places.findIndex((place) => place.id.startsWith(id));
    expect(rank('sill-l/')).toBeLessThan(12);
    expect(places.slice(0, 20).every((place) => place.structural)).toBe(true);
    expect(rank('roof/') === -1 || rank('roof/') > 60).toBe(true);
  });

  it('follows the climate, the age and the past', () => {
    const risk = (id: string, over: object) => walk(over).find((place) => place.id === id)!.risk;
    const id = 'sill-l/low-left';
    expect(risk(id, { climate: 'coast' })).toBeGreaterThan(risk(id, { climate: 'dry' }));
    expect(risk(id, { age: 60 })).toBeGreaterThan(risk(id, { age: 10 }));
    expect(risk(id, { past: ['flooded'] })).toBeGreaterThan(risk(id, {}));
  });

  it('counts risky places for more', () => {
    const places = walk();
    const half = new Set(places.slice(0, places.length / 2).map((place) => place.id));
    expect(walkCoverage(places, new Set())).toBe(0);
    expect(walkCoverage(places, half)).toBeGreaterThan(0.5);
    expect(walkCoverage(places, new Set(places.map((place) => place.id)))).toBeCloseTo(1, 9);
  });
});

describe('lines of a gauge', () => {
  it.each([
    ['R 17 142.5', { type: 'reading', seq: 17, value: 142.5, censored: null }],
    ['R 18 OVER 2000', { type: 'reading', seq: 18, value: 2000, censored: 'above' }],
    ['R 19 UNDER 0.50', { type: 'reading', seq: 19, value: 0.5, censored: 'below' }],
    ['R 20 NONE', { type: 'reading', seq: 20, value: null, censored: null }],
    ['BAT 18', { type: 'battery', percent: 18 }],
    ['HELLO coating 0 2000 Bench gauge', { type: 'hello', kind: 'coating', range: [0, 2000], name: 'Bench gauge' }],
    ['ZEROED', { type: 'zeroed' }],
    ['DRIFT', { type: 'drift' }],
  ])('%s', (line, said) => expect(gaugeLine(line)).toEqual(said));

  it('takes everything else for nonsense, and never throws', () => {
    for (const line of ['R 7x ??', 'R 1 -5', 'R 1 NaN', 'BAT 900', '', 'R 1 5 5', '\u0001\u0002'])
      expect(gaugeLine(line).type).toBe('nonsense');
    fc.assert(fc.property(fc.string(), (line) => void expect(gaugeLine(line).type).toBeTruthy()));
  });
});

describe('readings in a file', () => {
  const plan = bodyPlan('saloon');
  const kept: KeptReading[] = [
    {
      panel: 'sill-l',
      layer: 'outer',
      u: 300.5,
      v: 60,
      coatingUm: 2000,
      coatingOver: true,
      metalMm: 1.07,
      note: '=1+1',
      at: '2026-01-02T03:04:05.678Z',
      by: '-x',
      instrument: 'K',
    },
    {
      panel: 'sill-l',
      layer: 'outer',
      u: 310,
      v: 60,
      metalMm: 0.5,
      metalUnder: true,
      note: '\'quoted, "text"',
      at: '',
      by: '',
      instrument: '',
    },
    { panel: 'roof', layer: 'outer', u: 500.25, v: 500, probe: 'soft', at: '', by: '', instrument: '' },
  ];
  it('come back as they were, formulas defused', () => {
    const csv = [READING_COLUMNS, ...kept.map(readingCells)]
      .map((row) => row.map((cell) => `"${String(cell).replaceAll('"', '""')}"`).join(','))
      .join('\n');
    expect(csv).toContain(`"'=1+1"`);
    const { readings, errors } = importReadings(csv, plan);
    expect(errors).toEqual([]);
    readings.forEach((reading, i) => {
      const { at: _at, by: _by, instrument, ...rest } = kept[i]!;
      expect(
        Object.fromEntries(Object.entries(reading).filter(([, value]) => value !== undefined && value !== '')),
      ).toEqual({
        ...rest,
        ...(instrument ? { instrument } : {}),
      });
    });
  });
  it('cannot start a formula', () => {
    for (const text of ['=A1', '+1', '-1', '@x', '\tx']) expect(textCell(text)).toBe(`'${text}`);
    expect(textCell('plain = text')).toBe('plain = text');
  });
  it('names an unknown verdict of the probe', () => {
    const { errors } = importReadings('panel,layer,u_mm,v_mm,probe\nroof,outer,500,500,wobbly', plan);
    expect(errors[0]).toMatchObject({ line: 2, column: 'probe' });
  });
});

describe('sheet of a panel', () => {
  it('is what every body offers to a map', () => {
    for (const plan of bodyPlans()) for (const panel of plan.panels) expect(area(sheetOf(panel))).toBeGreaterThan(0);
  });
});
