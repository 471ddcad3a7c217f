import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf } from '../body/index.ts';
import { type Point, type Polygon } from '../geometry/index.ts';
import {
  checkReading,
  expectedBeyond,
  fillCensored,
  layerSamples,
  mapCoating,
  mapThickness,
  type CensoredSample,
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
