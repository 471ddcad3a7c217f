import { area, clipAll, simplifyRing, type Point, type Polygon, type Ring } from '../geometry/index.ts';
import { PEN_LINE } from '../tolerances.ts';
import { carry, weight } from './rectifyPhoto.ts';

/** Corners of one outline that a hand still can move one by one. */
const MOST_CORNERS = 100;

/**
 * Which areas of the panel does a region of its picture cover? The outlines are carried over by
 * the picture's matrix, drawn with a pen line's freedom or more, so that no outline has over a hundred corners, and cut to the sheet; the largest first.
 *
 * @param outlines on the picture, in pixels of the picture divided by `scale`
 * @param scale pixels of the true picture for one pixel of the outlines, above 0
 * @param matrix picture to panel, nine numbers row by row, as `rectifyPhoto` gives it
 * @param sheet outline and openings of the panel, mm
 * @returns polygons on the panel, mm; what lies beyond the horizon or off the sheet is not among them
 * Source: Hartley & Zisserman 2004 (projective map); Douglas & Peucker 1973.
 * @example regionOnPanel({ outlines: [[[[0, 0], [50, 0], [50, 50], [0, 50]]]], scale: 2, matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], sheet: [[[0, 0], [400, 0], [400, 300], [0, 300]]] }) // → [[[[0, 0], [100, 0], [100, 100], [0, 100]]]]
 */
export function regionOnPanel({
  outlines,
  scale,
  matrix,
  sheet,
}: {
  outlines: readonly Polygon[];
  scale: number;
  matrix: readonly number[];
  sheet: Polygon;
}): Polygon[] {
  const side = Math.sign(weight(matrix, middleOf(outlines, scale)));
  const over = ([x, y]: Point): Point[] => {
    const place = { x: x * scale, y: y * scale };
    if (Math.sign(weight(matrix, place)) !== side) return [];
    const { u, v } = carry(matrix, place);
    return [[u, v]];
  };
  const drawn = (ring: Ring): Ring => {
    const carried = ring.flatMap(over);
    let by = PEN_LINE;
    let simple = simplifyRing(carried, by);
    while (simple.length > MOST_CORNERS) simple = simplifyRing(carried, (by *= 1.5));
    return simple;
  };
  const carried = outlines.map((polygon) => polygon.map(drawn).filter((ring) => ring.length >= 3));
  return clipAll(
    'intersection',
    carried.filter((polygon) => polygon.length > 0),
    [sheet],
  ).polygons.toSorted((a, b) => area(b) - area(a));
}

/** A place of the picture that surely lies on this side of the horizon: the mean of the largest outline. */
function middleOf(outlines: readonly Polygon[], scale: number): { x: number; y: number } {
  const ring = outlines.toSorted((a, b) => area(b) - area(a))[0]?.[0] ?? [];
  const mean = (axis: 0 | 1) => ring.reduce((sum, p) => sum + p[axis], 0) / Math.max(1, ring.length);
  return { x: mean(0) * scale, y: mean(1) * scale };
}
