import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { trim } from './index.ts';

describe('trimming a gap', () => {
  const wedge = [
    { at: 0, gap: 4, wanted: 4 },
    { at: 600, gap: 2, wanted: 4 },
    { at: 1200, gap: 0, wanted: 4 },
  ];
  it('marks the wedge by its two ends: gap less wanted gap (T-46, common practice)', () => {
    const found = trim({ stations: wedge });
    [0, 2, 4].forEach((mm, i) => expect(found.line[i]).toBeCloseTo(mm, 9));
    expect(found.rms).toBeCloseTo(0, 9);
    expect(found.rounds).toBeUndefined();
  });
  it('takes half of what is left each time, and a blade width at least', () => {
    const rounds = trim({ stations: wedge, kerf: 0.75 }).rounds!;
    [2, 1, 0.75, 0.25].forEach((mm, i) => expect(rounds[i]).toBeCloseTo(mm, 9));
    expect(rounds).toHaveLength(4);
  });
  it('takes nothing off where the gap is too wide, and nothing at the station that is held', () => {
    const wide = [
      { at: 0, gap: 6, wanted: 4 },
      { at: 100, gap: 2, wanted: 4 },
    ];
    expect(trim({ stations: wide }).trim[0]).toBe(0);
    const held = trim({ stations: [...wide, { at: 200, gap: 0, wanted: 4 }], hold: 0 });
    expect(held.line[0]).toBe(0);
    // Through zero at the first: slope Σ at·need / Σ at².
    expect(held.line[2]).toBeCloseTo((200 * (100 * 2 + 200 * 4)) / (100 ** 2 + 200 ** 2), 9);
  });
  it('is the line that a general least-squares solver finds', () => {
    const station = fc.record({
      at: fc.integer({ min: 0, max: 2000 }),
      gap: fc.integer({ min: -10, max: 20 }),
      wanted: fc.integer({ min: 0, max: 10 }),
    });
    fc.assert(
      fc.property(fc.uniqueArray(station, { minLength: 2, maxLength: 12, selector: ({ at }) => at }), (stations) => {
        const [level, slope] = solve(
          new Matrix(stations.map(({ at }) => [1, at])),
          Matrix.columnVector(stations.map(({ gap, wanted }) => wanted - gap)),
          true,
        ).to1DArray() as [number, number];
        const { line, residual, rms } = trim({ stations });
        stations.forEach(({ at, gap, wanted }, i) => {
          expect(line[i]).toBeCloseTo(level + slope * at, 6);
          expect(residual[i]).toBeCloseTo(wanted - gap - level - slope * at, 6);
        });
        expect(rms).toBeCloseTo(Math.hypot(...residual) / Math.sqrt(stations.length), 9);
      }),
    );
  });
  it.each([
    [{ stations: wedge.slice(0, 1) }, 'stations'],
    [{ stations: [wedge[0]!, wedge[0]!] }, 'stations'],
    [{ stations: wedge, hold: 3 }, 'hold'],
    [{ stations: wedge, kerf: 0 }, 'kerf'],
    [{ stations: [{ at: 0, gap: Number.NaN, wanted: 4 }, wedge[1]!] }, 'stations[0].gap'],
  ])('%j is refused at its field', (input, field) => {
    expect(() => trim(input)).toThrowError(expect.objectContaining({ field }));
  });
});
