import {
  convexHull,
  cross,
  dot,
  minus,
  plus,
  scaled,
  signedArea,
  unit,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { ROUNDING } from '../tolerances.ts';

/** A straight run of a line: the points where dot(normal, p) = offset; normal points away from the damage. */
export interface Run {
  normal: Point;
  offset: number;
}

/** A way to lay a few straight runs around an area. */
export interface RunChoice {
  name: 'rectangle along the panel' | 'slanted rectangle' | 'free shape';
  runs: Run[];
}

/**
 * The few straight runs that can be laid around an area: a rectangle along the panel, the
 * smallest slanted one, and the convex hull with its least useful sides dropped.
 *
 * @param points of the area, mm
 * @param most number of runs, 3 to 12
 * @returns choices; runs anticlockwise
 */
export function runChoices(points: readonly Point[], most: number): RunChoice[] {
  const hull = convexHull(points);
  if (hull.length < 3) refuse('no-area', 'damage', 'The damage encloses no area; draw it larger.');
  const free: RunChoice = { name: 'free shape', runs: reducedHull(hull, most) };
  if (most < 4) return [free];
  const slanted = hull
    .map((p, i) => rectangleAlong(hull, unit(minus(hull[(i + 1) % hull.length]!, p))))
    .reduce((a, b) => (signedArea(cornersOf(b)) < signedArea(cornersOf(a)) ? b : a));
  return [
    { name: 'rectangle along the panel', runs: rectangleAlong(hull, [1, 0]) },
    { name: 'slanted rectangle', runs: slanted },
    free,
  ];
}

function rectangleAlong(hull: Ring, direction: Point): Run[] {
  const sides: Point[] = [
    [direction[1], -direction[0]],
    direction,
    [-direction[1], direction[0]],
    [-direction[0], -direction[1]],
  ];
  return sides.map((normal) => ({ normal, offset: Math.max(...hull.map((p) => dot(normal, p))) }));
}

/** The hull, from which the side that adds least area is dropped again and again, its neighbours being prolonged until they meet. */
function reducedHull(hull: Ring, most: number): Run[] {
  let runs = hull.map((p, i) => runThrough(p, hull[(i + 1) % hull.length]!));
  while (runs.length > most) {
    const costs = runs.map((_, i) => areaAdded(runs, i));
    const cheapest = costs.reduce((best, cost, i) => (cost < costs[best]! ? i : best), 0);
    if (!Number.isFinite(costs[cheapest]!)) break;
    runs = runs.filter((_, i) => i !== cheapest);
  }
  return runs;
}

/** The run that goes through a and b, anticlockwise around what lies on its left. */
export function runThrough(a: Point, b: Point): Run {
  const d = unit(minus(b, a));
  const normal: Point = [d[1], -d[0]];
  return { normal, offset: dot(normal, a) };
}

/** Where two runs meet; undefined where they are parallel. */
export function meet(a: Run, b: Run): Point | undefined {
  const d = cross(a.normal, b.normal);
  if (Math.abs(d) < ROUNDING) return undefined;
  return [(a.offset * b.normal[1] - b.offset * a.normal[1]) / d, (a.normal[0] * b.offset - b.normal[0] * a.offset) / d];
}

/** Area of the triangle that is added when run i is dropped; infinite where its neighbours do not meet beyond it. */
function areaAdded(runs: readonly Run[], i: number): number {
  const n = runs.length;
  const before = runs[(i + n - 1) % n]!;
  const after = runs[(i + 1) % n]!;
  // The neighbours close the gap only where they turn by less than half a circle together.
  if (cross(before.normal, after.normal) <= 1e-6) return Infinity;
  const tip = meet(before, after);
  const a = meet(before, runs[i]!);
  const b = meet(runs[i]!, after);
  return tip && a && b ? Math.abs(cross(minus(a, tip), minus(b, tip))) / 2 : Infinity;
}

/** The corners in which runs meet, moved in by `inset` mm; corner i lies between run i and run i + 1. */
export function cornersOf(runs: readonly Run[], inset = 0): Ring {
  const moved = runs.map((run) => ({ ...run, offset: run.offset - inset }));
  return moved.map((run, i) => {
    const corner = meet(run, moved[(i + 1) % moved.length]!);
    return corner ?? scaled(run.normal, run.offset);
  });
}

/** A ring with every corner rounded by arcs of `radius` mm, or as much as half the shorter side allows. */
export function roundCorners(ring: Ring, radius: number): Ring {
  const n = ring.length;
  return ring.flatMap((corner, i) => {
    const before = minus(ring[(i + n - 1) % n]!, corner);
    const after = minus(ring[(i + 1) % n]!, corner);
    const a = unit(before);
    const b = unit(after);
    const angle = Math.acos(Math.max(-1, Math.min(1, dot(a, b))));
    if (angle > Math.PI - 1e-3 || angle < 1e-3) return [corner];
    const room = Math.min(Math.hypot(...before), Math.hypot(...after)) / 2;
    const reach = Math.min(radius / Math.tan(angle / 2), room);
    const r = reach * Math.tan(angle / 2);
    const centre = plus(corner, scaled(unit(plus(a, b)), r / Math.sin(angle / 2)));
    const start = minus(plus(corner, scaled(a, reach)), centre);
    const end = minus(plus(corner, scaled(b, reach)), centre);
    const from = Math.atan2(start[1], start[0]);
    let sweep = Math.atan2(end[1], end[0]) - from;
    while (sweep > Math.PI) sweep -= 2 * Math.PI;
    while (sweep < -Math.PI) sweep += 2 * Math.PI;
    return Array.from({ length: 9 }, (_, k): Point =>
      plus(centre, [r * Math.cos(from + (sweep * k) / 8), r * Math.sin(from + (sweep * k) / 8)]),
    );
  });
}
