import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { FEWEST_READINGS, mapThickness, nextReadings, surveyRules, type CensoredSample } from './index.ts';
import { shareUnder, type ShareUnderInput } from './shareUnder.ts';

/** Conditional simulation by gstat (R) on made readings, 4,000 draws; written by core/fixtures/shareUnder.R. */
interface Reference extends Omit<ShareUnderInput, 'samples' | 'gaugeSd'> {
  points: ShareUnderInput['samples'];
  mean: number;
  sd: number;
  p10: number;
  p90: number;
}
const gstat = JSON.parse(readFileSync(new URL('../../fixtures/shareUnder.json', import.meta.url), 'utf8')) as Reference;

describe('the doubt of the share under the limit', () => {
  it('is that of conditional simulation by gstat', () => {
    const { points, at, model, limit } = gstat;
    const own = shareUnder({ at, samples: points, model, limit, gaugeSd: 0.02, draws: 2000 });
    expect(own.mean).toBeCloseTo(gstat.mean, 2);
    expect(own.sd / gstat.sd).toBeGreaterThan(0.93);
    expect(own.sd / gstat.sd).toBeLessThan(1.07);
    expect(Math.abs(own.p10 - gstat.p10)).toBeLessThan(0.015);
    expect(Math.abs(own.p90 - gstat.p90)).toBeLessThan(0.015);
  });

  it('is the same for the same readings, and shrinks with more of them', () => {
    const { points, at, model, limit } = gstat;
    const few = shareUnder({ at, samples: points, model, limit, gaugeSd: 0.02 });
    expect(shareUnder({ at, samples: points, model, limit, gaugeSd: 0.02 })).toEqual(few);
    const more = at.filter((_, i) => i % 7 === 0).map(({ u, v }) => ({ u, v, value: 0.7 + 0.15 * Math.sin(u / 90) }));
    expect(shareUnder({ at, samples: [...points, ...more], model, limit, gaugeSd: 0.02 }).sd).toBeLessThan(few.sd);
  });
});

const sheet: [number, number][][] = [
  [
    [0, 0],
    [1200, 0],
    [1200, 800],
    [0, 800],
  ],
];
const readingsOn = (count: number, value: (u: number, v: number) => number): CensoredSample[] =>
  Array.from({ length: count }, (_, i) => {
    const [u, v] = [40 + ((i * 431) % 1120), 40 + ((i * 277) % 720)];
    return { u, v, value: value(u, v) };
  });

describe('what can be called', () => {
  const asBuilt = 0.9;
  const limit = 0.63;
  const advice = (points: readonly CensoredSample[]) =>
    nextReadings({ points, outline: sheet, limit, asBuilt, count: 1, minSpacing: 25 }).called;

  it.each([1, 2, 3, 5])('is nothing with %i readings, whatever they say', (count) => {
    const points = readingsOn(count, () => 0.9);
    expect(advice(points)).toBe(0);
    if (count >= FEWEST_READINGS) expect(mapThickness({ sheet, asBuilt, readings: points }).summary.called).toBe(0);
  });

  it('never is a place that no reading reaches', () => {
    // A dozen readings in one corner say nothing of the other end, however sure they are of each other.
    const corner = readingsOn(12, () => 0.9).map(({ value }, i) => ({
      u: 40 + 30 * (i % 4),
      v: 40 + 30 * Math.floor(i / 4),
      value,
    }));
    const reached = Math.PI * (surveyRules.reachMm + 60) ** 2;
    expect(advice(corner)).toBeLessThan(reached / (1200 * 800));
    expect(mapThickness({ sheet, asBuilt, readings: corner }).summary.called).toBeLessThan(reached / (1200 * 800));
  });

  it('is the same share in the map and in the advice', () => {
    for (const count of [6, 20, 60, 150]) {
      const points = readingsOn(count, (u) => 0.9 - (u > 700 ? 0.4 : 0.02));
      const map = mapThickness({ sheet, asBuilt, readings: points }).summary.called;
      expect(Math.abs(advice(points) - map)).toBeLessThan(0.04);
    }
  });

  it('counts a gauge under its range as what it is', () => {
    const points = readingsOn(30, () => 0.85);
    const under: CensoredSample[] = points.map((point, i) =>
      i % 3 === 0 ? { ...point, value: 0.6, censored: 'below' } : point,
    );
    const next = nextReadings({ points: under, outline: sheet, limit, asBuilt, count: 3, minSpacing: 25 });
    expect(next.next).toHaveLength(3);
    expect(advice(under.map((point) => ({ ...point, value: 0.6, censored: 'below' as const })))).toBeGreaterThanOrEqual(
      0,
    );
  });
});
