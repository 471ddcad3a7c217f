import { contours } from 'd3-contour';
import { area, clipAll, inRing, simplifyRing, type Point, type Polygon, type Ring } from '../geometry/index.ts';
import type { ThicknessMap } from './mapThickness.ts';
import type { Sample } from './variogram.ts';

/** mm². A spot smaller than a thumbnail is left to the eye. */
const SMALLEST_ZONE = 400;
/** mm. Corners of a proposed zone are thinned to about what a person would draw. */
const DRAWN_BY_HAND = 4;

/**
 * Where is the metal more likely than not below the weldable limit? The outlines of
 * those areas kept inside the sheet: first those in which such metal was read, then those
 * that only follow from what was read around them; among them the largest first.
 * Method: marching squares over the probability map.
 */
export function proposeZones(
  map: ThicknessMap,
  sheet: Polygon,
  readings: readonly Sample[] = [],
): { ring: Ring; area: number }[] {
  const thin = readings.filter((reading) => reading.value < map.limit);
  const wasRead = (ring: Ring) => thin.some(({ u, v }) => inRing([u, v], ring));
  // One ring of cells around the raster lets a zone close at the edge of the panel; outside and unmeasured count as not under.
  const columns = map.columns + 2;
  const rows = map.rows + 2;
  const field = new Array<number>(columns * rows).fill(0);
  for (let row = 0; row < map.rows; row++) {
    for (let column = 0; column < map.columns; column++) {
      field[(row + 1) * columns + column + 1] = inward(map, column, row);
    }
  }
  const [shape] = contours().size([columns, rows]).thresholds([0.5])(field);
  const place = ([x, y]: readonly number[]): Point => [
    map.origin[0] + (x! - 1) * map.cell,
    map.origin[1] + (y! - 1) * map.cell,
  ];
  const polygons: Polygon[] = (shape?.coordinates ?? []).map((rings) => [rings[0]!.slice(0, -1).map(place)]);
  if (polygons.length === 0) return [];
  return clipAll('intersection', polygons, [sheet])
    .polygons.map((polygon) => simplifyRing(polygon[0]!, DRAWN_BY_HAND))
    .map((ring) => ({ ring, area: area([ring]) }))
    .filter((zone) => zone.area >= SMALLEST_ZONE)
    .sort((a, b) => Number(wasRead(b.ring)) - Number(wasRead(a.ring)) || b.area - a.area);
}

/** A cell just off the sheet takes the value of its neighbour on it, so that a zone reaches the very edge. */
function inward(map: ThicknessMap, column: number, row: number): number {
  const at = (c: number, r: number) =>
    c < 0 || r < 0 || c >= map.columns || r >= map.rows ? Number.NaN : map.under[r * map.columns + c]!;
  const own = at(column, row);
  if (!Number.isNaN(own)) return own;
  if (map.classes[row * map.columns + column] !== 0) return 0;
  const neighbours = [at(column - 1, row), at(column + 1, row), at(column, row - 1), at(column, row + 1)].filter(
    (x) => !Number.isNaN(x),
  );
  return neighbours.length === 0 ? 0 : Math.max(...neighbours);
}
