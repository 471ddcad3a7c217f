import { describe, expect, it } from 'vitest';
import { perimeter } from '../geometry/index.ts';
import { bodyPlan, layerOf, panelJoints, panelOf, sheetOf } from './index.ts';

const plan = bodyPlan('saloon');

describe('the joints of a panel', () => {
  it('follow its seams at their own pitch and the rest of the edge at the usual one (T-10)', () => {
    const panel = panelOf(plan, 'floor-front-l');
    const { length, spots } = panelJoints(plan, panel);
    expect(length).toBeCloseTo(perimeter(panel.outline), 9);
    // 910 mm at 38, 490 mm at 40, the rest at 40.
    expect(spots).toBe(Math.round(910 / 38 + 490 / 40 + (length - 910 - 490) / 40));
  });

  it('are none where it is bolted on', () => {
    for (const id of ['wing-l', 'bonnet', 'boot-lid'])
      expect(panelJoints(plan, panelOf(plan, id))).toEqual({ length: 0, spots: 0 });
  });
});

describe('looking things up', () => {
  it('names what there is instead', () => {
    expect(() => bodyPlan('hovercraft')).toThrow(/choose one of: saloon/);
    expect(() => layerOf(panelOf(plan, 'sill-l'), 'skin')).toThrow(/outer, membrane, inner/);
  });

  it('cuts openings out of a sheet, and leaves small holes in', () => {
    expect(sheetOf(panelOf(plan, 'door-skin-l'))).toHaveLength(2);
    expect(sheetOf(panelOf(plan, 'sill-l'))).toHaveLength(1);
  });
});
