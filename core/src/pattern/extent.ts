import { boxOf, minus, plus, scaled, unit, type Point, type Ring } from '../geometry/index.ts';

/** Extent along the direction in which a ring is narrowest across. */
export function longAcross(ring: Ring, angle: number): number {
  const [along, across] = axes(angle);
  const extent = (axis: Point) => {
    const at = ring.map(([u, v]) => u * axis[0] + v * axis[1]);
    return Math.max(...at) - Math.min(...at);
  };
  return Math.max(extent(along), extent(across));
}
const axes = (angle: number): [Point, Point] => {
  const a = (angle * Math.PI) / 180;
  return [
    [Math.cos(a), Math.sin(a)],
    [-Math.sin(a), Math.cos(a)],
  ];
};

/** Along the longer side: folds across the rolling direction crack less, and most folds of a long piece run along it, so it is marked, not forced. */
export function grainOf(ring: Ring, angle: number): [Point, Point] {
  const { minU, maxU, minV, maxV } = boxOf(ring);
  const middle: Point = [(minU + maxU) / 2, (minV + maxV) / 2];
  const [a, b] = axes(angle);
  const extent = (axis: Point) => {
    const at = ring.map(([u, v]) => u * axis[0] + v * axis[1]);
    return Math.max(...at) - Math.min(...at);
  };
  const [long, size] = extent(a) >= extent(b) ? [a, extent(a)] : [b, extent(b)];
  const half = scaled(unit(long), size / 6);
  return [minus(middle, half), plus(middle, half)];
}
