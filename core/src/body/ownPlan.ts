import { SEAM_MEETS } from '../tolerances.ts';
import {
  anticlockwise,
  area,
  boxOf,
  inRing,
  minus,
  plus,
  simpleRing,
  toRing,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import type { BodyPlan, Panel } from './types.ts';

/** mm². Smaller than a bracket is no panel. */
const SMALLEST_PANEL = 1000;

/**
 * A panel with another outline: what lies on the new sheet stays, what no longer does goes.
 *
 * @param outline mm, in the coordinates of the panel as it was
 * @throws Problem `crossing-outline`, `no-area`, `too-small` at `outline`
 */
export function withOutline(panel: Panel, outline: Ring): { panel: Panel; shift: Point; dropped: string[] } {
  const ring = anticlockwise(simpleRing('outline', outline));
  if (area([ring]) < SMALLEST_PANEL)
    refuse('too-small', 'outline', 'The outline encloses less than 10 cm²; check its unit: it must be in mm.');
  const box = boxOf(ring);
  const shift: Point = [-box.minU, -box.minV];
  const moved = (p: Point): Point => plus(p, shift);
  const within = (points: readonly Point[]) => points.every((p) => inRing(p, ring));
  const dropped: string[] = [];
  const keep = <T extends { name: string }>(
    items: readonly T[],
    fits: (item: T) => boolean,
    move: (item: T) => T,
  ): T[] => items.filter((item) => fits(item) || (dropped.push(item.name), false)).map(move);
  const onSheet = (p: Point) => inRing(p, ring) || toRing(p, ring) < 25;
  return {
    shift,
    dropped,
    panel: {
      ...panel,
      outline: ring.map(moved),
      holes: keep(
        panel.holes,
        (h) => within(h.outline),
        (h) => ({ ...h, outline: h.outline.map(moved) }),
      ),
      creases: keep(
        panel.creases,
        (c) => c.line.every(onSheet),
        (c) => ({ ...c, line: c.line.map(moved) }),
      ),
      flanges: keep(
        panel.flanges,
        (f) => f.outline.every(onSheet),
        (f) => ({ ...f, outline: f.outline.map(moved) }),
      ),
      mounts: keep(
        panel.mounts,
        (m) => inRing(m.at, ring),
        (m) => ({ ...m, at: moved(m.at) }),
      ),
      placement: minus(panel.placement, shift),
    },
  };
}

/** A body plan in which one panel is another one; seams that no longer meet its edge, and drains that are gone, are dropped. */
export function withPanel(plan: BodyPlan, panel: Panel, shift: Point): BodyPlan {
  const meets = (p: Point) => toRing(p, panel.outline) < SEAM_MEETS;
  const panels = plan.panels.map((other) =>
    other.id === panel.id ? panel : other.mirrorOf?.panel === panel.id ? withoutMirror(other) : other,
  );
  const drains = new Set(panels.flatMap((other) => other.holes.map((hole) => hole.id)));
  return {
    ...plan,
    panels: panels.map((other) => (other.id === panel.id ? withoutMirror(other) : other)),
    seams: plan.seams.flatMap((seam) => {
      const sides = seam.sides.map((side) =>
        side.panel === panel.id ? { ...side, line: side.line.map((p) => plus(p, shift)) } : side,
      );
      const fits = sides.every((side) => side.panel !== panel.id || side.line.every(meets));
      return fits ? [{ ...seam, sides: sides as unknown as typeof seam.sides }] : [];
    }),
    cavities: plan.cavities.map((cavity) => ({ ...cavity, drains: cavity.drains.filter((id) => drains.has(id)) })),
  };
}

function withoutMirror(panel: Panel): Panel {
  const { mirrorOf: _mirror, ...rest } = panel;
  return rest;
}
