import { list } from '../check.ts';
import { cross, minus, unit, type Polygon } from './point.ts';
import { convexHull } from './hull.ts';
import { simpleRing } from './ring.ts';

/**
 * Through how narrow a slot does this piece pass flat, and which way must it be turned?
 * Method: rotating calipers over the convex hull (Toussaint 1983).
 *
 * @param a polygon, mm
 * @returns width in mm and the angle in degrees (0 to 180, anticlockwise from u) of the side that lies against the caliper
 */
export function minimumWidth({ a }: { a: Polygon }): { width: number; angle: number } {
  list('a', a, 1, 1000);
  const hull = convexHull(simpleRing('a[0]', a[0]));
  let best = { width: Infinity, angle: 0 };
  for (let i = 0; i < hull.length; i++) {
    const direction = unit(minus(hull[(i + 1) % hull.length]!, hull[i]!));
    const width = Math.max(...hull.map((p) => cross(direction, minus(p, hull[i]!))));
    const angle = (Math.atan2(direction[1], direction[0]) * 180) / Math.PI;
    if (width < best.width) best = { width, angle: ((angle % 180) + 180) % 180 };
  }
  return best;
}
