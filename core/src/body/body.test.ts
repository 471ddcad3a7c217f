import { describe, expect, it } from 'vitest';
import {
  area,
  boxOf,
  firstCrossing,
  inRing,
  lineLength,
  signedArea,
  toLine,
  toRing,
  type Point,
} from '../geometry/index.ts';
import { SEAM_MEETS } from '../tolerances.ts';
import { bodyPlans, panelOf, sheetOf } from './index.ts';

describe.each(bodyPlans().map((plan) => [plan.name, plan] as const))('%s', (_, plan) => {
  it('has at least 35 panels with unique names', () => {
    expect(plan.panels.length).toBeGreaterThanOrEqual(35);
    expect(new Set(plan.panels.map((panel) => panel.id)).size).toBe(plan.panels.length);
    expect(new Set(plan.panels.map((panel) => panel.name)).size).toBe(plan.panels.length);
  });

  it.each(plan.panels.map((panel) => [panel.id, panel] as const))(
    '%s: outline closed, simple, anticlockwise, everything on the sheet',
    (_id, panel) => {
      expect(firstCrossing(panel.outline)).toBeUndefined();
      expect(signedArea(panel.outline)).toBeGreaterThan(1000);
      const box = boxOf(panel.outline);
      expect([box.minU, box.minV]).toEqual([0, 0]);
      for (const hole of panel.holes) {
        expect(firstCrossing(hole.outline), hole.id).toBeUndefined();
        expect(
          hole.outline.every((p) => inRing(p, panel.outline)),
          `${hole.id} on ${panel.id}`,
        ).toBe(true);
      }
      const onSheet = (p: Point) => inRing(p, panel.outline) || toRing(p, panel.outline) < 25;
      for (const crease of panel.creases) expect(crease.line.every(onSheet), `${crease.id} on ${panel.id}`).toBe(true);
      for (const mount of panel.mounts)
        expect(inRing(mount.at, panel.outline), `${mount.id} on ${panel.id}`).toBe(true);
      expect(area(sheetOf(panel))).toBeGreaterThan(0);
      for (const layer of panel.layers) expect(layer.thickness).toBeGreaterThanOrEqual(0.6);
    },
  );

  it('mirrors left and right', () => {
    const rights = plan.panels.filter((panel) => panel.side === 'right');
    expect(rights.length).toBe(plan.panels.filter((panel) => panel.side === 'left').length);
    for (const right of rights) {
      const left = panelOf(plan, right.mirrorOf!.panel);
      const box = boxOf(left.outline);
      const flip = ([u, v]: Point): Point => (right.mirrorOf!.axis === 'u' ? [box.maxU - u, v] : [u, box.maxV - v]);
      for (const p of left.outline)
        expect(
          Math.min(...right.outline.map((q) => Math.hypot(flip(p)[0] - q[0], flip(p)[1] - q[1]))),
          right.id,
        ).toBeLessThan(1e-6);
      expect(right.layers).toEqual(left.layers);
    }
  });

  it('has seams that meet: each runs along an edge of both panels, equally long', () => {
    expect(plan.seams.length).toBeGreaterThan(4);
    for (const seam of plan.seams) {
      const [first, second] = seam.sides;
      expect(Math.abs(lineLength(first.line) - lineLength(second.line)), seam.id).toBeLessThan(SEAM_MEETS);
      for (const side of seam.sides) {
        const panel = panelOf(plan, side.panel);
        for (const p of side.line)
          expect(toRing(p, panel.outline), `${seam.id} on ${panel.id}`).toBeLessThan(SEAM_MEETS);
      }
      expect(seam.pitch).toBeGreaterThan(0);
    }
  });

  it('has cavities whose walls and drains exist', () => {
    for (const cavity of plan.cavities) {
      for (const wall of cavity.walls)
        expect(
          panelOf(plan, wall.panel).layers.map((layer) => layer.id),
          cavity.id,
        ).toContain(wall.layer);
      const drains = cavity.walls.flatMap((wall) =>
        panelOf(plan, wall.panel)
          .holes.filter((hole) => hole.kind === 'drain')
          .map((hole) => hole.id),
      );
      for (const drain of cavity.drains) expect(drains).toContain(drain);
    }
  });

  it('does not lay one panel over another', () => {
    const boxes = plan.panels.map((panel) => ({ panel, at: panel.placement }));
    for (const a of boxes)
      for (const b of boxes) {
        if (a.panel.id >= b.panel.id) continue;
        const inside = a.panel.outline.filter((p) => {
          const q: Point = [p[0] + a.at[0] - b.at[0], p[1] + a.at[1] - b.at[1]];
          return inRing(q, b.panel.outline) && toLine(q, [...b.panel.outline, b.panel.outline[0]!]) > 6;
        });
        expect(inside.length, `${a.panel.id} over ${b.panel.id}`).toBe(0);
      }
  });
});

describe('saloon', () => {
  const plan = bodyPlans()[0]!;
  // Proportions that the plan was drawn to.
  it('keeps its proportions', () => {
    const size = (id: string) => boxOf(panelOf(plan, id).outline);
    expect(size('door-skin-l').maxU).toBeCloseTo(1107, -1.5);
    expect(size('roof').maxU).toBeGreaterThan(1100);
    expect(size('roof').maxV).toBeCloseTo(1250, -1.5);
    expect(size('sill-l').maxV).toBeCloseTo(120, 0);
    expect(panelOf(plan, 'sill-l').layers.map((layer) => layer.id)).toEqual(['outer', 'membrane', 'inner']);
  });

  it('names the panel that was meant', () => {
    expect(() => panelOf(plan, 'sill')).toThrow(/did you mean "sill-l"/);
    expect(() => panelOf(plan, 'zzz')).toThrow(/no panel "zzz"/);
  });
});
