import { describe, expect, it } from 'vitest';
import { bodyPlans, sheetOf, type BodyPlan, type Panel } from '../body/index.ts';
import { cutPanelOf, lineAround } from '../cut/index.ts';
import { area, boxOf, clip, type Ring } from '../geometry/index.ts';
import { uniforms } from '../random.ts';
import { closedJoints, meanHours, pieceJoints } from '../repair/index.ts';
import { elementsOf } from './index.ts';

/* A line that knows what its edges cost, held against one for which they cost nothing: by the hours of the verdict. */
const next = uniforms(7);
/** mm². Less of it on the sheet is no damage to speak of. */
const LEAST = 500;

/** Damage somewhere on a panel, a tenth to a half of it each way. */
function damageOn(panel: Panel): Ring {
  const { minU, minV, maxU, maxV } = boxOf(panel.outline);
  const [w, h] = [(maxU - minU) * (0.1 + 0.4 * next()), (maxV - minV) * (0.1 + 0.4 * next())];
  const [u, v] = [minU + next() * (maxU - minU - w), minV + next() * (maxV - minV - h)];
  return [
    [u, v],
    [u + w, v],
    [u + w, v + h],
    [u, v + h],
  ];
}

/** Hours of a patch, as the verdict counts them. */
function hoursOf(plan: BodyPlan, panel: Panel, ring: Ring, knowsEdges: boolean): number {
  const { edges, ...sheet } = cutPanelOf(plan, panel);
  const zones = [{ class: 'through' as const, ring }];
  const line = lineAround({ panel: knowsEdges ? { ...sheet, edges: edges! } : sheet, zones, margin: 20 });
  const [{ material }] = panel.layers as [Panel['layers'][number]];
  const work = elementsOf('patch', {
    panel: {
      ...panel,
      area: area(sheetOf(panel)),
      jointLength: 0,
      spotWelds: 0,
      joints: [],
      bolted: panel.fixing === 'bolted',
      thickness: 0.9,
      material,
    },
    zones: [
      {
        class: 'through',
        area: clip('intersection', [ring], sheetOf(panel)).area,
        patchPerimeter: line.cutLength,
        patchArea: line.area,
        toMount: null,
        joints: closedJoints(pieceJoints(plan, panel, line.outline), { visible: panel.visible }).filter(
          ({ kind }) => kind !== 'cut',
        ),
      },
    ],
    offer: null,
  });
  return work.reduce((sum, element) => sum + meanHours([element]), 0);
}

describe('a line that minds the edges', () => {
  it('takes fewer hours on the panels of all four bodies, and hardly ever more', () => {
    let [without, with_, more, tried] = [0, 0, 0, 0];
    for (const plan of bodyPlans())
      for (const panel of plan.panels) {
        const ring = damageOn(panel);
        if (clip('intersection', [ring], sheetOf(panel)).area < LEAST) continue;
        const [blind, minding] = [hoursOf(plan, panel, ring, false), hoursOf(plan, panel, ring, true)];
        tried++;
        without += blind;
        with_ += minding;
        if (minding > blind * 1.02) more++;
        // Where it takes more, a rectangle that is easier to mark was worth it, or a crease along which the sheet stays flat.
        expect(minding, `${plan.id} ${panel.id}`).toBeLessThan(blind * 1.25);
      }
    expect(tried).toBeGreaterThan(150);
    expect(with_).toBeLessThan(0.9 * without);
    expect(more / tried).toBeLessThan(0.05);
  });
});
