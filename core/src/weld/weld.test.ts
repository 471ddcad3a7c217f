import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between, circle, type Point } from '../geometry/index.ts';
import { cooling, heatInput, lineSource, planWelds, settings, tacks, type Strategy, type WeldInput } from './index.ts';

describe('weld.lineSource', () => {
  const plate = { thickness: 1, conductivity: 50, density: 7850, heat: 490, film: 0 };

  // Closed form (Carslaw & Jaeger §10.3): at r = 0, rise = E/(4πk·d·t).
  it('agrees with the closed form at the source', () => {
    expect(lineSource({ ...plate, energy: 1000, distance: 0, time: 10 }).rise).toBeCloseTo(
      1000 / (4 * Math.PI * 50 * 0.001 * 10),
      9,
    );
  });

  // Relation that must hold: at r, the greatest rise is E/(πe·ρc·d·r²), at t = r²/4a.
  it('peaks when and as high as the closed form says', () => {
    const a = 50 / (7850 * 490);
    const r = 0.02;
    const peak = lineSource({ ...plate, energy: 1000, distance: 20, time: (r * r) / (4 * a) }).rise;
    expect(peak).toBeCloseTo(1000 / (Math.PI * Math.E * 7850 * 490 * 0.001 * r * r), 6);
    for (const factor of [0.8, 1.25])
      expect(lineSource({ ...plate, energy: 1000, distance: 20, time: (factor * r * r) / (4 * a) }).rise).toBeLessThan(
        peak,
      );
  });

  it('holds all its energy without loss, and exp(−2ht/ρcd) of it with loss', () => {
    const held = (film: number, time: number) => {
      let joules = 0;
      for (let r = 0.5; r < 1500; r += 1)
        joules +=
          lineSource({ ...plate, film, energy: 1000, distance: r, time }).rise *
          2 *
          Math.PI *
          r *
          1e-6 *
          0.001 *
          7850 *
          490;
      return joules;
    };
    expect(held(0, 60)).toBeCloseTo(1000, 1);
    expect(held(12, 60)).toBeCloseTo(1000 * Math.exp((-2 * 12 * 60) / (7850 * 490 * 0.001)), 1);
  });

  it.each([
    [{ time: 0 }, 'time'],
    [{ thickness: 0 }, 'thickness'],
    [{ energy: Number.NaN }, 'energy'],
    [{ distance: -1 }, 'distance'],
  ])('refuses %o', (bad, field) => {
    expect(() => lineSource({ ...plate, energy: 1, distance: 1, time: 1, ...bad })).toThrow(
      expect.objectContaining({ field }),
    );
  });
});

describe('weld.settings, heatInput and cooling', () => {
  // Common practice, no published source: 1 A for each 0.001 in of sheet, seam a fifth less (T-06).
  it('sets about 40 A for a millimetre and a fifth less for the seam', () => {
    expect(settings({ process: 'mig', thickness: 1 })).toMatchObject({ tackCurrent: 40, seamCurrent: 32, filler: 0.6 });
    expect(settings({ process: 'mig', thickness: 1, position: 'overhead' }).tackCurrent).toBeLessThan(40);
  });

  // EN 1011-1: Q = k·U·I/(v·1000) with k = 0.8 (MAG) and 0.6 (TIG): 24 V, 200 A, 5 mm/s → 0.768 kJ/mm.
  it('agrees with EN 1011-1', () => {
    expect(heatInput({ process: 'mig', volts: 24, amps: 200, speed: 5 }).heatInput).toBeCloseTo(0.768, 9);
    expect(heatInput({ process: 'tig', volts: 12, amps: 100, speed: 2 }).heatInput).toBeCloseTo(0.36, 9);
  });

  // EN 1011-2, D.6 worked with its own formula: Q = 0.5 kJ/mm, d = 6 mm, T0 = 20 °C, F2 = 1.
  it('agrees with EN 1011-2 in two dimensions', () => {
    const expected = (4300 - 86) * 1e5 * (0.25 / 36) * (1 / 480 ** 2 - 1 / 780 ** 2);
    expect(cooling({ heatInput: 0.5, thickness: 6, preheat: 20 }).t85).toBeCloseTo(expected, 9);
    expect(cooling({ heatInput: 0.5, thickness: 6, preheat: 20 }).t85).toBeCloseTo(7.89, 1);
  });

  it('refuses what cannot be', () => {
    expect(() => settings({ process: 'forge' as never, thickness: 1 })).toThrow(/mig/);
    expect(() => settings({ process: 'mig', thickness: 0.1 })).toThrow(/at least 0.5/);
    expect(() => cooling({ heatInput: 1, thickness: 1, preheat: 600 })).toThrow(/preheat/);
  });
});

describe('weld.tacks', () => {
  it('goes end, end, middle, then halves (T-07)', () => {
    expect(tacks({ seam: 100, pitch: 25 }).tacks).toEqual([
      { order: 1, at: 0 },
      { order: 2, at: 100 },
      { order: 3, at: 50 },
      { order: 4, at: 25 },
      { order: 5, at: 75 },
    ]);
  });

  it('starts a closed seam at opposite corners and does not tack the start twice', () => {
    const { tacks: places } = tacks({ seam: 400, pitch: 50, closed: true });
    expect(places.slice(0, 4).map((tack) => tack.at)).toEqual([0, 200, 100, 300]);
    expect(new Set(places.map((tack) => tack.at)).size).toBe(places.length);
    expect(places).toHaveLength(8);
  });

  it('never leaves a gap wider than the pitch, and never repeats a place', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 3000, noNaN: true }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.boolean(),
        (length, pitch, closed) => {
          const places = tacks({ seam: length, pitch, closed })
            .tacks.map((tack) => tack.at)
            .sort((a, b) => a - b);
          const ends = closed ? [...places, length] : places;
          for (let i = 1; i < ends.length; i++) {
            expect(ends[i]! - ends[i - 1]!).toBeGreaterThan(0);
            expect(ends[i]! - ends[i - 1]!).toBeLessThanOrEqual(pitch + 1e-6);
          }
        },
      ),
    );
  });
});

describe('weld.sequence', () => {
  const square: Point[] = [
    [0, 0],
    [120, 0],
    [120, 120],
    [0, 120],
  ];
  const plan = (over: Partial<WeldInput> = {}) =>
    planWelds({ seams: [{ points: square, closed: true }], process: 'mig', thickness: 0.9, ...over });

  it('welds the whole joint once: stitches add up to the seam', () => {
    const { steps, seamLength } = plan();
    const welded = steps.filter((step) => step.kind === 'stitch').reduce((sum, step) => sum + step.duration * 5, 0);
    expect(welded).toBeCloseTo(480, 6);
    expect(seamLength).toBe(480);
    expect(steps.map((step) => step.n)).toEqual(steps.map((_, i) => i + 1));
  });

  it.each<Strategy>(['coolest', 'skip', 'backstep', 'continuous'])(
    '%s never starts on metal that is not hand-warm',
    (strategy) => {
      expect(plan({ strategy }).hottestStart).toBeLessThanOrEqual(50);
    },
  );

  it('by the coolest place takes no longer than skipping, and waits less than running on', () => {
    expect(plan().totalTime).toBeLessThanOrEqual(plan({ strategy: 'skip' }).totalTime);
    expect(plan().waitTime).toBeLessThan(plan({ strategy: 'continuous' }).waitTime / 2);
  });

  it('never welds two neighbours in a row while they are hot', () => {
    const stitches = plan().steps.filter((step) => step.kind === 'stitch');
    stitches.slice(1).forEach((step, i) => {
      if (between(step.from!, stitches[i]!.to!) < 13) expect(step.temperature!).toBeLessThanOrEqual(50);
    });
    const apart = stitches.slice(1).filter((step, i) => between(step.from!, stitches[i]!.to!) > 40).length;
    expect(apart).toBeGreaterThan(stitches.length / 2);
  });

  it('welds each stitch back to the previous tack or weld', () => {
    const open = planWelds({
      seams: [
        {
          points: [
            [0, 0],
            [200, 0],
          ],
          closed: false,
        },
      ],
      process: 'mig',
      thickness: 1,
    });
    const done = new Set(
      [...open.steps].filter((step) => step.kind === 'tack').map((step) => step.from![0].toFixed(3)),
    );
    for (const step of open.steps.filter((candidate) => candidate.kind === 'stitch')) {
      expect(done.has(step.to![0].toFixed(3))).toBe(true);
      done.add(step.from![0].toFixed(3));
    }
  });

  it('waits less in thicker sheet only as the formula says, and longer for a lower limit', () => {
    expect(plan({ handWarm: 40 }).totalTime).toBeGreaterThan(plan({ handWarm: 70 }).totalTime);
  });

  it('plans any small joint without hanging or NaN', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 150, noNaN: true }),
        fc.constantFrom('mig' as const, 'tig' as const),
        fc.double({ min: 0.6, max: 2, noNaN: true }),
        (radius, process, thickness) => {
          const result = planWelds({ seams: [{ points: circle([0, 0], radius), closed: true }], process, thickness });
          expect(Number.isFinite(result.totalTime)).toBe(true);
          expect(result.hottestStart).toBeLessThanOrEqual(50);
        },
      ),
      { numRuns: 12 },
    );
  });

  it.each([
    [{ seams: [] }, 'seams'],
    [
      {
        seams: [
          {
            points: [
              [0, 0],
              [1, 0],
            ],
            closed: false,
          },
        ],
      },
      'seams[0].points',
    ],
    [{ handWarm: 10 }, 'handWarm'],
    [{ strategy: 'random' }, 'strategy'],
    [{ pitch: 1 }, 'pitch'],
  ])('refuses %o', (bad, field) => {
    expect(() => plan(bad as never)).toThrow(expect.objectContaining({ field }));
  });
});

describe('welder settings by material', () => {
  // Common practice, no published source (T-47): gases and polarity.
  it.each([
    ['mig', 'steel', 'DC+', /carbon dioxide/],
    ['tig', 'steel', 'DC-', /^argon$/],
    ['tig', 'aluminium', 'AC', /^pure argon$/],
    ['tig', 'stainless', 'DC-', /on the back/],
    ['mig', 'zinc', 'DC+', /carbon dioxide/],
  ] as const)('%s on %s: %s', (process, material, polarity, gas) => {
    const set = settings({ process, material, thickness: 1.2 });
    expect(set.polarity).toBe(polarity);
    expect(set.gas).toMatch(gas);
  });
  it('have no current for flame and spots', () => {
    expect(settings({ process: 'gas', thickness: 0.9 })).toMatchObject({
      tackCurrent: null,
      polarity: null,
      gas: /neutral/,
    });
    // ISO 14373, 4√t to 5√t (memory): 1.0 mm gives 4 to 5 mm.
    expect(settings({ process: 'spot', thickness: 1 }).notes[0]).toMatch(/4\.0 to 5\.0 mm/);
  });
  it('follow the thinner of two sheets', () => {
    const one = settings({ process: 'mig', thickness: 0.9 });
    expect(settings({ process: 'mig', thickness: 1.5, other: 0.9 })).toMatchObject({ tackCurrent: one.tackCurrent });
    expect(settings({ process: 'mig', thickness: 0.9, other: 1.5 }).notes.join(' ')).toMatch(/thicker sheet/);
  });
  it.each([
    [{ process: 'spot', material: 'aluminium', thickness: 1 }, /rivets/],
    [{ process: 'gas', material: 'zinc', thickness: 1 }, /fumes/],
    [{ process: 'gas', material: 'stainless', thickness: 1 }, /carbon/],
    [{ process: 'mig', material: 'aluminium', thickness: 1 }, /TIG on AC/],
    [{ process: 'spot', thickness: 4 }, /plug/],
    [{ process: 'mig', thickness: 0.8, other: 3 }, /burns away/],
  ] as const)('refuse what cannot be joined, in words: %o', (input, words) =>
    expect(() => settings(input)).toThrow(
      expect.objectContaining({ code: 'cannot-be-welded', message: expect.stringMatching(words) }),
    ),
  );
  it('aluminium takes the heat away faster than steel, and a plan knows the workshop', () => {
    const seams = [
      {
        points: [
          [0, 0],
          [200, 0],
        ] as const,
        closed: false,
      },
    ];
    const plan = (over: object) => planWelds({ seams, process: 'tig', thickness: 1.5, strategy: 'coolest', ...over });
    expect(plan({ material: 'aluminium' }).settings.polarity).toBe('AC');
    const [cold, warm] = [plan({ ambient: 5 }), plan({ ambient: 35 })];
    expect(cold.waitTime).toBeLessThan(warm.waitTime);
    expect(warm.steps.find((step) => step.kind === 'tack')!.temperature).toBeCloseTo(35, 6);
  });
  it('a line source says where it says nothing', () => {
    expect(lineSource({ energy: 1500, thickness: 0.9, distance: 0, time: 0.1 }).holds).toBe(false);
    expect(lineSource({ energy: 1500, thickness: 0.9, distance: 20, time: 30 }).holds).toBe(true);
  });
});
