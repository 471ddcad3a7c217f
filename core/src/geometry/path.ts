import { CURVE_FLATNESS } from '../tolerances.ts';
import { toSegment, type Point } from './point.ts';

/** A drawn line: straight to a point, or a cubic curve by its two handles and its end. */
export type Step = Point | readonly [Point, Point, Point];

/** A cubic Bézier curve as points no more than `flatness` mm from it; without its start. */
export function flattenCubic(a: Point, b: Point, c: Point, d: Point, flatness = CURVE_FLATNESS): Point[] {
  const flat = toSegment(b, a, d) <= flatness && toSegment(c, a, d) <= flatness;
  if (flat) return [d];
  const mid = (p: Point, q: Point): Point => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  const ab = mid(a, b);
  const bc = mid(b, c);
  const cd = mid(c, d);
  const abc = mid(ab, bc);
  const bcd = mid(bc, cd);
  const middle = mid(abc, bcd);
  return [...flattenCubic(a, ab, abc, middle, flatness), ...flattenCubic(middle, bcd, cd, d, flatness)];
}

/** A drawn path as points, its start included. */
export function flatten(start: Point, steps: readonly Step[]): Point[] {
  const points: Point[] = [start];
  for (const step of steps) {
    const from = points[points.length - 1]!;
    if (isCurve(step)) points.push(...flattenCubic(from, step[0], step[1], step[2]));
    else points.push(step);
  }
  return points;
}

function isCurve(step: Step): step is readonly [Point, Point, Point] {
  return Array.isArray(step[0]);
}

/** Points of an arc of a circle, both ends included; degrees, anticlockwise where `to` > `from`. */
export function arc(centre: Point, radius: number, from: number, to: number): Point[] {
  const step = (2 * Math.acos(1 - Math.min(1, CURVE_FLATNESS / 2 / radius)) * 180) / Math.PI;
  const pieces = Math.max(2, Math.ceil(Math.abs(to - from) / step));
  return Array.from({ length: pieces + 1 }, (_, i): Point => {
    const angle = ((from + ((to - from) * i) / pieces) * Math.PI) / 180;
    return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)];
  });
}

/** A full circle as a ring, anticlockwise. */
export function circle(centre: Point, radius: number): Point[] {
  return arc(centre, radius, 0, 360).slice(0, -1);
}

/** A rectangle with rounded corners as a ring, anticlockwise. */
export function roundedRectangle(minU: number, minV: number, maxU: number, maxV: number, radius: number): Point[] {
  return [
    ...arc([maxU - radius, minV + radius], radius, -90, 0),
    ...arc([maxU - radius, maxV - radius], radius, 0, 90),
    ...arc([minU + radius, maxV - radius], radius, 90, 180),
    ...arc([minU + radius, minV + radius], radius, 180, 270),
  ];
}
