import { describe, expect, it } from 'vitest';
import { bodyPlan, layerOf, panelOf, sheetOf } from './index.ts';

const plan = bodyPlan('saloon');

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
