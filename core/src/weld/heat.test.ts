import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../geometry/index.ts';
import {
  distortion,
  field,
  lineSource,
  movingSource,
  planWelds,
  plugs,
  scaledK0,
  type FieldInput,
  type WeldInput,
} from './index.ts';

/* Bessel function by SciPy (special.k0e): core/fixtures/reference.py writes it. */
const reference = JSON.parse(readFileSync(new URL('../../fixtures/reference.json', import.meta.url), 'utf8')) as {
  k0: { x: number; scaled: number }[];
};
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('weld.movingSource', () => {
  it.each(reference.k0.map(({ x, scaled }) => [x, scaled]))('has K0 of SciPy at %d', (x, scaled) => {
    expect(scaledK0(x) / scaled).toBeCloseTo(1, 12);
  });

  // Abramowitz & Stegun, table 9.8: K0(0.1) = 2.4270690, K0(10) = 1.7780062e-5 (memory).
  it('has K0 of the handbook', () => {
    expect(scaledK0(0.1) * Math.exp(-0.1)).toBeCloseTo(2.427069, 6);
    expect(scaledK0(10) * Math.exp(-10) * 1e5).toBeCloseTo(1.7780062, 6);
  });

  it('is the sum of many short welds along the way (line source)', () => {
    const plate = { thickness: 1, conductivity: 50, density: 7850, heat: 490, film: 12 };
    const [speed, power, ahead, beside] = [5, 800, -25, 8];
    const step = 0.02;
    let sum = 0;
    // Heat that was put in t seconds ago lies speed·t behind the arc.
    for (let t = step / 2; t < 400; t += step)
      sum += lineSource({
        ...plate,
        energy: power * step,
        distance: Math.hypot(ahead + speed * t, beside),
        time: t,
      }).rise;
    expect(movingSource({ ...plate, power, speed, ahead, beside }).rise / sum).toBeCloseTo(1, 3);
  });

  it('is warmest behind the arc, and refuses the arc itself and a plate that never settles', () => {
    const at = (ahead: number) => movingSource({ power: 700, speed: 5, thickness: 0.9, ahead, beside: 5 }).rise;
    expect(at(-20)).toBeGreaterThan(at(20) * 10);
    expect(() => movingSource({ power: 700, speed: 5, thickness: 0.9, ahead: 0, beside: 0 })).toThrow(
      expect.objectContaining({ code: 'at-the-source' }),
    );
    expect(() => movingSource({ power: 700, speed: 0, film: 0, thickness: 0.9, ahead: 5, beside: 0 })).toThrow(
      expect.objectContaining({ code: 'never-steady' }),
    );
  });
});

describe('weld.field', () => {
  const sheet: FieldInput = {
    width: 400,
    height: 400,
    cell: 2,
    thickness: 1,
    material: { conductivity: 50, density: 7850, heat: 490 },
    film: 12,
    stitches: [{ start: [200, 200], end: [200, 200], at: 0, duration: 0.2, energy: 1000 }],
    probes: [
      [200, 200],
      [220, 200],
      [240, 230],
    ],
    times: [20, 60],
  };

  // On a plate that is large enough the line source is the exact answer (Carslaw & Jaeger §10.3).
  it('reaches the line source on a large plate', () => {
    const { rise } = field(sheet);
    for (const [p, distance] of [0, 20, 50].entries())
      for (const [t, time] of sheet.times.entries()) {
        const exact = lineSource({
          energy: 1000,
          thickness: 1,
          conductivity: 50,
          density: 7850,
          heat: 490,
          film: 12,
          distance,
          time: time - 0.1,
        }).rise;
        expect(Math.abs(rise[p]![t]! - exact)).toBeLessThan(0.012 * exact + 0.05);
      }
  });

  it('keeps energy: put in = held + lost, with gap, copper and loss', () => {
    fc.assert(
      fc.property(
        num(0, 60),
        num(0.5, 2),
        fc.boolean(),
        fc.boolean(),
        fc.array(fc.tuple(num(10, 90), num(10, 60), num(0, 20), num(0, 4), num(10, 2000)), {
          minLength: 1,
          maxLength: 6,
        }),
        (film, thickness, gap, copper, given) => {
          const found = field({
            width: 100,
            height: 70,
            cell: 2.5,
            thickness,
            film,
            stitches: given.map(([u, v, at, duration, energy]) => ({
              start: [u, v],
              end: [Math.min(100, u + 9), v],
              at,
              duration,
              energy,
            })),
            ...(gap
              ? {
                  gap: {
                    ring: [
                      [10, 35],
                      [90, 35],
                      [90, 66],
                      [10, 66],
                    ] as Point[],
                    width: 1,
                  },
                }
              : {}),
            ...(copper
              ? {
                  backing: [
                    {
                      ring: [
                        [20, 20],
                        [60, 20],
                        [60, 50],
                        [20, 50],
                      ] as Point[],
                      thickness: 5,
                    },
                  ],
                }
              : {}),
            probes: [[50, 30]],
            times: [5, 40],
          });
          const { put, held, lost } = found.energy;
          const inAll = given.reduce((sum, stitch) => sum + stitch[4], 0);
          expect(put / inAll).toBeCloseTo(1, 6);
          expect((held + lost) / put).toBeCloseTo(1, 6);
          expect(found.rise.flat().every(Number.isFinite)).toBe(true);
          // Without copper the mean rise is the energy held.
          if (!copper) expect((found.meanRise[1]! * thickness * 100 * 70 * 7850 * 490) / 1e9 / held).toBeCloseTo(1, 2);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('the open joint insulates until it is welded', () => {
    const ring: Point[] = [
      [0, 60],
      [200, 60],
      [200, 200],
      [0, 200],
    ];
    const given: FieldInput = {
      width: 200,
      height: 120,
      cell: 2,
      thickness: 1,
      stitches: [{ start: [100, 40], end: [110, 40], at: 0, duration: 2, energy: 2000 }],
      gap: { ring, width: 1 },
      probes: [
        [105, 54],
        [105, 66],
      ],
      times: [30],
    };
    const open = field(given).rise;
    expect(open[1]![0]).toBe(0);
    expect(open[0]![0]).toBeGreaterThan(5);
    // A stitch without heat closes it: from then on it conducts.
    const closed = field({
      ...given,
      stitches: [...given.stitches, { start: [60, 60], end: [150, 60], at: 0, duration: 1, energy: 0 }],
    }).rise;
    expect(closed[1]![0]).toBeGreaterThan(2);
    const later = field({
      ...given,
      stitches: [...given.stitches, { start: [60, 60], end: [150, 60], at: 25, duration: 1, energy: 0 }],
    }).rise;
    expect(later[1]![0]).toBeLessThan(closed[1]![0]!);
  });

  it('a stitch on the joint warms both sides alike, and copper keeps the place cooler (T-14)', () => {
    const given: FieldInput = {
      width: 120,
      height: 120,
      cell: 2,
      thickness: 0.9,
      stitches: [{ start: [54, 60], end: [66, 60], at: 0, duration: 2, energy: 1500 }],
      gap: {
        ring: [
          [10, 60],
          [110, 60],
        ],
        width: 1,
      },
      probes: [
        [60, 51],
        [60, 69],
      ],
      times: [4],
    };
    const bare = field(given).rise;
    expect(bare[0]![0]! / bare[1]![0]!).toBeCloseTo(1, 6);
    const backed = field({
      ...given,
      backing: [
        {
          ring: [
            [40, 40],
            [80, 40],
            [80, 80],
            [40, 80],
          ],
          thickness: 6,
        },
      ],
    }).rise;
    expect(backed[0]![0]).toBeLessThan(bare[0]![0]! / 2);
  });

  it('tells progress and can be stopped', () => {
    const seen: number[] = [];
    field(sheet, (share) => seen.push(share));
    expect(seen.at(-1)).toBeCloseTo(1, 6);
    expect(() =>
      field(sheet, () => {
        throw new Error('stopped');
      }),
    ).toThrow('stopped');
  });

  it.each([
    [{ cell: 0.1 }, 'cell'],
    [{ width: Number.NaN }, 'width'],
    [{ stitches: [{ start: [500, 0], end: [0, 0], at: 0, duration: 1, energy: 1 }] }, 'stitches[0].start[0]'],
    [{ stitches: [{ start: [0, 0], end: [0, 0], at: -1, duration: 1, energy: 1 }] }, 'stitches[0].at'],
    [{ times: [] }, 'times'],
    [{ times: [1e6], stitches: [] }, 'cell'],
  ])('refuses by field (%#)', (bad, name) => {
    expect(() => field({ ...sheet, ...bad } as never)).toThrow(expect.objectContaining({ field: name }));
  });
});

describe('weld.plugs', () => {
  // T-10: 5 mm holes every 32 to 38 mm in thin sheet, 8 mm every 50 mm in thicker; T-11: from the centre outwards.
  it('drills evenly, keeps both ends and starts in the centre', () => {
    const thin = plugs({ length: 480, thickness: 0.9, endMargin: 15 });
    expect(thin.hole).toBe(5);
    expect(thin.pitch).toBeGreaterThan(32);
    expect(thin.pitch).toBeLessThanOrEqual(38);
    expect([thin.positions[0], thin.positions.at(-1)]).toEqual([15, 465]);
    const away = thin.order.map((i) => Math.abs(thin.positions[i]! - 240));
    expect(away).toEqual([...away].sort((a, b) => a - b));
    expect(plugs({ length: 480, thickness: 2, endMargin: 15 }).hole).toBe(8);
  });
  // ISO 14373 (memory): nugget 4√t to 5√t; 5 mm at 1 mm sheet.
  it('asks for a nugget by the sheet', () => {
    expect(plugs({ length: 100, thickness: 1, endMargin: 10 }).nugget).toEqual({ least: 4, usual: 5 });
  });
  it('takes one plug for a tab, and refuses margins that meet', () => {
    expect(plugs({ length: 22, thickness: 1, endMargin: 10 })).toMatchObject({ positions: [11], pitch: null });
    expect(() => plugs({ length: 20, thickness: 1, endMargin: 11 })).toThrow(
      expect.objectContaining({ field: 'endMargin' }),
    );
  });
});

describe('distortion and sequence', () => {
  const row = (order: readonly number[], temperature = 30) =>
    order.map((k) => ({ at: [k * 20, 0] as Point, length: 13, temperature }));

  // Blodgett (memory): transverse shrinkage 0.10·A_w/t. Timoshenko: k·π²E/(12(1−ν²))·(t/b)², about 6.7 MPa for 0.9 mm on 300 mm.
  it('has the shrinkage and buckling stress of the handbooks', () => {
    const { shrinkage, buckling } = distortion({ stitches: row([0, 1, 2]), thickness: 0.9, weldArea: 1.8, width: 300 });
    expect(shrinkage).toBeCloseTo(0.2, 9);
    expect(buckling).toBeCloseTo(6.74, 1);
  });

  it('is worse when run from one end to the other, and worse when hot', () => {
    const index = (order: readonly number[], t = 30) =>
      distortion({ stitches: row(order, t), thickness: 0.9, width: 300 }).index;
    expect(index([0, 1, 2, 3, 4, 5, 6])).toBeGreaterThan(index([3, 0, 6, 1, 5, 2, 4]));
    expect(index([3, 0, 6, 1, 5, 2, 4], 150)).toBeGreaterThan(index([3, 0, 6, 1, 5, 2, 4], 30));
  });

  const input: WeldInput = {
    seams: [
      {
        points: [
          [0, 0],
          [300, 0],
          [300, 120],
        ],
        closed: false,
      },
    ],
    process: 'mig',
    thickness: 0.9,
  };

  it('coolest is never slower than skip under the same limit, and never starts too hot', () => {
    fc.assert(
      fc.property(num(80, 420), num(30, 160), num(0.7, 2), num(35, 90), (a, b, thickness, handWarm) => {
        const given: WeldInput = {
          ...input,
          seams: [
            {
              points: [
                [0, 0],
                [a, 0],
                [a, b],
              ],
              closed: false,
            },
          ],
          thickness,
          handWarm,
        };
        const coolest = planWelds({ ...given, strategy: 'coolest' });
        expect(coolest.totalTime).toBeLessThanOrEqual(planWelds({ ...given, strategy: 'skip' }).totalTime + 1e-6);
        expect(coolest.hottestStart).toBeLessThanOrEqual(handWarm + 1e-9);
      }),
      { numRuns: 15 },
    );
  }, 60_000);

  it('keeps both sides of the car even', () => {
    const side = (v: number, name: 'left' | 'right') => ({
      points: [
        [0, v],
        [400, v],
      ] as Point[],
      closed: false,
      side: name,
    });
    const plan = planWelds({ ...input, seams: [side(0, 'left'), side(1200, 'right')] });
    let ahead = 0;
    for (const step of plan.steps.filter(({ kind }) => kind === 'stitch')) {
      ahead += (step.seam === 0 ? 1 : -1) * Math.abs(step.from![0] - step.to![0]);
      expect(Math.abs(ahead)).toBeLessThan(90);
    }
  });

  it('welds position by position and says when the car is turned', () => {
    const plan = planWelds({
      ...input,
      seams: [
        { ...input.seams[0]!, position: 'overhead' },
        {
          points: [
            [0, 300],
            [200, 300],
          ],
          closed: false,
          position: 'flat',
        },
      ],
    });
    const turns = plan.steps.filter(({ kind }) => kind === 'turn');
    expect(turns).toHaveLength(1);
    expect(turns[0]!.text).toMatch(/flat/);
    const seams = plan.steps.filter(({ kind }) => kind === 'stitch').map(({ seam }) => seam);
    expect(seams).toEqual([...seams].sort((a, b) => a - b));
    expect(plan.steps.every((step, i) => i === 0 || step.start >= plan.steps[i - 1]!.start)).toBe(true);
  });
});
