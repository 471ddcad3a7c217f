import { list, finite } from '../check.ts';
import { refuse } from '../problem.ts';
import { ROUNDING, SAME_LENGTH, SAME_PLACE } from '../tolerances.ts';
import { between, cross, lineLength, minus, toSegment, type Point, type Polygon, type Ring } from './point.ts';

/** Most corners of one outline: a curve flattened to 0.5 mm on the largest panel needs a tenth of it. */
const MOST_CORNERS = 20_000;
/** mm. No sheet reaches so far; beyond it the grid of clipping ends. */
const FARTHEST = 1e6;

/** Signed area, mm²: positive where the ring runs anticlockwise (shoelace formula). */
export function signedArea(ring: Ring): number {
  let twice = 0;
  for (let i = 0; i < ring.length; i++) twice += cross(ring[i]!, ring[(i + 1) % ring.length]!);
  return twice / 2;
}

/** Area of a polygon without its holes, mm². */
export function area(polygon: Polygon): number {
  return polygon.reduce((sum, ring, index) => sum + (index === 0 ? 1 : -1) * Math.abs(signedArea(ring)), 0);
}

/** Length around a closed ring, mm. */
export function perimeter(ring: Ring): number {
  return ring.length === 0 ? 0 : lineLength([...ring, ring[0]!]);
}

/** Centroid of a ring, mm; of a ring without area, the mean of its corners. */
export function centroid(ring: Ring): Point {
  const a = signedArea(ring);
  if (Math.abs(a) < ROUNDING) {
    const n = Math.max(1, ring.length);
    return [ring.reduce((s, p) => s + p[0], 0) / n, ring.reduce((s, p) => s + p[1], 0) / n];
  }
  let u = 0;
  let v = 0;
  for (let i = 0; i < ring.length; i++) {
    const p = ring[i]!;
    const q = ring[(i + 1) % ring.length]!;
    const c = cross(p, q);
    u += (p[0] + q[0]) * c;
    v += (p[1] + q[1]) * c;
  }
  return [u / (6 * a), v / (6 * a)];
}

/** Is the place inside the ring? Even-odd rule; the edge itself may fall either way. */
export function inRing(p: Point, ring: Ring): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const a = ring[i]!;
    const b = ring[j]!;
    if (a[1] > p[1] !== b[1] > p[1] && p[0] < ((b[0] - a[0]) * (p[1] - a[1])) / (b[1] - a[1]) + a[0]) inside = !inside;
  }
  return inside;
}

/**
 * Is a place of this row inside the rings? Even-odd rule as `inRing`, for many places that are asked from
 * left to right: the edge is crossed once for the whole row.
 *
 * @param rings one outline, or an outline and the holes within it, mm
 * @param v height of the row, mm
 * @returns whether the place (u, v) is inside; u must not fall from call to call
 */
export function insideAlong(rings: readonly Ring[], v: number): (u: number) => boolean {
  const crossings: number[] = [];
  for (const ring of rings)
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [a, b] = [ring[i]!, ring[j]!];
      if (a[1] > v !== b[1] > v) crossings.push(((b[0] - a[0]) * (v - a[1])) / (b[1] - a[1]) + a[0]);
    }
  crossings.sort((a, b) => a - b);
  let passed = 0;
  return (u) => {
    while (passed < crossings.length && crossings[passed]! <= u) passed++;
    return passed % 2 === 1;
  };
}

/** Is the place inside the polygon and in none of its holes? */
export function inPolygon(p: Point, polygon: Polygon): boolean {
  if (!inRing(p, polygon[0]!)) return false;
  for (let i = 1; i < polygon.length; i++) if (inRing(p, polygon[i]!)) return false;
  return true;
}

export interface Box {
  minU: number;
  minV: number;
  maxU: number;
  maxV: number;
}

/** Smallest upright rectangle around the places, mm. */
export function boxOf(points: readonly Point[]): Box {
  const box = { minU: Infinity, minV: Infinity, maxU: -Infinity, maxV: -Infinity };
  for (const [u, v] of points) {
    box.minU = Math.min(box.minU, u);
    box.minV = Math.min(box.minV, v);
    box.maxU = Math.max(box.maxU, u);
    box.maxV = Math.max(box.maxV, v);
  }
  return box;
}

/** The ring with its direction made anticlockwise. */
export function anticlockwise(ring: Ring): Ring {
  return signedArea(ring) < 0 ? [...ring].reverse() : ring;
}

/** Where a ring first crosses or touches itself, as the two side numbers; undefined when it is simple. */
export function firstCrossing(ring: Ring): [number, number] | undefined {
  const n = ring.length;
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      const neighbours = j === i + 1 || (i === 0 && j === n - 1);
      if (neighbours) continue;
      if (sidesCross(ring[i]!, ring[(i + 1) % n]!, ring[j]!, ring[(j + 1) % n]!)) return [i, j];
    }
  }
  return undefined;
}

/** mm. Two sides that come this close touch. */
const TOUCH = SAME_LENGTH;

function sidesCross(a: Point, b: Point, c: Point, d: Point): boolean {
  if (Math.max(a[0], b[0]) + TOUCH < Math.min(c[0], d[0]) || Math.max(c[0], d[0]) + TOUCH < Math.min(a[0], b[0]))
    return false;
  if (Math.max(a[1], b[1]) + TOUCH < Math.min(c[1], d[1]) || Math.max(c[1], d[1]) + TOUCH < Math.min(a[1], b[1]))
    return false;
  const abc = cross(minus(b, a), minus(c, a));
  const abd = cross(minus(b, a), minus(d, a));
  const cda = cross(minus(d, c), minus(a, c));
  const cdb = cross(minus(d, c), minus(b, c));
  if (abc * abd < 0 && cda * cdb < 0) return true;
  return (
    toSegment(c, a, b) < TOUCH || toSegment(d, a, b) < TOUCH || toSegment(a, c, d) < TOUCH || toSegment(b, c, d) < TOUCH
  );
}

/** Shares of the way from a to b at which it crosses a ring, as it comes to its sides one after the other. */
export function crossings(ring: Ring, a: Point, b: Point): number[] {
  const way = minus(b, a);
  return ring.flatMap((from, i) => {
    const side = minus(ring[(i + 1) % ring.length]!, from);
    const across = cross(way, side);
    if (Math.abs(across) < PARALLEL) return [];
    const to = minus(from, a);
    const [share, other] = [cross(to, side) / across, cross(to, way) / across];
    return share > 0 && share < 1 && other >= 0 && other <= 1 ? [share] : [];
  });
}

/** mm². Two sides whose cross product is less run side by side. */
const PARALLEL = 1e-12;

/**
 * Lets an outline through that encloses an area and does not cross itself.
 *
 * @param field name of the input, for the refusal
 * @param ring corners in mm, without a closing point; repeated corners are dropped
 * @throws Problem `crossing-outline`, `too-few`, `no-area`, `not-a-number`
 */
export function simpleRing(field: string, ring: unknown): Ring {
  const corners = list<unknown>(field, ring, 3, MOST_CORNERS).map((corner, i) => {
    const pair = list<number>(`${field}[${i}]`, corner, 2, 2);
    return [
      finite(`${field}[${i}][0]`, pair[0], { min: -FARTHEST, max: FARTHEST, unit: 'mm' }),
      finite(`${field}[${i}][1]`, pair[1], { min: -FARTHEST, max: FARTHEST, unit: 'mm' }),
    ] as Point;
  });
  const distinct = corners.filter((p, i) => between(p, corners[(i + 1) % corners.length]!) > SAME_PLACE / 100);
  const crossing = distinct.length <= 2000 ? firstCrossing(distinct) : undefined;
  if (crossing) {
    refuse(
      'crossing-outline',
      field,
      `${field} crosses itself (side ${crossing[0] + 1} meets side ${crossing[1] + 1}); move a corner so that the sides no longer cross.`,
    );
  }
  if (distinct.length < 3 || Math.abs(signedArea(distinct)) < 1e-6) {
    refuse('no-area', field, `${field} encloses no area; move its corners apart.`);
  }
  return distinct;
}
