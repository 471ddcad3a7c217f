import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf } from '../body/index.ts';
import { area, boxOf, inPolygon, inRing, type Point } from '../geometry/index.ts';
import { weldableLimit } from '../survey/index.ts';
import { goneOn, LEVELS, practiceCar, practiceReading, scorePractice, shareAt, type PracticeAnswer } from './index.ts';

const CARS = bodyPlans().flatMap((plan) => LEVELS.map((level) => practiceCar({ plan: plan.id, level, seed: 11 })));
const hoursOf = (car: (typeof CARS)[number]) =>
  Object.fromEntries(car.panels.map(({ panel }) => [panel, { patch: 4, whole: 10, drawn: 4 }]));
/** Marks exactly what is gone. */
const perfect = (car: (typeof CARS)[number]): PracticeAnswer[] =>
  car.panels.map((own) => {
    const gone = goneOn(bodyPlan(car.plan), own);
    return { panel: own.panel, choice: gone.length > 0 ? 'patch' : 'sound', zones: gone.map(([ring]) => ring!) };
  });
const score = (car: (typeof CARS)[number], answers: readonly PracticeAnswer[], readings = 0) =>
  scorePractice({ car, plan: bodyPlan(car.plan), answers, hours: hoursOf(car), readings });

describe('a made-up car', () => {
  it('is the same by the same seed, another by another, on all bodies and levels, and never without damage', () => {
    for (const car of CARS) {
      expect(practiceCar(car)).toEqual(car);
      expect(practiceCar({ ...car, seed: 12 })).not.toEqual(car);
      const plan = bodyPlan(car.plan);
      expect(
        car.panels.some((own) => goneOn(plan, own).length > 0),
        `${car.plan} ${car.level}`,
      ).toBe(true);
      expect(new Set(car.panels.map(({ panel }) => panel)).size).toBe(car.panels.length);
    }
  });

  it('has gone, as it is drawn, exactly where its metal is too thin to weld to', () => {
    for (const car of CARS) {
      const plan = bodyPlan(car.plan);
      for (const own of car.panels) {
        const panel = panelOf(plan, own.panel);
        const { thickness } = panel.layers[0]!;
        const limit = weldableLimit(thickness) / thickness;
        const gone = goneOn(plan, own);
        const { maxU, maxV } = boxOf(panel.outline);
        for (let i = 1; i < 12; i++)
          for (let k = 1; k < 12; k++) {
            const p: Point = [(maxU * i) / 12, (maxV * k) / 12];
            if (!inRing(p, panel.outline) || Math.abs(shareAt(own, p) - limit) < 0.02) continue;
            expect(gone.some((polygon) => inPolygon(p, polygon))).toBe(shareAt(own, p) < limit);
          }
      }
    }
  });

  it('is read with a spread around the truth, the same again for the same question; beside the panel it is refused', () => {
    const [car] = CARS as [(typeof CARS)[number]];
    const [own] = car.panels as [(typeof car.panels)[number]];
    const panel = panelOf(bodyPlan(car.plan), own.panel);
    const at = own.spots[0]!.at;
    const read = (n: number) => practiceReading(car, { panel: own.panel, at, gauge: 'metal', n });
    const all = Array.from({ length: 200 }, (_, n) => read(n));
    const mean = all.reduce((sum, x) => sum + x, 0) / all.length;
    expect(mean).toBeCloseTo(panel.layers[0]!.thickness * shareAt(own, at), 1);
    expect(read(3)).toBe(read(3));
    expect(new Set(all).size).toBeGreaterThan(100);
    expect(() => practiceReading(car, { panel: own.panel, at: [-500, 0], gauge: 'metal', n: 0 })).toThrow(/not lie on/);
    expect(() => practiceReading(car, { panel: 'no-such', at, gauge: 'metal', n: 0 })).toThrow(/not part/);
  });
});

describe('the score', () => {
  it('is full for a plan that knows the truth; nothing does better', () => {
    for (const car of CARS) {
      const best = score(car, perfect(car));
      expect(best.points, `${car.plan} ${car.level}`).toBe(100);
      for (const choice of ['sound', 'patch', 'whole'] as const) {
        const other = score(
          car,
          car.panels.map(({ panel }) => ({ panel, choice, zones: [] })),
        );
        expect(other.points).toBeLessThanOrEqual(best.points);
      }
    }
  });

  it('falls with what is missed, with what is cut without need, and with readings beyond those allowed', () => {
    const [car] = CARS as [(typeof CARS)[number]];
    const sick = car.panels.find((own) => goneOn(bodyPlan(car.plan), own).length > 0)!;
    const told = perfect(car);
    const without = score(
      car,
      told.map((one) => (one.panel === sick.panel ? { ...one, choice: 'sound' as const, zones: [] } : one)),
    );
    expect(without.points).toBeLessThan(100);
    expect(without.panels.find(({ panel }) => panel === sick.panel)).toMatchObject({ best: 'patch', found: 0 });
    expect(without.panels.find(({ panel }) => panel === sick.panel)!.lesson).toMatch(/comes back under new paint/);
    const whole = score(
      car,
      told.map((one) => (one.panel === sick.panel ? { ...one, choice: 'whole' as const } : one)),
    );
    expect(whole.panels.find(({ panel }) => panel === sick.panel)!.lost).toBeCloseTo(6, 6);
    const greedy = score(car, told, car.readings + 100);
    expect(greedy.over).toBe(100);
    expect(greedy.points).toBeLessThan(100);
    const half = score(
      car,
      told.map((one) =>
        one.panel === sick.panel
          ? { ...one, zones: one.zones.map((ring) => ring.map(([u, v]): Point => [u + 40, v])) }
          : one,
      ),
    );
    const own = half.panels.find(({ panel }) => panel === sick.panel)!;
    expect(own.found).toBeLessThan(1);
    expect(own.gone).toBeCloseTo(
      goneOn(bodyPlan(car.plan), sick).reduce((sum, one) => sum + area(one), 0),
      3,
    );
  });
});
