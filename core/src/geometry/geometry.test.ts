import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import {
  area,
  combine,
  distance,
  firstCrossing,
  grow,
  inPolygon,
  inRing,
  insideAlong,
  minimumWidth,
  nearness,
  perimeter,
  signedArea,
  simplifyLine,
  flatten,
  circle,
  simpleRing,
  toLine,
  type Point,
  type Polygon,
  type Ring,
} from './index.ts';

const square = (size: number, at = 0): Ring => [
  [at, at],
  [at + size, at],
  [at + size, at + size],
  [at, at + size],
];

describe('areas', () => {
  // Worked example: the shoelace formula on the pentagon (3,4) (5,11) (12,8) (9,5) (5,6) gives 30 (widely printed school example).
  it('agrees with the printed shoelace example', () => {
    expect(
      Math.abs(
        signedArea([
          [3, 4],
          [5, 11],
          [12, 8],
          [9, 5],
          [5, 6],
        ]),
      ),
    ).toBe(30);
  });

  it('combines as sets do', () => {
    const a = [square(100)];
    const b = [square(100, 50)];
    expect(combine({ op: 'union', a, b }).area).toBeCloseTo(17_500, 3);
    expect(combine({ op: 'intersection', a, b }).area).toBeCloseTo(2_500, 3);
    expect(combine({ op: 'difference', a, b }).area).toBeCloseTo(7_500, 3);
    expect(combine({ op: 'intersection', a, b: [square(10, 500)] })).toMatchObject({
      polygons: [],
      area: 0,
      centroid: null,
    });
  });

  it('grows by Steiner’s formula: A + pL + πp²', () => {
    expect(grow({ a: [square(100)], by: 10 }).area).toBeCloseTo(10_000 + 4_000 + Math.PI * 100, -1);
    expect(grow({ a: [square(100)], by: 10, join: 'miter' }).area).toBeCloseTo(14_400, 3);
    expect(grow({ a: [square(100)], by: -10 }).area).toBeCloseTo(6_400, 3);
  });

  it('keeps a hole a hole', () => {
    const ring = [square(100), square(20, 40)];
    expect(area(ring)).toBe(9_600);
    const grown = grow({ a: ring, by: 5, join: 'miter' });
    expect(grown.area).toBeCloseTo(110 * 110 - 10 * 10, 3);
    expect(grown.polygons[0]).toHaveLength(2);
  });

  it('keeps the area under union and intersection together (inclusion and exclusion)', () => {
    const box = fc.tuple(
      fc.integer({ min: 0, max: 200 }),
      fc.integer({ min: 0, max: 200 }),
      fc.integer({ min: 10, max: 200 }),
      fc.integer({ min: 10, max: 200 }),
    );
    fc.assert(
      fc.property(box, box, (p, q) => {
        const ring = ([u, v, w, h]: [number, number, number, number]): Ring => [
          [u, v],
          [u + w, v],
          [u + w, v + h],
          [u, v + h],
        ];
        const [a, b] = [[ring(p)], [ring(q)]];
        const together = combine({ op: 'union', a, b }).area + combine({ op: 'intersection', a, b }).area;
        expect(Math.abs(together - area(a) - area(b))).toBeLessThanOrEqual(10);
      }),
    );
  });
});

describe('slivers', () => {
  const strip = (u: number, v: number, width: number, height: number): Polygon => [
    [
      [u, v],
      [u + width, v],
      [u + width, v + height],
      [u, v + height],
    ],
  ];
  it.each([0, 1234.567, -8765.4321])('0.01 mm wide keep their area to a hundred-thousandth, at u = %d', (at) => {
    const { area } = combine({ op: 'difference', a: strip(at, at, 300, 100), b: strip(at + 0.01, at - 5, 400, 110) });
    expect(area / (0.01 * 100)).toBeCloseTo(1, 5);
    expect(
      combine({ op: 'intersection', a: strip(at, at, 0.01, 100), b: strip(at - 1, at, 2, 40) }).area / 0.4,
    ).toBeCloseTo(1, 5);
  });

  it('agree with a second library', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.005, max: 0.05, noNaN: true }),
        fc.double({ min: -2000, max: 2000, noNaN: true }),
        fc.double({ min: 0.1, max: 30, noNaN: true }),
        (width, at, lean) => {
          const a = [
            [
              [at, 0],
              [at + 500, lean],
              [at + 500, lean + 80],
              [at, 80],
            ],
          ] as Polygon;
          const b = [
            [
              [at, width],
              [at + 500, lean + width],
              [at + 500, lean + 90],
              [at, 90],
            ],
          ] as Polygon;
          const own = combine({ op: 'difference', a, b }).area;
          const other = polygonClipping.difference(a as never, b as never) as unknown as Polygon[];
          const theirs = other.reduce((sum, polygon) => sum + area(polygon), 0);
          expect(own / theirs).toBeCloseTo(1, 5);
        },
      ),
      { numRuns: 50 },
    );
  });
});

describe('rings', () => {
  it('finds a crossing outline and names its sides', () => {
    const bow: Ring = [
      [0, 0],
      [100, 100],
      [100, 0],
      [0, 100],
    ];
    expect(firstCrossing(bow)).toEqual([0, 2]);
    expect(() => simpleRing('outline', bow)).toThrow(/outline crosses itself.*side 1 meets side 3/);
    expect(firstCrossing(square(10))).toBeUndefined();
  });

  it('refuses what encloses nothing', () => {
    expect(() =>
      simpleRing('outline', [
        [0, 0],
        [1, 1],
      ]),
    ).toThrow(/at least 3/);
    expect(() =>
      simpleRing('outline', [
        [0, 0],
        [5, 5],
        [10, 10],
      ]),
    ).toThrow(/no area|crosses/);
    expect(() =>
      simpleRing('outline', [
        [0, 0],
        [5, Number.NaN],
        [10, 10],
      ]),
    ).toThrow(/outline\[1\]\[1\]/);
  });

  it('knows inside from outside', () => {
    expect(inRing([5, 5], square(10))).toBe(true);
    expect(inRing([15, 5], square(10))).toBe(false);
  });

  it('draws a circle whose length and area are those of a circle', () => {
    const ring = circle([0, 0], 330);
    expect(perimeter(ring)).toBeCloseTo(2 * Math.PI * 330, -1);
    expect(signedArea(ring) / (Math.PI * 330 ** 2)).toBeCloseTo(1, 2);
  });

  it('flattens a cubic quarter circle to within half a millimetre', () => {
    const k = 0.5522847498 * 100; // The usual cubic handle for a quarter circle, off by at most 0.027 % of the radius.
    const line = flatten(
      [100, 0],
      [
        [
          [100, k],
          [k, 100],
          [0, 100],
        ],
      ],
    );
    for (const p of line) expect(Math.abs(Math.hypot(p[0], p[1]) - 100)).toBeLessThan(0.5);
    expect(simplifyLine(line, 200)).toHaveLength(2);
  });
});

describe('geometry.minimumWidth and geometry.distance', () => {
  it('gives a turned rectangle its short side', () => {
    const turned: Point[] = [
      [0, 0],
      [86.602540378, 50],
      [61.602540378, 93.301270189],
      [-25, 43.301270189],
    ];
    const { width, angle } = minimumWidth({ a: [turned] });
    expect(width).toBeCloseTo(50, 5);
    expect(angle).toBeCloseTo(30, 5);
  });

  it('measures between nearest edges, and zero when they overlap', () => {
    expect(distance({ a: [square(10)], b: [square(10, 13)] }).distance).toBeCloseTo(Math.hypot(3, 3), 9);
    expect(distance({ a: [square(10)], b: [square(10, 5)] }).distance).toBe(0);
  });
});

describe('asking at many places', () => {
  const num = fc.double({ min: -50, max: 50, noNaN: true });
  const place = fc.tuple(num, num);
  it('finds the same nearest line as asking each, in any order of places, and nothing beyond the limit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(place, { minLength: 1, maxLength: 30 }), { minLength: 1, maxLength: 4 }),
        fc.array(place, { minLength: 1, maxLength: 20 }),
        fc.integer({ min: 1, max: 60 }),
        (lines, places, farthest) => {
          const [all, near] = [nearness(lines), nearness(lines, farthest)];
          for (const p of places) {
            const least = Math.min(...lines.map((line) => toLine(p, line)));
            expect(all(p)).toBeCloseTo(least, 9);
            if (Math.abs(least - farthest) > 1e-6) {
              if (least < farthest) expect(near(p)).toBeCloseTo(least, 9);
              else expect(near(p)).toBe(Infinity);
            }
          }
        },
      ),
    );
    expect(nearness([])([0, 0])).toBe(Infinity);
  });

  it('is inside along a row where it is inside place by place, holes left out', () => {
    const sheet = [
      circle([0, 0], 40),
      circle([10, 5], 12),
      [
        [-30, -5],
        [-12, -5],
        [-20, 8],
      ] as Point[],
    ];
    fc.assert(
      fc.property(num, fc.array(num, { minLength: 1, maxLength: 60 }), (v, us) => {
        const inside = insideAlong(sheet, v);
        for (const u of [...us].sort((a, b) => a - b)) expect(inside(u)).toBe(inPolygon([u, v], sheet));
      }),
    );
  });
});
