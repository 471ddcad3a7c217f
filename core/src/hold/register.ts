import { determinant, Matrix, SingularValueDecomposition } from 'ml-matrix';
import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { ROUNDING } from '../tolerances.ts';

export type Place = readonly [number, number, number];

export interface Registration {
  /** Row by row; measured ≈ rotation · baseline + translation. */
  rotation: number[];
  /** mm */
  translation: [number, number, number];
  /** mm that each point is off after the movement. */
  residuals: number[];
  /** mm, weighted root mean square of the residuals. */
  rms: number;
}

/** Share of the greatest spread under which points count as lying on a line. */
const FLAT = ROUNDING;

/**
 * Which rigid movement leads from the baseline to what is measured now, and how far is each
 * point still off? Least squares, rotation without reflection.
 *
 * @param baseline,measured 3 to 10,000 places, mm, in the same order, not all on a line
 * @param weights one for each point, 0 or more; equal when left out
 * @throws Problem naming the field
 * Source: Kabsch 1976; Umeyama 1991.
 */
export function register({
  baseline,
  measured,
  weights,
}: {
  baseline: readonly Place[];
  measured: readonly Place[];
  weights?: readonly number[];
}): Registration {
  const from = places('baseline', baseline);
  const to = places('measured', measured);
  if (to.length !== from.length)
    refuse(
      'different-length',
      'measured',
      `measured has ${to.length} places and baseline ${from.length}; give one for each.`,
    );
  const shares = from.map((_, i) =>
    weights === undefined ? 1 : finite(`weights[${i}]`, weights[i], { min: 0, max: 1e9 }),
  );
  const total = shares.reduce((a, b) => a + b, 0);
  if (!(total > 0)) refuse('no-weight', 'weights', 'At least three points need a weight above zero.');
  const [a, b] = [middle(from, shares, total), middle(to, shares, total)];
  onALine('baseline', from, shares, a);
  onALine('measured', to, shares, b);

  const covariance = Matrix.zeros(3, 3);
  from.forEach((p, k) => {
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++)
        covariance.set(i, j, covariance.get(i, j) + shares[k]! * (to[k]![i]! - b[i]!) * (p[j]! - a[j]!));
  });
  const svd = new SingularValueDecomposition(covariance);
  const [u, v] = [svd.leftSingularVectors, svd.rightSingularVectors];
  const sign = determinant(u) * determinant(v) < 0 ? -1 : 1;
  const rotation = u.mmul(Matrix.diag([1, 1, sign])).mmul(v.transpose());
  const turned = (p: readonly number[]) =>
    [0, 1, 2].map((i) => rotation.get(i, 0) * p[0]! + rotation.get(i, 1) * p[1]! + rotation.get(i, 2) * p[2]!);
  const ta = turned(a);
  const translation = [0, 1, 2].map((i) => b[i]! - ta[i]!) as [number, number, number];
  const residuals = from.map((p, k) => {
    const q = turned(p);
    return Math.hypot(...[0, 1, 2].map((i) => q[i]! + translation[i]! - to[k]![i]!));
  });
  const squares = residuals.reduce((sum, r, k) => sum + shares[k]! * r * r, 0);
  return { rotation: rotation.to1DArray(), translation, residuals, rms: Math.sqrt(squares / total) };
}

function places(field: string, given: readonly Place[]): number[][] {
  return list<Place>(field, given, 3, 10_000).map((p, i) => {
    list<number>(`${field}[${i}]`, p, 3, 3);
    return [0, 1, 2].map((k) => finite(`${field}[${i}][${k}]`, p[k], { min: -1e7, max: 1e7, unit: 'mm' }));
  });
}

const middle = (points: readonly number[][], weights: readonly number[], total: number) =>
  [0, 1, 2].map((i) => points.reduce((sum, p, k) => sum + weights[k]! * p[i]!, 0) / total);

function onALine(
  field: string,
  points: readonly number[][],
  weights: readonly number[],
  centre: readonly number[],
): void {
  const spread = new Matrix(points.map((p, k) => p.map((x, i) => (x - centre[i]!) * Math.sqrt(weights[k]!))));
  const values = new SingularValueDecomposition(spread, {
    computeLeftSingularVectors: false,
    computeRightSingularVectors: false,
    autoTranspose: true,
  }).diagonal;
  if (!(values[0]! > 1e-6))
    refuse('coincident', field, `All places of ${field} are one place; measure points apart from each other.`);
  if ((values[1] ?? 0) < FLAT * values[0]!)
    refuse(
      'collinear',
      field,
      `The places of ${field} lie on one line: a turn about it would not show. Measure a point beside it.`,
    );
}
