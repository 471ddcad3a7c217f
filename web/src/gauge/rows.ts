import { inPolygon, type Point, type Polygon } from '@aspecta/core/geometry';

/** Places of a row: from the first to the last, as near to the wanted step as divides evenly. */
export function alongLine(from: Point, to: Point, step: number): Point[] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const count = Math.max(1, Math.round(length / step));
  return Array.from({ length: count + 1 }, (_, i): Point => [
    Math.round((from[0] + ((to[0] - from[0]) * i) / count) * 10) / 10,
    Math.round((from[1] + ((to[1] - from[1]) * i) / count) * 10) / 10,
  ]);
}

/** Places of a grid between two opposite corners, row by row there and back, so that the hand never jumps; on the sheet only. */
export function overGrid(a: Point, b: Point, step: number, sheet: Polygon): Point[] {
  const [minU, maxU] = [Math.min(a[0], b[0]), Math.max(a[0], b[0])];
  const [minV, maxV] = [Math.min(a[1], b[1]), Math.max(a[1], b[1])];
  const us = alongLine([minU, 0], [maxU, 0], step).map((p) => p[0]);
  const vs = alongLine([minV, 0], [maxV, 0], step).map((p) => p[0]);
  return vs
    .flatMap((v, row) => (row % 2 === 0 ? us : [...us].reverse()).map((u): Point => [u, v]))
    .filter((p) => inPolygon(p, sheet));
}
