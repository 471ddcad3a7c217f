import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rectifyPhoto, type PhotoPair } from './index.ts';

// Written by core/fixtures/homography.py with OpenCV; it minimises the same distances from the same points.
const { cases } = JSON.parse(readFileSync(new URL('../../fixtures/homography.json', import.meta.url), 'utf8')) as {
  cases: { pairs: PhotoPair[]; points: { x: number; y: number }[]; at: { u: number; v: number }[]; matrix: number[] }[];
};
const cost = (matrix: readonly number[], pairs: readonly PhotoPair[]) =>
  pairs.reduce((sum, { x, y, u, v }) => {
    const w = matrix[6]! * x + matrix[7]! * y + matrix[8]!;
    const [du, dv] = [
      (matrix[0]! * x + matrix[1]! * y + matrix[2]!) / w - u,
      (matrix[3]! * x + matrix[4]! * y + matrix[5]!) / w - v,
    ];
    return sum + du * du + dv * dv;
  }, 0);

describe('survey.rectifyPhoto against a vision library', () => {
  it.each(cases.map((one) => [one.pairs.length, one] as const))(
    '%i points: the same places within 0.02 mm',
    (_n, one) => {
      const result = rectifyPhoto({ pairs: one.pairs, points: one.points });
      result.points.forEach((point, i) => {
        expect(Math.hypot(point.u - one.at[i]!.u, point.v - one.at[i]!.v)).toBeLessThan(0.02);
      });
    },
  );

  it('reaches the least squares at least as well as the library', () => {
    for (const one of cases.filter(({ pairs }) => pairs.length > 4)) {
      const { matrix } = rectifyPhoto({ pairs: one.pairs, points: [] });
      expect(cost(matrix, one.pairs)).toBeLessThanOrEqual(cost(one.matrix, one.pairs) * (1 + 1e-6));
    }
  });
});

describe('survey.rectifyPhoto', () => {
  const square: PhotoPair[] = [
    { x: 0, y: 100, u: 0, v: 0 },
    { x: 100, y: 100, u: 200, v: 0 },
    { x: 100, y: 0, u: 200, v: 200 },
    { x: 0, y: 0, u: 0, v: 200 },
  ];

  it('meets four points exactly, whatever the view', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -18, max: 18, noNaN: true }), { minLength: 8, maxLength: 8 }), (shake) => {
        const pairs = square.map((pair, i) => ({ ...pair, x: pair.x + shake[2 * i]!, y: pair.y + shake[2 * i + 1]! }));
        const { points, rms } = rectifyPhoto({ pairs, points: pairs });
        expect(rms).toBeLessThan(1e-6);
        points.forEach((point, i) =>
          expect(Math.hypot(point.u - pairs[i]!.u, point.v - pairs[i]!.v)).toBeLessThan(1e-6),
        );
      }),
    );
  });

  it('names the point that is off', () => {
    const pairs = [
      ...square,
      { x: 50, y: 50, u: 100, v: 100 },
      { x: 25, y: 75, u: 50, v: 50 },
      { x: 75, y: 75, u: 158, v: 50 },
    ];
    const { residuals, worst } = rectifyPhoto({ pairs, points: [] });
    expect(residuals.indexOf(worst)).toBe(6);
  });

  it.each([
    ['three points', square.slice(0, 3), 'pairs', /at least 4/],
    ['points on one line', [0, 1, 2, 3].map((i) => ({ x: i * 10, y: i * 5, u: i, v: i * i })), 'pairs', /one line/],
    [
      'three of four on a line',
      [square[0]!, square[1]!, { x: 50, y: 100, u: 100, v: 0 }, square[2]!],
      'pairs',
      /one line/,
    ],
    ['a repeated point', [square[0]!, square[1]!, square[2]!, { ...square[2]!, u: 199.99999 }], 'pairs', /Only 3/],
    ['a place that is no number', [{ ...square[0]!, x: Number.NaN }, ...square.slice(1)], 'pairs[0].x', /number/],
    [
      'corners in the wrong order',
      [square[0]!, square[2]!, square[1]!, square[3]!].map((p, i) => ({ ...p, u: square[i]!.u, v: square[i]!.v })),
      'pairs[',
      /one flat sheet/,
    ],
  ])('refuses %s', (_what, pairs, field, message) => {
    try {
      rectifyPhoto({ pairs, points: [] });
    } catch (error) {
      expect((error as { field: string }).field).toContain(field);
      expect((error as Error).message).toMatch(message);
      return;
    }
    throw new Error('was taken');
  });

  it('refuses a place beyond the horizon of the sheet', () => {
    const pairs = [
      { x: 0, y: 0, u: 0, v: 0 },
      { x: 100, y: 0, u: 100, v: 0 },
      { x: 70, y: 50, u: 100, v: 100 },
      { x: 30, y: 50, u: 0, v: 100 },
    ];
    expect(() => rectifyPhoto({ pairs, points: [{ x: 50, y: 400 }] })).toThrow(/beyond the horizon/);
  });
});
