import { boxOf, type Point } from '../geometry/index.ts';
import type { BodyPlan, Panel } from './types.ts';

/** The panel on the other side of the car, and where a place of this one lies on it. */
export interface OtherSide {
  panel: Panel;
  /** Both in mm of their own panel. */
  mirror: (at: Point) => Point;
}

/**
 * Which panel is the same on the other side, and where does a place lie there?
 *
 * @returns null where the panel is in the middle, or is not the mirror of another any more
 * @example otherSideOf(bodyPlan('saloon'), panelOf(bodyPlan('saloon'), 'sill-r')).panel.id // → "sill-l"
 */
export function otherSideOf({ panels }: BodyPlan, panel: Panel): OtherSide | null {
  const other = panels.find(({ id, mirrorOf }) => mirrorOf?.panel === panel.id || panel.mirrorOf?.panel === id);
  const axis = panel.mirrorOf?.axis ?? other?.mirrorOf?.axis;
  if (!other || !axis) return null;
  const { maxU, maxV } = boxOf(panel.outline);
  return { panel: other, mirror: ([u, v]) => (axis === 'u' ? [maxU - u, v] : [u, maxV - v]) };
}
