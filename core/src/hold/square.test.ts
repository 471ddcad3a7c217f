import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { design, square } from './index.ts';

describe('four corners with two diagonals', () => {
  it('are square where the diagonals are alike (3-4-5)', () => {
    const found = square({ sides: [400, 300, 400, 300], diagonals: [500, 500], sd: 1 });
    for (const corner of found.corners) expect(corner).toBeCloseTo(90, 6);
    expect(found).toMatchObject({ difference: 0, closes: true });
  });
  it('have the angles of the law of cosines where the tapes agree', () => {
    fc.assert(
      fc.property(
        fc.record({
          w: fc.integer({ min: 300, max: 2000 }),
          h: fc.integer({ min: 300, max: 1500 }),
          lean: fc.integer({ min: -120, max: 120 }),
        }),
        ({ w, h, lean }) => {
          const at = [
            [0, 0],
            [w, 0],
            [w + lean, h],
            [lean, h],
          ] as const;
          const far = (i: number, k: number) => Math.hypot(at[i]![0] - at[k]![0], at[i]![1] - at[k]![1]);
          const sides = [far(0, 1), far(1, 2), far(2, 3), far(3, 0)];
          const { corners, difference, closes, residuals } = square({
            sides,
            diagonals: [far(0, 2), far(1, 3)],
            sd: 1,
          });
          const [ab, bc, , da] = sides as [number, number, number, number];
          const atA = (Math.acos((ab ** 2 + da ** 2 - far(1, 3) ** 2) / (2 * ab * da)) * 180) / Math.PI;
          const atB = (Math.acos((ab ** 2 + bc ** 2 - far(0, 2) ** 2) / (2 * ab * bc)) * 180) / Math.PI;
          expect(corners[0]).toBeCloseTo(atA, 4);
          expect(corners[1]).toBeCloseTo(atB, 4);
          expect(corners.reduce((sum, corner) => sum + corner, 0)).toBeCloseTo(360, 4);
          expect(difference).toBeCloseTo(far(0, 2) - far(1, 3), 9);
          expect(closes).toBe(true);
          for (const residual of residuals) expect(Math.abs(residual)).toBeLessThan(1e-3);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('say how far the rear end stands over, and what brings both corners back', () => {
    fc.assert(
      fc.property(
        fc.record({
          w: fc.integer({ min: 400, max: 2000 }),
          end: fc.integer({ min: 300, max: 2000 }),
          h: fc.integer({ min: 400, max: 1500 }),
          over: fc.integer({ min: -60, max: 60 }),
          skew: fc.integer({ min: -40, max: 40 }),
        }),
        ({ w, end, h, over, skew }) => {
          const [a, b] = [
            [0, 0],
            [w, 0],
          ] as const;
          const c = [w / 2 + end / 2 + over, h + skew] as const;
          const d = [w / 2 - end / 2 + over, h - skew] as const;
          const far = (p: readonly [number, number], q: readonly [number, number]) =>
            Math.hypot(p[0] - q[0], p[1] - q[1]);
          const found = square({
            sides: [far(a, b), far(b, c), far(c, d), far(d, a)],
            diagonals: [far(a, c), far(b, d)],
            sd: 1,
          });
          expect(found.over).toBeCloseTo(over, 2);
          const [cNow, dNow] = [
            [c[0] + found.moves.c[0], c[1] + found.moves.c[1]],
            [d[0] + found.moves.d[0], d[1] + found.moves.d[1]],
          ] as [[number, number], [number, number]];
          // Moved so, the diagonals are alike, the rear end is as long as before and stands over the middle.
          expect(far(a, cNow)).toBeCloseTo(far(b, dNow), 1);
          expect(far(cNow, dNow)).toBeCloseTo(far(c, d), 1);
          expect(cNow[1]).toBeCloseTo(dNow[1], 2);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('do not close where one tape is wrong by far, and say which cannot meet', () => {
    expect(square({ sides: [400, 300, 400, 300], diagonals: [500, 520], sd: 1 }).closes).toBe(false);
    expect(() => square({ sides: [400, 50, 400, 300], diagonals: [500, 500], sd: 1 })).toThrowError(
      expect.objectContaining({ field: 'diagonals[0]', code: 'no-triangle' }),
    );
    expect(() => square({ sides: [400, 300, 400], diagonals: [500, 500], sd: 1 })).toThrowError(
      expect.objectContaining({ field: 'sides' }),
    );
  });
});

/** Redundancy numbers by an adjustment of its own: 1 − aᵢ·N⁺·aᵢᵀ with N⁺ by Gauss–Jordan on a network that is held at three coordinates. */
function redundancy(
  points: readonly { x: number; y: number }[],
  tapes: readonly (readonly [number, number])[],
): number[] | null {
  // Which three coordinates are held does not matter to redundancy; the first point, and the one across.
  const [a, b] = [0, points.length - 1];
  const along = Math.abs(points[b]!.x - points[a]!.x) > Math.abs(points[b]!.y - points[a]!.y) ? 1 : 0;
  const free = points
    .flatMap((_, i) => [2 * i, 2 * i + 1])
    .filter((k) => ![2 * a, 2 * a + 1, 2 * b + along].includes(k));
  const rows = tapes.map(([i, j]) => {
    const [dx, dy] = [points[j]!.x - points[i]!.x, points[j]!.y - points[i]!.y];
    const far = Math.hypot(dx, dy);
    const whole = new Map([
      [2 * i, -dx / far],
      [2 * i + 1, -dy / far],
      [2 * j, dx / far],
      [2 * j + 1, dy / far],
    ]);
    return free.map((k) => whole.get(k) ?? 0);
  });
  const n = free.length;
  const system = free.map((_, p) => [
    ...free.map((__, q) => rows.reduce((sum, row) => sum + row[p]! * row[q]!, 0)),
    ...free.map((__, q) => (p === q ? 1 : 0)),
  ]);
  for (let p = 0; p < n; p++) {
    let pivot = p;
    for (let q = p; q < n; q++) if (Math.abs(system[q]![p]!) > Math.abs(system[pivot]![p]!)) pivot = q;
    [system[p], system[pivot]] = [system[pivot]!, system[p]!];
    const lead = system[p]![p]!;
    if (Math.abs(lead) < 1e-9) return null;
    system[p] = system[p]!.map((value) => value / lead);
    system.forEach((row, q) => {
      if (q !== p && row[p] !== 0) system[q] = row.map((value, k) => value - row[p]! * system[p]![k]!);
    });
  }
  return rows.map(
    (row) =>
      1 -
      row.reduce((sum, left, p) => sum + left * row.reduce((all, right, q) => all + system[p]![n + q]! * right, 0), 0),
  );
}

describe('which tapes are taken', () => {
  const points = [
    { id: 'a', x: 0, y: 0 },
    { id: 'b', x: 1200, y: 60 },
    { id: 'c', x: 1150, y: 900 },
    { id: 'd', x: -40, y: 870 },
    { id: 'e', x: 560, y: 1300 },
  ];
  const all = points.flatMap((_, i) => points.slice(i + 1).map((__, k): [number, number] => [i, i + 1 + k]));

  it.each([0.01, 0.05, 0.1, 0.15])('as few as the best of all choices on a small network, for %d', (want) => {
    const { chosen, weakest } = design({ points, tapes: all, sd: 1, want });
    const own = redundancy(points, chosen)!;
    expect(weakest).toBeCloseTo(Math.min(...own), 6);
    expect(weakest).toBeGreaterThanOrEqual(want - 1e-9);
    let fewest = all.length;
    for (let bits = 0; bits < 1 << all.length; bits++) {
      const some = all.filter((_, i) => bits & (1 << i));
      if (some.length >= fewest || some.length < 2 * points.length - 3) continue;
      const numbers = redundancy(points, some);
      if (numbers && Math.min(...numbers) >= want - 1e-9) fewest = some.length;
    }
    expect(chosen).toHaveLength(fewest);
  });
  it('in space too, where all have a height', () => {
    const box = [0, 1, 2, 3, 4, 5, 6, 7].map((i) => ({
      id: `p${i}`,
      x: i & 1 ? 1400 : 0,
      y: i & 2 ? 2300 : 10 * i,
      z: i & 4 ? 500 : 7 * i,
    }));
    const tapes = box.flatMap((_, i) => box.slice(i + 1).map((__, k): [number, number] => [i, i + 1 + k]));
    const { chosen, weakest } = design({ points: box, tapes, sd: 1, want: 0.03 });
    expect(chosen.length).toBeGreaterThan(18);
    expect(chosen.length).toBeLessThan(tapes.length);
    expect(weakest).toBeGreaterThanOrEqual(0.03);
  });
  it.each([
    [
      {
        tapes: [
          [0, 1],
          [1, 2],
        ] as [number, number][],
      },
      'undetermined',
    ],
    [{ want: 0.9 }, 'weak'],
    [{ tapes: [[0, 9]] as [number, number][] }, 'unknown-point'],
    [{ points: points.map((point) => ({ ...point, z: 0 })) }, 'undetermined'],
  ])('%j is refused in words', (over, code) => {
    expect(() => design({ points, tapes: all, sd: 1, want: 0.1, ...over })).toThrowError(
      expect.objectContaining({ code }),
    );
  });
});
