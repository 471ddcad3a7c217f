import ClipperLib from 'clipper-lib';
import { finite, isWordOf } from '../check.ts';
import { refuse } from '../problem.ts';
import { CLIP_GRID, DUST_AREA, FINE_GRID, SLIVER_AREA } from '../tolerances.ts';
import { area, centroid, perimeter, signedArea, simpleRing } from './ring.ts';
import type { Point, Polygon, Ring } from './point.ts';

export interface Shape {
  /** Each polygon: outer ring, then holes; mm. */
  polygons: Polygon[];
  /** mm² */
  area: number;
  /** All edges, holes included, mm. */
  perimeter: number;
  /** Of the whole, mm; null where nothing is left. */
  centroid: Point | null;
}

export type CombineOp = 'union' | 'intersection' | 'difference';

interface IntPoint {
  X: number;
  Y: number;
}

const CLIP_TYPE: Readonly<Record<CombineOp, number>> = {
  union: ClipperLib.ClipType.ctUnion,
  intersection: ClipperLib.ClipType.ctIntersection,
  difference: ClipperLib.ClipType.ctDifference,
};

/**
 * What do two areas make together: union, intersection or difference?
 * Method: Vatti clipping as in the Clipper library, on a grid of 10⁻⁸ mm: of a sliver a hundredth of a
 * millimetre wide nothing that counts is lost.
 *
 * @param a,b polygons: outer ring then holes, mm
 * @throws Problem naming the ring that crosses itself or has no area
 */
export function combine({ op, a, b }: { op: CombineOp; a: Polygon; b: Polygon }): Shape {
  if (!isWordOf(CLIP_TYPE, op)) refuse('unknown-op', 'op', 'op must be "union", "intersection" or "difference".');
  return shapeOf(clipPaths(op, [checked('a', a)], [checked('b', b)], FINE_GRID), DUST_AREA);
}

/** combine for polygons that are known to be sound. */
export function clip(op: CombineOp, a: Polygon, b: Polygon): Shape {
  return clipAll(op, [a], [b]);
}

/** Union, intersection or difference of two lists of sound polygons; slivers are dropped. */
export function clipAll(op: CombineOp, as: readonly Polygon[], bs: readonly Polygon[]): Shape {
  return shapeOf(clipPaths(op, as, bs));
}

/** clipAll with all that is left, slivers included, and not measured. */
export function clipPaths(op: CombineOp, as: readonly Polygon[], bs: readonly Polygon[], grid = CLIP_GRID): Polygon[] {
  const clipper = new ClipperLib.Clipper();
  // Outer rings and holes are told apart by their direction, so that non-zero filling joins overlaps.
  clipper.AddPaths(
    as.flatMap((polygon) => directed(polygon, grid)),
    ClipperLib.PolyType.ptSubject,
    true,
  );
  if (bs.length > 0)
    clipper.AddPaths(
      bs.flatMap((polygon) => directed(polygon, grid)),
      ClipperLib.PolyType.ptClip,
      true,
    );
  const tree = new ClipperLib.PolyTree();
  const fill = ClipperLib.PolyFillType.pftNonZero;
  clipper.Execute(CLIP_TYPE[op], tree, fill, fill);
  return polygonsOf(tree, grid);
}

/**
 * What does an area become when its edge moves out (positive) or in (negative)?
 *
 * @param by mm, −5,000 to 5,000
 * @param join "round" keeps the distance everywhere, "miter" keeps straight edges straight
 */
export function grow({ a, by, join = 'round' }: { a: Polygon; by: number; join?: 'round' | 'miter' }): Shape {
  finite('by', by, { min: -5000, max: 5000, unit: 'mm' });
  if (join !== 'round' && join !== 'miter') refuse('unknown-join', 'join', 'join must be "round" or "miter".');
  return offset([checked('a', a)], by, join);
}

/** grow for polygons that are known to be sound. */
export function offset(polygons: readonly Polygon[], by: number, join: 'round' | 'miter' = 'round'): Shape {
  const arcTolerance = 0.05 / CLIP_GRID;
  const offsetter = new ClipperLib.ClipperOffset(4, arcTolerance);
  const type = join === 'round' ? ClipperLib.JoinType.jtRound : ClipperLib.JoinType.jtMiter;
  offsetter.AddPaths(
    polygons.flatMap((polygon) => directed(polygon)),
    type,
    ClipperLib.EndType.etClosedPolygon,
  );
  const tree = new ClipperLib.PolyTree();
  offsetter.Execute(tree, by / CLIP_GRID);
  return shapeOf(polygonsOf(tree));
}

/** mm. Round a bend a band is as exact as a hand draws it. */
const BAND_WITHIN = 0.5;

/** What lies within mm of these lines, square to them; nothing beyond their ends. */
export function bands(lines: readonly (readonly Point[])[], by: number): Polygon[] {
  const offsetter = new ClipperLib.ClipperOffset(4, BAND_WITHIN / CLIP_GRID);
  offsetter.AddPaths(
    lines.map((line) => line.map(([u, v]) => ({ X: Math.round(u / CLIP_GRID), Y: Math.round(v / CLIP_GRID) }))),
    ClipperLib.JoinType.jtRound,
    ClipperLib.EndType.etOpenButt,
  );
  const tree = new ClipperLib.PolyTree();
  offsetter.Execute(tree, by / CLIP_GRID);
  return polygonsOf(tree);
}

/** The polygons with their total area, edge length and centroid; slivers are dropped. */
export function shapeOf(all: readonly Polygon[], least = SLIVER_AREA): Shape {
  const polygons = all.filter((polygon) => area(polygon) > least);
  const total = polygons.reduce((sum, polygon) => sum + area(polygon), 0);
  const moment = polygons.flatMap((polygon) =>
    polygon.map((ring, i) => ({ ring, weight: (i === 0 ? 1 : -1) * Math.abs(signedArea(ring)) })),
  );
  const mean = (axis: 0 | 1) =>
    moment.reduce((sum, { ring, weight }) => sum + centroid(ring)[axis] * weight, 0) / total;
  return {
    polygons,
    area: total,
    perimeter: polygons.flat().reduce((sum, ring) => sum + perimeter(ring), 0),
    centroid: total > 0 ? [mean(0), mean(1)] : null,
  };
}

function checked(field: string, polygon: unknown): Polygon {
  if (!Array.isArray(polygon) || polygon.length === 0)
    refuse('not-a-list', field, `${field} must be a polygon: outer ring, then holes.`);
  return (polygon as unknown[]).map((ring, i) => simpleRing(`${field}[${i}]`, ring));
}

function directed(polygon: Polygon, grid = CLIP_GRID): IntPoint[][] {
  return polygon.map((ring, i) => {
    const path = ring.map(([u, v]) => ({ X: Math.round(u / grid), Y: Math.round(v / grid) }));
    const outer = i === 0;
    return signedArea(ring) > 0 === outer ? path : path.reverse();
  });
}

interface PolyNode {
  Contour(): IntPoint[];
  Childs(): PolyNode[];
}

function polygonsOf(node: PolyNode, grid = CLIP_GRID): Polygon[] {
  const ringOf = (of: PolyNode): Ring => of.Contour().map(({ X, Y }): Point => [X * grid, Y * grid]);
  return node.Childs().flatMap((outer) => {
    const holes = outer.Childs();
    return [[ringOf(outer), ...holes.map(ringOf)], ...holes.flatMap((hole) => polygonsOf(hole, grid))];
  });
}
