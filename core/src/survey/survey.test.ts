import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf, sheetOf } from '../body/index.ts';
import { area, inRing, type Polygon } from '../geometry/index.ts';
import {
  CELL_CODES,
  checkReading,
  coatingClass,
  fillerDepth,
  importReadings,
  mapThickness,
  metalClass,
  panelState,
  proposeZones,
  weldableLimit,
  type Sample,
} from './index.ts';

const plan = bodyPlan('saloon');
const sheet: Polygon = [
  [
    [0, 0],
    [600, 0],
    [600, 400],
    [0, 400],
  ],
];
/** Sound sheet of 0.9 mm with a round thin spot of 80 mm radius in the middle. */
const spot = (u: number, v: number) => (Math.hypot(u - 300, v - 200) < 80 ? 0.35 : 0.88);
const grid = (step: number): Sample[] => {
  const samples: Sample[] = [];
  for (let u = step / 2; u < 600; u += step)
    for (let v = step / 2; v < 400; v += step) samples.push({ u, v, value: spot(u, v) });
  return samples;
};

describe('classes (common practice, no published source)', () => {
  it.each([
    [30, 'bare'],
    [120, 'original'],
    [250, 'repainted'],
    [900, 'heavy'],
    [1400, 'filler'],
  ])('coating of %d µm is %s', (um, name) => expect(coatingClass(um)).toBe(name));
  it.each([
    [0.85, 'sound'],
    [0.7, 'worn'],
    [0.5, 'thin'],
    [0.3, 'failing'],
    [0, 'through'],
  ])('%d of 0.9 mm is %s', (mm, name) => expect(metalClass(mm, 0.9)).toBe(name));
  it('takes filler as what lies under one repaint', () => {
    expect(fillerDepth(2350)).toBeCloseTo(2, 9);
    expect(fillerDepth(800)).toBe(0);
  });
  it('welds to 70 % and at least 0.6 mm', () => {
    expect(weldableLimit(0.8)).toBeCloseTo(0.6, 9);
    expect(weldableLimit(1.2)).toBeCloseTo(0.84, 9);
  });
});

describe('mapThickness', () => {
  it('finds a thin spot and knows its size', () => {
    const map = mapThickness({ sheet, asBuilt: 0.9, readings: grid(35) });
    const truth = (Math.PI * 80 * 80) / (600 * 400);
    expect(map.summary.underLimit).toBeGreaterThan(truth * 0.75);
    expect(map.summary.underLimit).toBeLessThan(truth * 1.3);
    const zones = proposeZones(map, sheet);
    expect(zones).toHaveLength(1);
    expect(inRing([300, 200], zones[0]!.ring)).toBe(true);
    expect(zones[0]!.area / (Math.PI * 80 * 80)).toBeCloseTo(1, 0.5);
  });

  it('never calls sound what was not measured', () => {
    const map = mapThickness({ sheet, asBuilt: 0.9, readings: grid(35).filter((s) => s.u < 200) });
    const far = map.classes.filter(
      (code, i) => code !== 0 && map.origin[0] + ((i % map.columns) + 0.5) * map.cell > 200 + 130,
    );
    expect(new Set(far)).toEqual(new Set([CELL_CODES.indexOf('unmeasured')]));
    expect(map.summary.measured).toBeLessThan(0.6);
  });

  it('maps equal readings without complaint', () => {
    const map = mapThickness({ sheet, asBuilt: 0.9, readings: grid(60).map((s) => ({ ...s, value: 0.9 })) });
    expect(map.summary.byClass.sound).toBeCloseTo(map.summary.measured, 9);
    expect(proposeZones(map, sheet)).toEqual([]);
  });

  it('keeps a zone at the edge of the panel on the sheet', () => {
    const readings = grid(35).map((s) => ({ ...s, value: s.v < 60 ? 0.2 : 0.9 }));
    const [zone] = proposeZones(mapThickness({ sheet, asBuilt: 0.9, readings }), sheet);
    expect(Math.min(...zone!.ring.map((p) => p[1]))).toBeLessThan(0.01);
    expect(area([zone!.ring])).toBeGreaterThan(600 * 40);
  });
});

describe('checkReading', () => {
  const ok = { panel: 'sill-l', layer: 'outer', u: 700, v: 60, metalMm: 1.1 };
  it('takes what is possible', () => expect(checkReading(plan, ok)).toEqual(ok));
  it.each([
    [{ ...ok, panel: 'sill' }, 'panel', /did you mean/],
    [{ ...ok, layer: 'skin' }, 'layer', /outer, membrane, inner/],
    [{ ...ok, u: 2000 }, 'u', /outside Sill, left/],
    [{ ...ok, metalMm: -0.1 }, 'metalMm', /at least 0 mm/],
    [{ ...ok, metalMm: 12 }, 'metalMm', /at most 5.2 mm/],
    [{ ...ok, metalMm: undefined }, 'metalMm', /Enter the coating/],
    [{ ...ok, note: 'x'.repeat(501) }, 'note', /shorten it to 500/],
  ])('refuses %o', (reading, field, message) => {
    expect(() => checkReading(plan, reading)).toThrow(
      expect.objectContaining({ field, message: expect.stringMatching(message) }),
    );
  });
});

describe('importReadings', () => {
  const head = 'panel,layer,u_mm,v_mm,coating_um,metal_mm,note\n';
  it('reads decimal points, decimal commas and inches alike', () => {
    const point = importReadings(`${head}sill-l,outer,254,50.8,120,1.016,by the jack\n`, plan);
    const comma = importReadings(
      'panel;layer;u_mm;v_mm;coating_um;metal_mm;note\r\nsill-l;outer;254;50,8;120;1,016;by the jack\r\n',
      plan,
    );
    const inch = importReadings(
      '\uFEFFPanel,Layer,u_in,v_in,coating_um,metal_in,note\nsill-l,outer,10,2,120,0.04,by the jack\n',
      plan,
    );
    expect(point.errors).toEqual([]);
    expect(comma).toEqual(point);
    expect(inch.readings[0]!.u).toBeCloseTo(254, 9);
    expect(inch.readings[0]!.metalMm).toBeCloseTo(1.016, 9);
  });

  it('keeps “more than” a “more than”', () => {
    expect(importReadings(`${head}sill-l,outer,254,50,>1500,,\n`, plan).readings[0]).toMatchObject({
      coatingUm: 1500,
      coatingOver: true,
    });
  });

  it('names every line that cannot be taken', () => {
    const { errors } = importReadings(
      `${head}sill-l,outer,254,50,120,1.0,\nsil-l,outer,1,1,,1,\nsill-l,outer,abc,1,,1,\nsill-l,outer,9999,1,,1,\nsill-l,outer,100,50,,-1,\nsill-l,outer,100,50,,,\nsill-l,outer,1,2,3,4,5,6\n`,
      plan,
    );
    expect(errors.map((error) => error.line)).toEqual([3, 4, 5, 6, 7, 8]);
    expect(errors[1]!.message).toMatch(/"abc" in column u/);
  });

  it.each([
    ['', /file is empty/],
    ['panel,layer,x\n', /column "x"/],
    ['panel,layer,u_mm\n', /column v is missing/],
    [head, /no readings/],
    [head + 'sill-l,outer,254,50,120,1.0,\n'.repeat(20_001), /at most 20000/],
    ['\u0000\u0001binary', /is not known/],
  ])('refuses the whole of a wrong file (%#)', (text, message) => {
    const { readings, errors } = importReadings(text, plan);
    expect(readings).toEqual([]);
    expect(errors[0]!.message).toMatch(message);
  });
});

describe('panelState', () => {
  const panel = panelOf(plan, 'sill-l');
  const base = { sheet: sheetOf(panel), layers: panel.layers, zones: [] };
  const row = (metalMm: number, count: number) =>
    Array.from({ length: count }, (_, i) => ({ panel: 'sill-l', layer: 'outer', u: 60 + i * 130, v: 60, metalMm }));
  it('is not measured, however good two readings are', () =>
    expect(panelState({ ...base, readings: row(1.2, 2) }).condition).toBe('unmeasured'));
  it('says less than and more than where a gauge was at the end of its range', () => {
    const readings = [
      { ...row(1.2, 1)[0]!, metalMm: 0.5, metalUnder: true },
      { ...row(1.2, 1)[0]!, coatingUm: 2000, coatingOver: true },
    ];
    expect(panelState({ ...base, readings })).toMatchObject({ thinnestUnder: true, deepestOver: true });
    expect(panelState({ ...base, readings: row(1.2, 3) })).toMatchObject({ thinnestUnder: false, deepestOver: false });
  });
  it('is sound once enough is measured', () =>
    expect(panelState({ ...base, readings: row(1.2, 10) })).toMatchObject({ condition: 'sound', thinnest: 1.2 }));
  it('is through at one hole', () =>
    expect(
      panelState({
        ...base,
        readings: [...row(1.2, 10), { panel: 'sill-l', layer: 'outer', u: 5, v: 50, probe: 'through' }],
      }),
    ).toMatchObject({ condition: 'through', thinnest: 0 }));
  it('shows filler and thin metal', () => {
    expect(
      panelState({ ...base, readings: [{ panel: 'sill-l', layer: 'outer', u: 50, v: 50, coatingUm: 1800 }] }).condition,
    ).toBe('filler');
    expect(panelState({ ...base, readings: row(0.5, 1) }).condition).toBe('thin');
    expect(panelState({ ...base, readings: [], zones: ['through'] }).condition).toBe('through');
  });
});
