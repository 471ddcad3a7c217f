import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf } from '../body/index.ts';
import { inPolygon } from '../geometry/index.ts';
import { walkCoverage, walkRound } from './index.ts';

describe('walk-round', () => {
  const walk = (over: object = {}) =>
    walkRound({ plan: bodyPlan('saloon'), climate: 'wet', age: 60, past: [], ...over });

  it.each(bodyPlans().map((plan) => [plan.id, plan] as const))(
    '%s: every place lies on its sheet, once',
    (_id, plan) => {
      const places = walk({ plan });
      expect(places.length).toBeGreaterThan(40);
      expect(new Set(places.map((place) => place.id)).size).toBe(places.length);
      for (const place of places) {
        const panel = panelOf(plan, place.panel);
        expect(inPolygon(place.at, [panel.outline]), place.id).toBe(true);
        expect(place.lookFor.length).toBeGreaterThan(0);
        expect(place.risk).toBeGreaterThan(0);
        expect(place.risk).toBeLessThan(1);
      }
    },
  );

  it('looks at sills, mounts and hollows before the roof', () => {
    const places = walk();
    const rank = (id: string) => places.findIndex((place) => place.id.startsWith(id));
    expect(rank('sill-l/')).toBeLessThan(12);
    expect(places.slice(0, 20).every((place) => place.structural)).toBe(true);
    expect(rank('roof/') === -1 || rank('roof/') > 60).toBe(true);
  });

  it('follows the climate, the age and the past', () => {
    const risk = (id: string, over: object) => walk(over).find((place) => place.id === id)!.risk;
    const id = 'sill-l/low-left';
    expect(risk(id, { climate: 'coast' })).toBeGreaterThan(risk(id, { climate: 'dry' }));
    expect(risk(id, { age: 60 })).toBeGreaterThan(risk(id, { age: 10 }));
    expect(risk(id, { past: ['flooded'] })).toBeGreaterThan(risk(id, {}));
  });

  it('counts risky places for more', () => {
    const places = walk();
    const half = new Set(places.slice(0, places.length / 2).map((place) => place.id));
    expect(walkCoverage(places, new Set())).toBe(0);
    expect(walkCoverage(places, half)).toBeGreaterThan(0.5);
    expect(walkCoverage(places, new Set(places.map((place) => place.id)))).toBeCloseTo(1, 9);
  });
});
