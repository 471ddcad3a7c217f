import { describe, expect, it } from 'vitest';
import { area, circle, inPolygon, type Polygon } from '../geometry/index.ts';
import { openingOf, spread, spreadRatio, SPREAD_PRIOR } from './index.ts';

const sheet: Polygon = [
  [
    [0, 0],
    [800, 0],
    [800, 400],
    [0, 400],
  ],
];

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

  it('converges to the truth: where twice as much is found as the rule of thumb says, four hundred openings give 2', () => {
    const { median, sigma } = SPREAD_PRIOR.stripped;
    const truth = 2;
    const history = [];
    for (let i = 0; i < 400; i++) {
      // Each opening is predicted with what has been learnt by then, as in a shop; the scatter is even over its quantiles.
      const scatter = Math.exp(sigma * Math.sqrt(12) * (((i * 0.618_034) % 1) - 0.5));
      const seen = 1000 + 37 * i;
      history.push(openingOf('stripped', seen, seen * median * truth * scatter));
      if (i === 40) expect(spreadRatio('stripped', history).factor).toBeGreaterThan(1.7);
    }
    const learnt = spreadRatio('stripped', history);
    expect(learnt.factor).toBeGreaterThan(1.95);
    expect(learnt.factor).toBeLessThan(2.05);
    expect(learnt.p50).toBeCloseTo(median * learnt.factor, 6);
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
