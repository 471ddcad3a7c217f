import { Matrix, SingularValueDecomposition } from 'ml-matrix';
import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface TiltInput {
  /** Where a point lies on the car, mm: x backwards, y to the left, z upwards; and its height above a level floor. */
  points: readonly { x: number; y: number; z: number; height: number }[];
}
export interface Tilt {
  /** mm by which the left side stands higher for each metre across. */
  left: number;
  /** mm by which the rear stands higher for each metre along. */
  rear: number;
  /** mm that the point lies off which lies farthest from that plane: twist, or a height that was misread. */
  off: number;
}

/** Of the spread of the points in their widest direction, that they must spread across it. */
const LEAST_SPREAD = 0.05;

/**
 * How does a car lean on what it stands on? The plane that lies best through what its points stand higher than on
 * the drawing, by least squares.
 *
 * @param input at least three points that do not lie on a line; mm
 * @throws Problem `on-a-line` where the points do not tell both directions
 * Source: least squares.
 * @example tilt({ points: [{ x: 0, y: 500, z: 300, height: 303 }, { x: 0, y: -500, z: 300, height: 300 }, { x: 2000, y: 500, z: 300, height: 303 }] }).left.toFixed(1) // → '3.0'
 */
export function tilt({ points }: TiltInput): Tilt {
  const given = list<TiltInput['points'][number]>('points', points, 3, 200).map((point, i) => {
    const of = (key: 'x' | 'y' | 'z' | 'height') =>
      finite(`points[${i}].${key}`, point?.[key], { min: -1e5, max: 1e5, unit: 'mm' });
    return { x: of('x'), y: of('y'), rise: of('height') - of('z') };
  });
  const mean = (of: (point: (typeof given)[number]) => number) =>
    given.reduce((sum, point) => sum + of(point), 0) / given.length;
  const [x0, y0, rise0] = [mean(({ x }) => x), mean(({ y }) => y), mean(({ rise }) => rise)];
  const places = new Matrix(given.map(({ x, y }) => [x - x0, y - y0]));
  const svd = new SingularValueDecomposition(places);
  if (svd.diagonal[1]! < LEAST_SPREAD * svd.diagonal[0]!)
    refuse(
      'on-a-line',
      'points',
      'These points lie on a line: measure heights on both sides, at the front and at the rear.',
    );
  const slopes = svd.solve(new Matrix(given.map(({ rise }) => [rise - rise0])));
  const [along, across] = [slopes.get(0, 0), slopes.get(1, 0)];
  const off = given.map(({ x, y, rise }) => rise - rise0 - along * (x - x0) - across * (y - y0));
  return { left: across * 1000, rear: along * 1000, off: Math.max(...off.map(Math.abs)) };
}
