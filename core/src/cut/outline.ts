import {
  between,
  clip,
  inPolygon,
  nearestOnLine,
  PIECE,
  piecesAlong,
  toRing,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';

/** The part of a ring on the sheet that holds most of the damage. */
export function pieceAround(ring: Ring, sheet: Polygon, damage: readonly Polygon[]): Ring {
  const pieces = clip('intersection', [ring], sheet).polygons;
  if (pieces.length === 0)
    refuse('outside-panel', 'damage', 'No line can be drawn around this damage inside the panel.');
  const held = (piece: Polygon) => damage.reduce((sum, polygon) => sum + clip('intersection', piece, polygon).area, 0);
  return pieces.length === 1 ? pieces[0]![0]! : pieces.reduce((a, b) => (held(b) > held(a) ? b : a))[0]!;
}

/** mm. Clipping moves points by less; a side that lies this close to the outline is the outline. */
const ON_EDGE = 0.05;
const onEdge = (p: Point, sheet: Polygon) => sheet.some((ring) => toRing(p, ring) < ON_EDGE);
/** Halfway between two places. */
export const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
const sideOnEdge = (a: Point, b: Point, sheet: Polygon) =>
  onEdge(a, sheet) && onEdge(b, sheet) && onEdge(middle(a, b), sheet);

/** Length of a ring that lies on the edge of the sheet, mm. */
export function lengthOnEdge(ring: Ring, sheet: Polygon): number {
  return ring.reduce((sum, p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    return sum + (sideOnEdge(p, q, sheet) ? between(p, q) : 0);
  }, 0);
}

/** Length of the cuts beside which only a strip narrower than `width` would be left at the edge of the sheet, mm: it cannot be welded to. */
export function sliverAlong(
  joints: readonly { points: readonly Point[]; closed: boolean }[],
  { outline, sheet, width }: { outline: Ring; sheet: Polygon; width: number },
): number {
  const edges = sheet.map((ring) => [...ring, ring[0]!]);
  const isSliver = (p: Point) => {
    const near = edges.map((edge) => nearestOnLine(edge, p)).reduce((a, b) => (b.away < a.away ? b : a));
    if (near.away > width || near.away < ON_EDGE) return false;
    // The edge beside the cut is part of the piece, or where the cut runs out: nothing is left there.
    return !inPolygon(near.at, [outline]) && toRing(near.at, outline) > PIECE;
  };
  return joints
    .flatMap(({ points, closed }) => piecesAlong(closed ? [...points, points[0]!] : points))
    .filter(({ at }) => isSliver(at))
    .reduce((sum, { length }) => sum + length, 0);
}

/** Stretches of the outline that do not lie on the edge of the sheet. */
export function jointsOf(ring: Ring, sheet: Polygon): { points: Point[]; closed: boolean }[] {
  const n = ring.length;
  const cut = ring.map((p, i) => !sideOnEdge(p, ring[(i + 1) % n]!, sheet));
  if (cut.every(Boolean)) return [{ points: [...ring], closed: true }];
  const joints: { points: Point[]; closed: boolean }[] = [];
  for (let i = 0; i < n; i++) {
    if (!cut[i] || cut[(i + n - 1) % n]) continue;
    const points: Point[] = [ring[i]!];
    for (let k = i; cut[k % n] && k < i + n; k++) points.push(ring[(k + 1) % n]!);
    joints.push({ points, closed: false });
  }
  return joints.filter(({ points }) => points.slice(1).some((p, i) => between(p, points[i]!) > 1));
}
