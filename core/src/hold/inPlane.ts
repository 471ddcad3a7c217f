import type { DatumPoint } from '../body/index.ts';
import type { Point } from '../geometry/index.ts';

/** Axes of the body: back, left, up. */
type Axis = 0 | 1 | 2;

/** A figure as it is drawn: two axes of the body, and how deep each point lies behind the drawing. */
export interface InPlane {
  axes: readonly [Axis, Axis];
  depth: Axis;
  at: readonly Point[];
}

/** The view in which these points are spread most: from the side, from behind or from below. */
export function inPlane(points: readonly Pick<DatumPoint, 'at'>[]): InPlane {
  const spread = ([0, 1, 2] as const).map((axis) => {
    const values = points.map(({ at }) => at[axis]);
    return Math.max(...values) - Math.min(...values);
  });
  const depth = ([1, 0, 2] as const).reduce<Axis>((least, axis) => (spread[axis]! < spread[least]! ? axis : least), 1);
  const axes = ([0, 1, 2] as const).filter((axis) => axis !== depth) as [Axis, Axis];
  return { axes, depth, at: points.map(({ at }): Point => [at[axes[0]], at[axes[1]]]) };
}

/** mm between two points of the body. */
export const apart = (a: Pick<DatumPoint, 'at'>, b: Pick<DatumPoint, 'at'>): number =>
  Math.hypot(a.at[0] - b.at[0], a.at[1] - b.at[1], a.at[2] - b.at[2]);
