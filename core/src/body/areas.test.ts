import { describe, expect, it } from 'vitest';
import { area, boxOf, clip, inPolygon, offset, type Point } from '../geometry/index.ts';
import { areaRulesOf } from './areaRules.ts';
import { areasOf, asOnCar, bodyPlan, bodyPlans, otherSideOf, panelOf, sheetOf, usualAreas } from './index.ts';

const panels = bodyPlans().flatMap((plan) =>
  plan.panels.map((panel) => [`${plan.id} ${panel.id}`, plan, panel] as const),
);
const saloon = bodyPlan('saloon');
const of = (id: string, layer?: string) => areasOf(saloon, panelOf(saloon, id), layer);

describe('what lies over and beside a sheet', () => {
  it.each(panels)('lies on the sheet and has a size: %s', (_name, plan, panel) => {
    for (const { outline, name } of areasOf(plan, panel)) {
      expect(name).not.toBe('');
      expect(area([outline])).toBeGreaterThan(100);
      const beyond = clip('difference', [outline], [offset([[panel.outline]], 0.1).polygons[0]![0]!]).area;
      expect(beyond).toBeLessThan(1);
    }
  });

  it.each(panels)('is there for every rule of its kind of panel: %s', (_name, plan, panel) => {
    const found = new Set(areasOf(plan, panel).map(({ name }) => name));
    for (const { name } of areaRulesOf(plan.id, panel)) expect(found).toContain(name);
  });

  it.each(panels.filter(([, plan, panel]) => otherSideOf(plan, panel)))(
    'is mirrored on the other side of the car: %s',
    (_name, plan, panel) => {
      const { panel: other, mirror } = otherSideOf(plan, panel)!;
      const [here, there] = [areasOf(plan, panel), areasOf(plan, other)].map((areas) =>
        areas.filter(({ name }) => !/lead/i.test(name)),
      );
      expect(there!.map(({ name }) => name).sort()).toEqual(here!.map(({ name }) => name).sort());
      for (const { name, outline } of here!) {
        const mirrored = outline.map(mirror);
        const overlaps = there!
          .filter((one) => one.name === name)
          .map((one) => clip('intersection', [mirrored], [one.outline]).area);
        expect(Math.max(...overlaps)).toBeCloseTo(area([outline]), -1);
      }
    },
  );

  it('stands where it is on such a car: glass around its opening, the bumper low at the nose, the tread plate on top', () => {
    const glass = of('door-skin-l')[0]!;
    const window = boxOf(panelOf(saloon, 'door-skin-l').holes.find(({ id }) => id === 'window')!.outline);
    expect(glass.kind).toBe('heat');
    expect(boxOf(glass.outline).minV).toBeCloseTo(window.minV - 50, 0);
    const bumper = of('front-panel').find(({ name }) => name === 'bumper')!;
    expect(boxOf(bumper.outline).maxV).toBeLessThan(200);
    const sill = panelOf(saloon, 'sill-l');
    const plate = of('sill-l').find(({ name }) => name === 'tread plate')!;
    const at: Point = [boxOf(sill.outline).maxU / 2, boxOf(sill.outline).maxV - 12];
    expect(inPolygon(at, [plate.outline])).toBe(true);
  });

  it('is trim on the outermost sheet alone; heat goes through', () => {
    expect(of('sill-l').map(({ kind }) => kind)).toContain('trim');
    expect(of('sill-l', 'inner').map(({ kind }) => kind)).not.toContain('trim');
    expect(of('pillar-l', 'inner').map(({ name }) => name)).toContain('windscreen and its seal');
  });

  it('takes in lead, and leaves out what this car has not', () => {
    expect(of('pillar-l').map(({ name }) => name)).toContain('Leaded joint');
    const without = { panels: { 'pillar-l': { without: ['windscreen and its seal'] } }, parts: [] };
    const out = asOnCar(saloon, without);
    const names = areasOf(out, panelOf(out, 'pillar-l')).map(({ name }) => name);
    expect(names).not.toContain('windscreen and its seal');
    expect(usualAreas(out, panelOf(out, 'pillar-l')).map(({ name }) => name)).toContain('windscreen and its seal');
  });

  it('leaves some of every panel plain', () => {
    for (const [, plan, panel] of panels) {
      const sheet = area(sheetOf(panel));
      for (const { outline, name } of areasOf(plan, panel))
        if (!/sound-deadening/.test(name))
          expect(clip('intersection', [outline], sheetOf(panel)).area / sheet).toBeLessThan(0.85);
    }
  });
});
