import { describe, expect, it } from 'vitest';
import { boxOf } from '../geometry/index.ts';
import { panelJoints } from '../repair/index.ts';
import { asOnCar, bodyPlan, bodyPlans, checkFacts, edgesOf, panelOf, type AddedPart, type CarFacts } from './index.ts';

const none: CarFacts = { panels: {}, parts: [] };
const bracket: AddedPart = {
  ...{ id: 'part-1', name: 'Jack point', side: 'left', width: 120, height: 80, thickness: 2, material: 'steel' },
  ...{ structural: true, visible: false, edge: { kind: 'spot', pitch: 25, sheets: 2 } },
};

describe('what one car is, where it is not as its plan', () => {
  it('changes nothing where nothing is said, nor anything of other panels', () => {
    const plan = bodyPlan('saloon');
    expect(asOnCar(plan, null)).toBe(plan);
    expect(asOnCar(plan, none)).toBe(plan);
    const thick = asOnCar(plan, { ...none, panels: { roof: { visible: false } } });
    expect(panelOf(thick, 'roof').visible).toBe(false);
    expect(panelOf(thick, 'sill-l')).toBe(panelOf(plan, 'sill-l'));
    expect(asOnCar(plan, { ...none, panels: { 'no-such-panel': { visible: true } } }).panels).toEqual(plan.panels);
  });

  it('says an edge again: from then on its joints are those, the rest of the outline stays as it was', () => {
    const plan = bodyPlan('saloon');
    const panel = panelOf(plan, 'door-skin-l');
    const [hem] = edgesOf(plan, panel);
    const [a, b] = [hem!.line[0]!, hem!.line[1]!];
    const facts = { edges: [{ kind: 'spot' as const, pitch: 30, name: 'old repair', line: [a, b] }] };
    checkFacts(panel, facts);
    const car = asOnCar(plan, { ...none, panels: { 'door-skin-l': facts } });
    const joints = panelJoints(car, panelOf(car, 'door-skin-l'));
    expect(joints.map(({ kind }) => kind).sort()).toEqual(['hem', 'hem', 'hem', 'hem', 'spot']);
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    expect(joints.find(({ kind }) => kind === 'spot')).toMatchObject({
      name: 'old repair',
      fasteners: Math.max(1, Math.round(length / 30)),
    });
  });

  it('keeps the rules of its own body, also in a plan that a shop has made its own', () => {
    for (const plan of bodyPlans()) {
      const own = { ...plan, id: 'a shop’s own', base: plan.id };
      for (const panel of plan.panels) expect(edgesOf(own, panel)).toEqual(edgesOf(plan, panel));
    }
  });

  it('has parts that the plan lacks, beside everything else, with joints of their own', () => {
    for (const plan of bodyPlans()) {
      const car = asOnCar(plan, {
        ...none,
        parts: [bracket, { ...bracket, id: 'part-2', edge: { kind: 'bolt', pitch: 100 } }],
      });
      const panel = panelOf(car, 'part-1');
      expect(panelJoints(car, panel)).toMatchObject([{ kind: 'spot', length: 400, fasteners: 16 }]);
      expect(panelOf(car, 'part-2').fixing).toBe('bolted');
      const top = boxOf(panel.outline.map(([u, v]) => [u + panel.placement[0], v + panel.placement[1]])).maxV;
      for (const other of plan.panels)
        expect(
          boxOf(other.outline.map(([u, v]) => [u + other.placement[0], v + other.placement[1]])).minV,
        ).toBeGreaterThan(top);
      expect(car.views.at(-1)!.name).toBe('Added parts');
    }
  });

  it('refuses what no car is made of, at its field', () => {
    const panel = panelOf(bodyPlan('saloon'), 'roof');
    const wrong = (facts: Parameters<typeof checkFacts>[1], field: string) => {
      try {
        checkFacts(panel, facts);
        throw new Error('was taken');
      } catch (error) {
        expect((error as { field: string }).field).toBe(field);
      }
    };
    wrong({ layers: { outer: { thickness: 0, material: 'steel' } } }, 'layers.outer.thickness');
    wrong({ layers: { inside: { thickness: 1, material: 'steel' } } }, 'layers.inside');
    const middle: [number, number][] = [
      [400, 400],
      [500, 400],
    ];
    wrong({ edges: [{ kind: 'spot', name: 'x', line: middle }] }, 'edges[0].line');
    wrong({ edges: [{ kind: 'spot', pitch: 0, name: 'x', line: panel.outline.slice(0, 2) }] }, 'edges[0].pitch');
  });
});
