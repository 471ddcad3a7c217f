import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, meet, onePieceOf, triedWith } from './index.ts';

const saloon = bodyPlan('saloon');
const names = (id: string, plan = saloon) => triedWith(plan, id).map((panel) => panel.id);

describe('panels that lie at each other', () => {
  it.each(bodyPlans().map((plan) => [plan.id, plan] as const))('of the %s leave none alone', (_, plan) => {
    const alone = plan.panels.filter(
      (panel) =>
        !plan.panels.some((other) => other.id !== panel.id && meet(plan, panel.id, other.id)) &&
        triedWith(plan, panel.id).length === 0,
    );
    expect(alone.map(({ id }) => id)).toEqual([]);
  });

  it('meet by a seam, a hollow or a joint that is named, and both ways', () => {
    for (const [a, b] of [
      ['sill-l', 'quarter-l'],
      ['door-skin-l', 'door-inner-l'],
      ['inner-wing-r', 'slam-panel'],
    ] as const) {
      expect([meet(saloon, a, b), meet(saloon, b, a)]).toEqual([true, true]);
    }
    expect(meet(saloon, 'inner-wing-l', 'boot-floor')).toBe(false);
    // Across a gap nothing is joined; and the sides of the car stay apart.
    expect(meet(saloon, 'bonnet', 'slam-panel')).toBe(false);
    expect(meet(saloon, 'wheel-house-l', 'quarter-r')).toBe(false);
  });

  it('are tried together where a gap shows or one is bolted on', () => {
    expect(names('slam-panel')).toEqual(['bonnet']);
    expect(names('quarter-l')).toEqual(['door-skin-l', 'boot-lid']);
    expect(names('sill-l')).toEqual(expect.arrayContaining(['wing-l', 'door-skin-l']));
    expect(names('tunnel')).toEqual([]);
  });

  it('are those of all its members for one piece over several', () => {
    const piece = { id: 'floor', name: 'Floor', panels: ['floor-front-l', 'tunnel'] };
    const plan = { ...saloon, panels: [...saloon.panels, onePieceOf(saloon, piece)] };
    expect(meet(plan, 'floor', 'heel-board')).toBe(true);
  });
});
