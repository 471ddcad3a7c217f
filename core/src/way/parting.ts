import { boxOf, type Point, type Ring } from '../geometry/index.ts';

/** Along which the piece may be parted: across it at a distance from its left edge, or along it from its lower one; mm. */
export interface PartingLine {
  across: boolean;
  at: number;
}

/** The same as two places on the box of the piece, mm. */
export function asLine(piece: Ring, { across, at }: PartingLine): [Point, Point] {
  const { minU, minV, maxU, maxV } = boxOf(piece);
  return across
    ? [
        [minU + at, minV],
        [minU + at, maxV],
      ]
    : [
        [minU, minV + at],
        [maxU, minV + at],
      ];
}
