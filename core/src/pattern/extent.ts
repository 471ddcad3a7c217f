import { boxOf, minus, plus, scaled, type Point, type Ring } from '../geometry/index.ts';

/** The longer of two directions square to each other, and how far a ring reaches along it, mm. */
function longest(ring: Ring, angle: number): { axis: Point; size: number } {
  const a = (angle * Math.PI) / 180;
  const axes: Point[] = [
    [Math.cos(a), Math.sin(a)],
    [-Math.sin(a), Math.cos(a)],
  ];
  const all = axes.map((axis) => {
    const at = ring.map(([u, v]) => u * axis[0] + v * axis[1]);
    return { axis, size: Math.max(...at) - Math.min(...at) };
  });
  return all.reduce((most, one) => (one.size > most.size ? one : most));
}

/** How long a ring is square to the direction in which it is narrowest; angle in degrees, mm. */
export const longAcross = (ring: Ring, angle: number): number => longest(ring, angle).size;

/** Along the longer side: folds across the rolling direction crack less, and most folds of a long piece run along it, so it is marked, not forced. */
export function grainOf(ring: Ring, angle: number): [Point, Point] {
  const { minU, maxU, minV, maxV } = boxOf(ring);
  const middle: Point = [(minU + maxU) / 2, (minV + maxV) / 2];
  const { axis, size } = longest(ring, angle);
  const half = scaled(axis, size / 6);
  return [minus(middle, half), plus(middle, half)];
}
