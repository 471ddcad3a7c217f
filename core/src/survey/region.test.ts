import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { region } from './region.ts';
import { regionOnPanel } from './regionOnPanel.ts';

/* Masks by OpenCV's GrabCut: core/fixtures/region.py writes them and makes the same pictures. */
interface Case {
  name: string;
  inside: number[];
  outside: number[];
  noiseIn: number;
  noiseOut: number;
  slope: number;
  seed: number;
  overlapWithTruth: number;
  runs: number[];
}
const cases = JSON.parse(readFileSync(new URL('../../fixtures/region.json', import.meta.url), 'utf8')) as Case[];

const radius = (angle: number) => 32 * (1 + 0.25 * Math.sin(3 * angle) + 0.1 * Math.sin(5 * angle + 1));

/** A blob of one colour on ground of another, both grainy; `scale` draws the same place larger. */
function made(kind: Case, scale = 1) {
  const [width, height] = [160 * scale, 120 * scale];
  const rgb: number[] = [];
  const truth: number[] = [];
  let state = kind.seed;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [dx, dy] = [x / scale - 80, y / scale - 60];
      const lies = Math.hypot(dx, dy) < radius(Math.atan2(dy, dx));
      truth.push(lies ? 1 : 0);
      for (let c = 0; c < 3; c++) {
        let noise = 0;
        for (let k = 0; k < 3; k++) {
          state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
          noise += state / 2 ** 32 - 0.5;
        }
        const mean = lies ? kind.inside[c]! : kind.outside[c]! + kind.slope * (x / width - 0.5);
        rgb.push(Math.min(255, Math.max(0, Math.floor(mean + noise * (lies ? kind.noiseIn : kind.noiseOut)))));
      }
    }
  return { width, height, rgb, truth };
}
const stroke = (scale = 1) =>
  Array.from({ length: 30 * scale }, (_, i) => [65 * scale + i, Math.round((55 + i / scale / 3) * scale)]);
function overlap(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let [both, either] = [0, 0];
  for (let i = 0; i < a.length; i++) {
    both += a[i]! && b[i]! ? 1 : 0;
    either += a[i]! || b[i]! ? 1 : 0;
  }
  return both / either;
}
const area = (ring: readonly (readonly number[])[]) =>
  ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length]!;
    return sum + (x! * ny! - nx! * y!) / 2;
  }, 0);

describe('survey.region', () => {
  it.each(cases.map((kind) => [kind.name, kind] as const))(
    'finds what OpenCV finds from one stroke: %s',
    (_n, kind) => {
      const { width, height, rgb, truth } = made(kind);
      const { mask } = region({ width, height, rgb, inside: stroke() });
      const theirs = kind.runs.flatMap((count, i) => new Array<number>(count).fill(i % 2));
      expect(overlap(mask, truth)).toBeGreaterThan(0.9);
      expect(overlap(mask, theirs)).toBeGreaterThan(0.9);
      expect(overlap(mask, truth)).toBeGreaterThan(kind.overlapWithTruth - 0.03);
    },
  );

  it('looks coarsely first and still finds the boundary on a large picture', () => {
    const { width, height, rgb, truth } = made(cases[0]!, 4);
    const { mask, outlines } = region({ width, height, rgb, inside: stroke(4) });
    expect(overlap(mask, truth)).toBeGreaterThan(0.95);
    const drawn = outlines.flat().reduce((sum, ring) => sum + area(ring), 0);
    // A single pixel that stands out loses its corners where the outline is drawn.
    expect(Math.abs(drawn) / mask.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 3);
  });

  it('keeps to strokes of both kinds, and to what is joined to one', () => {
    const kind = cases[0]!;
    const { width, height, rgb } = made(kind);
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 110 }), fc.integer({ min: 35, max: 85 }), (x, y) => {
        const inside = stroke().filter(([a, b]) => Math.hypot(a! - x, b! - y) > 8);
        const outside = [
          [x, y],
          [x + 1, y],
        ];
        const { mask } = region({ width, height, rgb, inside, outside });
        for (const [a, b] of inside) expect(mask[b! * width + a!]).toBe(1);
        for (const [a, b] of outside) expect(mask[b! * width + a!]).toBe(0);
      }),
      { numRuns: 12 },
    );
    // A second patch of the same rust in the corner, without a stroke, stays out.
    const two = rgb.slice();
    for (let y = 0; y < 12; y++)
      for (let x = 0; x < 12; x++) for (let c = 0; c < 3; c++) two[3 * (y * width + x) + c] = kind.inside[c]!;
    expect(region({ width, height, rgb: two, inside: stroke() }).mask[5 * width + 5]).toBe(0);
    const both = region({ width, height, rgb: two, inside: [...stroke(), [5, 5]] });
    expect(both.mask[5 * width + 5]).toBe(1);
    expect(both.outlines).toHaveLength(2);
  });

  it('answers the example in its own words', () => {
    expect(
      region({
        width: 3,
        height: 1,
        rgb: [200, 80, 40, 205, 82, 41, 20, 90, 160],
        inside: [[0, 0]],
        outside: [[2, 0]],
      }).mask,
    ).toEqual([1, 1, 0]);
  });

  it.each([
    [{ inside: [] }, 'inside'],
    [{ inside: [[9, 0]] }, 'inside[0][0]'],
    [{ inside: [[NaN, 0]] }, 'inside[0][0]'],
    [{ outside: [[0, 0]] }, 'outside[0]'],
    [{ rgb: [1, 2, 3] }, 'rgb'],
    [{ rgb: [300, 0, 0, 0, 0, 0] }, 'rgb[0]'],
    [{ width: 1.5 }, 'width'],
    [{ width: 1e7, height: 1e7 }, 'width'],
  ])('refuses by field (%#)', (bad, field) => {
    const given = { width: 2, height: 1, rgb: [1, 2, 3, 4, 5, 6], inside: [[0, 0]], ...bad };
    expect(() => region(given)).toThrow(expect.objectContaining({ field }));
  });
});

describe('a region on its panel', () => {
  const sheet = [
    [
      [0, 0],
      [400, 0],
      [400, 300],
      [0, 300],
    ],
  ] as const;
  const square = (x: number, y: number, side: number) =>
    [
      [x, y],
      [x + side, y],
      [x + side, y + side],
      [x, y + side],
    ] as const;

  it('is carried over, cut to the sheet, and the largest part comes first', () => {
    // Half a millimetre for a pixel of the true picture, two true pixels for one that was looked at.
    const matrix = [0.5, 0, 0, 0, 0.5, 0, 0, 0, 1];
    const parts = regionOnPanel({ outlines: [[square(10, 10, 20)], [square(380, 100, 60)]], scale: 2, matrix, sheet });
    expect(parts.map((part) => Math.abs(area(part[0]!)))).toEqual([20 * 60, 20 * 20]);
  });

  it('loses what lies beyond the horizon, and keeps few enough corners to be moved by hand', () => {
    const wavy = Array.from({ length: 3000 }, (_, i) => {
      const angle = (2 * Math.PI * i) / 3000;
      const r = 80 + 12 * Math.sin(90 * angle);
      return [200 + r * Math.cos(angle), 150 + r * Math.sin(angle)] as const;
    });
    const [part] = regionOnPanel({ outlines: [[wavy]], scale: 1, matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], sheet });
    expect(part![0]!.length).toBeLessThanOrEqual(110);
    expect(Math.abs(area(part![0]!))).toBeGreaterThan(Math.PI * 60 ** 2);
    const tilted = [1, 0, 0, 0, 1, 0, -0.004, 0, 1];
    const [seen] = regionOnPanel({
      outlines: [[square(100, 100, 20), square(300, 100, 20)]],
      scale: 1,
      matrix: tilted,
      sheet,
    });
    expect(seen).toHaveLength(1);
  });
});
