import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf } from '../body/index.ts';
import { area, type Ring } from '../geometry/index.ts';
import type { ZoneClass } from '../survey/index.ts';
import {
  closedJoints,
  closedWork,
  closingNotes,
  cutAndLeft,
  lineWork,
  lowEdge,
  meanHours,
  panelJoints,
  pieceJoints,
} from './index.ts';

/* Schools of the trade: how far is cut, how a weld is finished, the low edge of a hollow; common practice, no published source. */
describe('how far is cut', () => {
  const classes: ZoneClass[] = ['through', 'thin', 'pitted', 'missing', 'filler', 'old-repair', 'dent'];
  const zones = fc.array(fc.record({ class: fc.constantFrom(...classes) }), { minLength: 1, maxLength: 8 });

  it('never leaves what is through or too thin, and never nothing to cut (property)', () => {
    fc.assert(
      fc.property(zones, (all) => {
        expect(cutAndLeft(all, 'bright')).toEqual({ cut: all, left: [] });
        const { cut, left } = cutAndLeft(all, 'holes');
        expect(left.every((zone) => zone.class === 'pitted')).toBe(true);
        expect(cut.length).toBeGreaterThan(0);
        expect([...cut, ...left]).toHaveLength(all.length);
        // What must go is cut, whatever its class.
        expect(cutAndLeft(all, 'holes', () => true)).toEqual({ cut: all, left: [] });
        // Only where nothing but pitting was decided on is pitting cut.
        if (cut.some((zone) => zone.class === 'pitted'))
          expect(all.every((zone) => zone.class === 'pitted')).toBe(true);
      }),
    );
  });
});

describe('a seen weld that is worked until no filler is needed', () => {
  it('takes more than one that is levelled for filler, by its dressing alone; a hidden one the same', () => {
    const [level, metal] = (['filler', 'metal'] as const).map((finish) => lineWork(500, { visible: true, finish }));
    expect(metal!.map(({ name }) => name)).toEqual(['Mark and cut out', 'Tack and stitch', 'Metal-finish']);
    expect(meanHours(metal!)).toBeGreaterThan(meanHours(level!));
    expect(metal!.slice(0, 2)).toEqual(level!.slice(0, 2));
    expect(lineWork(500, { visible: false, finish: 'metal' })).toEqual(lineWork(500, { visible: false }));
  });

  it('never takes less, at the joints of any panel (property)', () => {
    const panels = bodyPlans().flatMap((plan) => plan.panels.map((panel) => ({ plan, panel })));
    fc.assert(
      fc.property(fc.constantFrom(...panels), fc.boolean(), fc.boolean(), ({ plan, panel }, visible, made) => {
        const joints = closedJoints(panelJoints(plan, panel), { visible });
        const hours = (finish: 'filler' | 'metal') => meanHours(closedWork(joints, { visible, made, finish }));
        if (visible) expect(hours('metal')).toBeGreaterThanOrEqual(hours('filler'));
        else expect(hours('metal')).toBe(hours('filler'));
      }),
    );
  });
});

describe('the low edge', () => {
  const saloon = bodyPlan('saloon');

  it('of a sill is as long as the sill, and a patch has as much of it as it reaches along', () => {
    const sill = panelOf(saloon, 'sill-l');
    const us = sill.outline.map(([u]) => u);
    const vs = sill.outline.map(([, v]) => v);
    const [left, right, bottom] = [Math.min(...us), Math.max(...us), Math.min(...vs)];
    expect(lowEdge(sill, panelJoints(saloon, sill))).toBeCloseTo(right - left, 0);
    const piece: Ring = [
      [left + 300, bottom],
      [left + 600, bottom],
      [left + 600, bottom + 60],
      [left + 300, bottom + 60],
    ];
    expect(area([piece])).toBe(300 * 60);
    expect(lowEdge(sill, pieceJoints(saloon, sill, piece))).toBeCloseTo(300, 6);
    // One that ends above it has none: its lower side is a cut.
    const above = piece.map(([u, v]): [number, number] => [u, v + 20]);
    expect(lowEdge(sill, pieceJoints(saloon, sill, above))).toBe(0);
  });

  it('is never longer than the panel, and what lies flat has none (property)', () => {
    for (const plan of bodyPlans())
      for (const panel of plan.panels) {
        const joints = panelJoints(plan, panel);
        const low = lowEdge(panel, joints);
        if (panel.view === 'floor' || panel.view === 'top') expect(low).toBe(0);
        const us = panel.outline.map(([u]) => u);
        const rim = joints.filter(({ name }) => !name.includes('lies'));
        // An edge runs up and down as well as along: by no more than the slope that still counts as down.
        expect(lowEdge(panel, rim)).toBeLessThanOrEqual((Math.max(...us) - Math.min(...us)) * 2);
      }
  });

  it('says at its joint how it drains', () => {
    const sill = panelOf(saloon, 'sill-l');
    const [joint] = closedJoints(panelJoints(saloon, sill), { visible: true });
    const notes = (low?: 'open' | 'shut') => closingNotes(joint!, { mounts: [], radius: 300, low });
    expect(notes('open').join()).toMatch(/no sealer from end to end here, so that water runs out/);
    expect(notes('shut').join()).toMatch(/keep every one of them open/);
    expect(notes()).toEqual([]);
  });
});
