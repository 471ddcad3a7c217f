import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { area, between, circle, clip, toRing, type Point, type Polygon } from '../geometry/index.ts';
import {
  arcFit,
  bead,
  bend,
  cone,
  cornerRelief,
  crown,
  flange,
  flatPattern,
  nest,
  springback,
  profile,
} from './index.ts';

const rectangle = (w: number, h: number): Polygon => [
  [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ],
];
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('shape.bend', () => {
  // Sheet-metal handbooks print this case: 90°, r = t = 1 mm, K = 0.33: allowance 2.09, setback 2, deduction 1.91 mm (memory).
  it('agrees with the printed case for r = t', () => {
    const { allowance, setback, deduction } = bend({ angle: 90, radius: 1, thickness: 1, kFactor: 0.33 });
    expect(allowance).toBeCloseTo(2.09, 2);
    expect(setback).toBeCloseTo(2, 9);
    expect(deduction).toBeCloseTo(1.91, 2);
  });

  // DIN 6935: k = 0.65 + 0.5·log10(r/t) up to r/t = 5, and 1 beyond it.
  it.each([
    [1, 0.65],
    [2, 0.8005],
    [5, 0.9995],
    [6, 1],
    [50, 1],
  ])('takes k of DIN 6935 at r/t = %d', (ratio, k) => {
    expect(bend({ angle: 30, radius: ratio, thickness: 1 }).kFactor).toBeCloseTo(k / 2, 4);
  });

  it('is additive in the angle, and a sharp bend takes nothing', () => {
    const at = (angle: number) => bend({ angle, radius: 3, thickness: 1.2 }).allowance;
    expect(at(30) + at(60)).toBeCloseTo(at(90), 9);
    expect(bend({ angle: 90, radius: 0, thickness: 1 }).allowance).toBe(0);
  });
});

describe('shape.springback', () => {
  // The trade's own figure (T-04): 1.2 mm, rolled to 5 in (127 mm), opens to about 8 in (203 mm).
  it('opens a strip as a restorer measured it', () => {
    expect(springback({ radius: 127, thickness: 1.2, yield: 250, modulus: 207_000 })).toMatchObject({
      elastic: false,
      relaxedRadius: expect.closeTo(203, 0),
    });
  });

  it('is flat again where nothing yields, and stays where nothing springs', () => {
    const sheet = { thickness: 1, yield: 200, modulus: 200_000 };
    expect(springback({ ...sheet, radius: 500 })).toEqual({ relaxedRadius: null, elastic: true });
    expect(springback({ ...sheet, yield: 1e-6, radius: 50 })).toMatchObject({ relaxedRadius: expect.closeTo(50, 5) });
  });

  it('both ways lead back', () => {
    fc.assert(
      fc.property(num(0.5, 3), num(120, 900), num(10, 5000), (thickness, strength, wantedRadius) => {
        const sheet = { thickness, yield: strength, modulus: 207_000 };
        const { rollRadius } = springback({ ...sheet, wantedRadius }) as { rollRadius: number };
        const { relaxedRadius } = springback({ ...sheet, radius: rollRadius }) as { relaxedRadius: number };
        expect(relaxedRadius / wantedRadius).toBeCloseTo(1, 6);
        expect(rollRadius).toBeLessThanOrEqual(wantedRadius * (1 + 1e-12));
      }),
    );
  });

  it('wants one of both radii', () => {
    const sheet = { thickness: 1, yield: 200, modulus: 200_000 };
    expect(() => springback(sheet as never)).toThrow(/either radius/);
    expect(() => springback({ ...sheet, radius: 1, wantedRadius: 2 } as never)).toThrow(/not both/);
  });
});

describe('shape.flange', () => {
  it('takes as much out of a shrinking edge as the circle says', () => {
    const whole = flange({ height: 15, edgeRadius: 100, side: 'shrink', tabPitch: 30 });
    // 2π(R + h) − 2πR is taken out by all wedges together.
    expect(whole.wedgeWidth * whole.slits).toBeCloseTo(2 * Math.PI * 15, 6);
    expect(whole.strain).toBeCloseTo(-15 / 115, 9);
    expect(whole.tabWidth).toBeLessThanOrEqual(30);
  });

  it('lets a stretching edge open by itself, and an open curve has one slit less than tabs', () => {
    const rim = flange({ height: 10, edgeRadius: 40, side: 'stretch', tabPitch: 15, sweep: 90 });
    expect(rim.wedgeWidth).toBe(0);
    expect(rim.opening).toBeGreaterThan(0);
    expect(rim.strain).toBeCloseTo(10 / 30, 9);
    expect(rim.slits).toBe(rim.tabs - 1);
    expect(() => flange({ height: 40, edgeRadius: 40, side: 'stretch', tabPitch: 15 })).toThrow(
      expect.objectContaining({ field: 'height' }),
    );
  });
});

describe('shape.cone', () => {
  // A 3-4-5 cone: slant 5, full circle opens to 360°·3/5 = 216°, lateral area π·r·s.
  it('opens the 3-4-5 cone', () => {
    const flat = cone({ bottomRadius: 3, topRadius: 0, height: 4, sweep: 360 });
    expect(flat).toMatchObject({ outerRadius: 5, innerRadius: 0, slantHeight: 5 });
    expect(flat.angle).toBeCloseTo(216, 9);
    expect(flat.area).toBeCloseTo(Math.PI * 15, 9);
  });

  it('keeps every arc as long as the circle that it becomes', () => {
    fc.assert(
      fc.property(num(1, 500), num(0, 500), num(0.1, 800), num(5, 360), (bottomRadius, topRadius, height, sweep) => {
        fc.pre(Math.abs(bottomRadius - topRadius) > 0.1);
        const flat = cone({ bottomRadius, topRadius, height, sweep });
        const turn = (flat.angle * Math.PI) / 180;
        const large = Math.max(bottomRadius, topRadius);
        expect((flat.outerRadius * turn) / (large * ((sweep * Math.PI) / 180))).toBeCloseTo(1, 9);
        expect(flat.outerRadius - flat.innerRadius).toBeCloseTo(flat.slantHeight, 4);
        expect(flat.area / ((turn / 2) * (flat.outerRadius ** 2 - flat.innerRadius ** 2))).toBeCloseTo(1, 9);
      }),
    );
  });

  it('says what a cylinder opens to', () => {
    expect(() => cone({ bottomRadius: 50, topRadius: 50, height: 100, sweep: 360 })).toThrow(
      /rectangle of 314.2 × 100 mm/,
    );
  });
});

describe('shape.arcFit and crown', () => {
  it('finds the circle of points that lie on it, in whichever place and size', () => {
    fc.assert(
      fc.property(
        num(-2000, 2000),
        num(-2000, 2000),
        num(5, 20_000),
        num(0, 6),
        num(0.2, 6),
        (x, y, radius, from, sweep) => {
          const points = Array.from({ length: 9 }, (_, i): Point => {
            const angle = from + (sweep * i) / 8;
            return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
          });
          const arc = arcFit({ points });
          expect(arc.radius / radius).toBeCloseTo(1, 5);
          expect(between(arc.centre, [x, y]) / radius).toBeLessThan(1e-5);
          expect(arc.rms / radius).toBeLessThan(1e-6);
        },
      ),
    );
  });

  // Gander, Golub & Strebel 1994 print this set; the geometric least-squares circle is (4.7398, 2.9835), r = 4.7142. Taubin's lies close by.
  it('lies close to the geometric fit of a published set', () => {
    const points: Point[] = [
      [1, 7],
      [2, 6],
      [5, 8],
      [7, 7],
      [9, 5],
      [3, 7],
    ];
    const arc = arcFit({ points });
    expect(between(arc.centre, [4.7398, 2.9835])).toBeLessThan(0.35);
    expect(Math.abs(arc.radius - 4.7142)).toBeLessThan(0.35);
  });

  it('refuses a straight line and one place', () => {
    expect(() =>
      arcFit({
        points: [
          [0, 0],
          [1, 1],
          [2, 2],
          [5, 5],
        ],
      }),
    ).toThrow(expect.objectContaining({ code: 'collinear' }));
    expect(() =>
      arcFit({
        points: [
          [3, 3],
          [3, 3],
          [3, 3],
        ],
      }),
    ).toThrow(expect.objectContaining({ code: 'coincident' }));
  });

  it('a hemisphere has twice the area of its disc', () => {
    expect(crown({ chord: 200, sagitta: 100 })).toEqual({ radius: 100, areaIncrease: 1 });
    const { radius, areaIncrease } = crown({ chord: 600, sagitta: 12 });
    expect((2 * Math.PI * radius * 12) / (Math.PI * 300 * 300) - 1).toBeCloseTo(areaIncrease, 9);
  });
});

describe('bead, step and corner', () => {
  it('a half-round bead draws in π/2 of its width', () => {
    expect(bead({ kind: 'bead', depth: 10, width: 20 }).developed).toBeCloseTo(10 * Math.PI, 9);
    expect(bead({ kind: 'step', depth: 3, width: 4, length: 100 })).toEqual({ developed: 5, extra: 1, area: 100 });
  });

  // T-23: the surplus of a folded corner stands up 6 mm (1/4 in) or more.
  it('the uncut tip of a square corner with 15 mm edges lies 15·√2 mm from the folds, 6 mm beyond them, and is notched square', () => {
    const square = { flangeA: 15, flangeB: 15, corner: 90, radius: 1, thickness: 0.9, gap: 0 };
    expect(cornerRelief({ ...square, fold: 90 })).toMatchObject({
      surplus: expect.closeTo(15 * Math.SQRT2, 9),
      notch: expect.closeTo(90, 9),
      backA: expect.closeTo(0, 9),
    });
    expect(cornerRelief({ ...square, fold: 90 }).surplus - 15).toBeGreaterThan(6);
    // Unequal edges at a square corner: the hypotenuse of both; at 60°, equal ones: width / sin 30°.
    expect(cornerRelief({ ...square, flangeB: 20, fold: 90 }).surplus).toBeCloseTo(25, 9);
    expect(cornerRelief({ ...square, corner: 60, fold: 90 }).surplus).toBeCloseTo(30, 9);
    // Folded flat on the skin both edges are mitred at 45°.
    expect(cornerRelief({ ...square, fold: 180 })).toMatchObject({
      backA: expect.closeTo(15, 9),
      notch: expect.closeTo(180, 9),
    });
  });
});

describe('flat pattern', () => {
  const outline = rectangle(300, 180)[0]!;

  it('adds each flange less the bend deduction', () => {
    const { deduction } = bend({ angle: 90, radius: 1, thickness: 0.9 });
    const pattern = flatPattern({ outline, thickness: 0.9, flanges: [{ side: 0, width: 15, angle: 90, radius: 1 }] });
    expect(pattern.height).toBeCloseTo(180 + 15 - deduction, 2);
    expect(pattern.width).toBeCloseTo(300, 2);
    expect(pattern.area).toBeCloseTo(300 * (195 - deduction), -1);
    expect(pattern.bends).toHaveLength(1);
  });

  it('puts the bend where the sheet folds to the finished outline', () => {
    const { bends } = flatPattern({ outline, thickness: 1, flanges: [{ side: 2, width: 20, angle: 90, radius: 2 }] });
    const { setback, allowance } = bend({ angle: 90, radius: 2, thickness: 1 });
    expect(bends[0]!.line[0][1]).toBeCloseTo(180 - setback + allowance / 2, 6);
  });

  it('keeps trim on bare sides only, cuts tabs, and takes wedges out where the edge shrinks', () => {
    const flanged = [{ side: 1, width: 15, angle: 90, radius: 1, tabPitch: 45 }];
    const pattern = flatPattern({ outline, thickness: 0.9, trim: 10, flanges: flanged });
    expect(pattern.tabs).toBe(4);
    expect(pattern.slits).toHaveLength(3);
    expect(Math.min(...pattern.blank[0]!.map((p) => p[0]))).toBeCloseTo(-10, 2);
    const shrunk = flatPattern({
      outline,
      thickness: 0.9,
      trim: 10,
      flanges: [{ ...flanged[0]!, curve: { radius: 400, side: 'shrink' } }],
    });
    expect(shrunk.slits).toHaveLength(0);
    expect(shrunk.area).toBeLessThan(pattern.area - 3);
  });

  it('means the same side when the outline is drawn the other way round', () => {
    const flanges = [{ side: 0, width: 15, angle: 90, radius: 1 }];
    const reversed = [...outline].reverse();
    // Side 0 of the reversed outline runs along the upper edge.
    const pattern = flatPattern({ outline: reversed, thickness: 0.9, flanges });
    expect(Math.max(...pattern.blank[0]!.map((p) => p[1]))).toBeGreaterThan(190);
  });

  it.each([
    [{ outline, thickness: 1, flanges: [{ side: 9, width: 10, angle: 90, radius: 1 }] }, 'flanges[0].side'],
    [{ outline, thickness: 1, flanges: [{ side: 0, width: 1, angle: 90, radius: 5 }] }, 'flanges[0].width'],
    [{ outline, thickness: 1, flanges: [{ side: 0, width: 10, angle: 0, radius: 5 }] }, 'flanges[0].angle'],
    [{ outline, thickness: 1, holes: [rectangle(400, 20)[0]!.map(([u, v]): Point => [u - 10, v + 80])] }, 'flanges'],
  ])('refuses by field (%#)', (input, field) => {
    expect(() => flatPattern(input as never)).toThrow(expect.objectContaining({ field }));
  });
});

describe('shape.nest', () => {
  const angle = (w: number, h: number): Polygon => [
    [
      [0, 0],
      [w, 0],
      [w, h * 0.4],
      [w * 0.4, h * 0.4],
      [w * 0.4, h],
      [0, h],
    ],
  ];
  const check = (
    pieces: readonly Polygon[],
    gap: number,
    width: number,
    height: number,
    rotations: number[] | number,
  ) => {
    const found = nest({ sheet: { width, height }, pieces, gap, rotations });
    for (const { outline, piece } of found.placements) {
      expect(area([outline])).toBeCloseTo(area([pieces[piece]![0]!]), 3);
      for (const [u, v] of outline) {
        expect(u).toBeGreaterThan(gap - 0.02);
        expect(u).toBeLessThan(width - gap + 0.02);
        expect(v).toBeGreaterThan(gap - 0.02);
        expect(v).toBeLessThan(height - gap + 0.02);
      }
    }
    found.placements.forEach((a, i) =>
      found.placements.slice(i + 1).forEach((b) => {
        expect(clip('intersection', [a.outline], [b.outline]).area).toBe(0);
        const apart = Math.min(
          ...a.outline.map((p) => toRing(p, b.outline)),
          ...b.outline.map((p) => toRing(p, a.outline)),
        );
        expect(apart).toBeGreaterThan(gap - 0.05);
      }),
    );
    expect(found.placements.length + found.unplaced.length).toBe(pieces.length);
    return found;
  };

  it('fills a sheet that four equal pieces just fill', () => {
    const found = check(
      [rectangle(50, 40), rectangle(50, 40), rectangle(50, 40), rectangle(50, 40)],
      0,
      100.03,
      80.03,
      [0],
    );
    expect(found.unplaced).toEqual([]);
    expect(found.yield).toBeGreaterThan(0.99);
  });

  it('puts one angle into the other', () => {
    const found = check([angle(100, 100), angle(100, 100)], 1, 170, 150, [0, 180]);
    expect(found.unplaced).toEqual([]);
  });

  it('never overlaps, and names what finds no place', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ w: num(20, 150), h: num(20, 150), kind: fc.constantFrom('box', 'angle', 'disc') }), {
          minLength: 2,
          maxLength: 9,
        }),
        num(0, 8),
        fc.constantFrom<number[] | number>([0], 4, [0, 45, 90]),
        (given, gap, rotations) => {
          const pieces = given.map(({ w, h, kind }) =>
            kind === 'box' ? rectangle(w, h) : kind === 'angle' ? angle(w, h) : [circle([0, 0], w / 2)],
          );
          check(pieces, gap, 320, 300, rotations);
        },
      ),
      { numRuns: 25 },
    );
  }, 60_000);

  it('refuses a piece that crosses itself and a sheet without size', () => {
    const bow: Polygon = [
      [
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ],
    ];
    expect(() => nest({ sheet: { width: 100, height: 100 }, pieces: [bow], gap: 1, rotations: [0] })).toThrow(
      expect.objectContaining({ field: 'pieces[0][0]' }),
    );
    expect(() => nest({ sheet: { width: 0, height: 100 }, pieces: [rectangle(1, 1)], gap: 1, rotations: [0] })).toThrow(
      expect.objectContaining({ field: 'sheet.width' }),
    );
  });
});

describe('shape.profile', () => {
  /*
   * DIN 6935: flat length = sum of the outside legs + sum of the compensation values v, with
   * v = π·(180° − β)/180°·(r + s/2·k) − 2·(r + s) for opening angles β up to 90° and
   * v = π·(180° − β)/180°·(r + s/2·k) − 2·(r + s)·tan((180° − β)/2) for β beyond it; k = 0.65 + ½·log10(r/s).
   */
  const compensation = (beta: number, r: number, s: number) => {
    const k = Math.min(1, 0.65 + 0.5 * Math.log10(r / s));
    const arc = Math.PI * ((180 - beta) / 180) * (r + (s / 2) * k);
    return beta <= 90 ? arc - 2 * (r + s) : arc - 2 * (r + s) * Math.tan((((180 - beta) / 2) * Math.PI) / 180);
  };
  it.each([
    [[90, 90], 2, 1],
    [[135, 135], 3, 1.5],
    [[60, 120], 4, 2],
    [[0, 90], 1.5, 1],
  ] as const)('is as wide as the compensation values of DIN 6935 say: opening angles %j', (betas, r, s) => {
    const { flat } = profile({
      thickness: s,
      legs: [40, 80, 30],
      bends: betas.map((beta) => ({ angle: 180 - beta, radius: r, turn: 'up' as const })),
    });
    expect(flat).toBeCloseTo(150 + betas.reduce((sum: number, beta) => sum + compensation(beta, r, s), 0), 9);
  });

  it('is that of the single bend for two legs, and its marks lie in order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 30, max: 200, noNaN: true }), { minLength: 2, maxLength: 8 }),
        fc.double({ min: 5, max: 180, noNaN: true }),
        fc.double({ min: 0.5, max: 5, noNaN: true }),
        (legs, angle, radius) => {
          const bends = legs.slice(1).map(() => ({ angle, radius, turn: 'up' as const }));
          const { flat, bends: marks } = profile({ thickness: 1, legs, bends });
          const sum = legs.reduce((a, b) => a + b, 0);
          expect(flat).toBeLessThan(sum + 1e-9 + (angle > 90 ? legs.length * 20 : 0));
          marks.forEach((mark, i) => {
            expect(mark.from).toBeLessThan(mark.to);
            expect(mark.middle).toBeCloseTo((mark.from + mark.to) / 2, 9);
            if (i > 0) expect(mark.from).toBeGreaterThanOrEqual(marks[i - 1]!.to);
          });
          expect(marks.at(-1)!.to).toBeLessThanOrEqual(flat);
          if (angle <= 90 && legs.length === 2)
            expect(flat).toBeCloseTo(sum - bend({ angle, radius, thickness: 1 }).deduction, 9);
        },
      ),
    );
  });

  it.each([
    [{ legs: [3, 60] }, 'legs[0]'],
    [{ legs: [20] }, 'legs'],
    [{ bends: [] }, 'bends'],
    [{ bends: [{ angle: 0, radius: 2, turn: 'up' }] }, 'bends[0].angle'],
    [{ bends: [{ angle: 90, radius: 2, turn: 'left' }] }, 'bends[0].turn'],
    [{ thickness: 0 }, 'thickness'],
  ])('refuses by field (%#)', (bad, field) => {
    const given = { thickness: 2, legs: [20, 60], bends: [{ angle: 90, radius: 2, turn: 'up' }], ...bad };
    expect(() => profile(given as never)).toThrow(expect.objectContaining({ field }));
  });
});
