/** A place on the sheet in mm: [u right, v up]. Angles are anticlockwise, degrees. */
export type Point = readonly [number, number];
/** A closed outline without its closing point. */
export type Ring = readonly Point[];
/** Outer ring first, then holes. */
export type Polygon = readonly Ring[];

export const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1]];
export const plus = (a: Point, b: Point): Point => [a[0] + b[0], a[1] + b[1]];
export const scaled = (a: Point, by: number): Point => [a[0] * by, a[1] * by];
export const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1];
/** z of the cross product: positive where b lies anticlockwise of a. */
export const cross = (a: Point, b: Point): number => a[0] * b[1] - a[1] * b[0];
export const between = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);
export const along = (a: Point, b: Point, share: number): Point => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
];

/** Direction of length one; zero stays zero. */
export function unit(a: Point): Point {
  const length = Math.hypot(a[0], a[1]);
  return length === 0 ? [0, 0] : [a[0] / length, a[1] / length];
}

/** Distance of a place from a piece of straight line, mm. */
export function toSegment(p: Point, a: Point, b: Point): number {
  const du = b[0] - a[0];
  const dv = b[1] - a[1];
  const pu = p[0] - a[0];
  const pv = p[1] - a[1];
  const lengthSquared = du * du + dv * dv;
  const share = lengthSquared === 0 ? 0 : Math.min(1, Math.max(0, (pu * du + pv * dv) / lengthSquared));
  return Math.sqrt((pu - share * du) ** 2 + (pv - share * dv) ** 2);
}

/** The place on the straight piece a–b that is nearest to p. */
export function nearestOnSegment(p: Point, a: Point, b: Point): Point {
  const d = minus(b, a);
  const lengthSquared = dot(d, d);
  const share = lengthSquared === 0 ? 0 : Math.min(1, Math.max(0, dot(minus(p, a), d) / lengthSquared));
  return along(a, b, share);
}

/** Distance of a place from an open line, mm. */
export function toLine(p: Point, line: readonly Point[]): number {
  let least = line.length === 1 ? between(p, line[0]!) : Infinity;
  for (let i = 1; i < line.length; i++) least = Math.min(least, toSegment(p, line[i - 1]!, line[i]!));
  return least;
}

/** Distance of a place from the edge of a closed ring, mm; the same inside and outside. */
export function toRing(p: Point, ring: Ring): number {
  return Math.min(toLine(p, ring), toSegment(p, ring[ring.length - 1]!, ring[0]!));
}

/** Length of an open line, mm. */
export function lineLength(line: readonly Point[]): number {
  let length = 0;
  for (let i = 1; i < line.length; i++) length += between(line[i - 1]!, line[i]!);
  return length;
}

/** The place at a distance (mm) along an open line; clamped to its ends. */
export function pointAt(line: readonly Point[], distance: number): Point {
  let left = distance;
  for (let i = 1; i < line.length; i++) {
    const piece = between(line[i - 1]!, line[i]!);
    if (left <= piece && piece > 0) return along(line[i - 1]!, line[i]!, Math.max(0, left) / piece);
    left -= piece;
  }
  return line[line.length - 1]!;
}

/** The place of a line that lies nearest to another place: how far off it is, how far along the line, and which way the line runs there. */
export function nearestOnLine(line: readonly Point[], p: Point): { at: Point; away: number; run: number; way: Point } {
  let passed = 0;
  let best = { at: line[0]!, away: Infinity, run: 0, way: [1, 0] as Point };
  line.slice(1).forEach((b, i) => {
    const a = line[i]!;
    const at = nearestOnSegment(p, a, b);
    if (between(at, p) < best.away)
      best = { at, away: between(at, p), run: passed + between(a, at), way: unit(minus(b, a)) };
    passed += between(a, b);
  });
  return best;
}

/** Cosine of the turn from which a vertex is a corner and no place on a curve: 30°. */
const SHARP = Math.cos(Math.PI / 6);
/** Does an outline turn so sharply at a place that it is a corner, where a tape is hooked or a side ends? */
export const isSharp = (before: Point, at: Point, after: Point): boolean =>
  dot(unit(minus(at, before)), unit(minus(after, at))) < SHARP;

/** The part of a line between two distances along it. */
export function lineBetween(line: readonly Point[], from: number, to: number): Point[] {
  const points = [pointAt(line, from)];
  let at = 0;
  line.forEach((p, i) => {
    if (i > 0) at += between(line[i - 1]!, p);
    if (at > from + 0.01 && at < to - 0.01) points.push(p);
  });
  return [...points, pointAt(line, to)];
}
