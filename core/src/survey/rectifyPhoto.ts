import { EigenvalueDecomposition, Matrix, solve } from 'ml-matrix';
import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { ROUNDING } from '../tolerances.ts';

/** A point that is known on the picture (px) and on the panel (mm). */
export interface PhotoPair {
  x: number;
  y: number;
  u: number;
  v: number;
}

export interface RectifiedPhoto {
  /** Row by row; takes (x, y, 1) to (u·w, v·w, w). */
  matrix: number[];
  points: { u: number; v: number }[];
  /** mm, over the pairs; zero with four. */
  rms: number;
  worst: number;
  /** mm, in the order of the pairs. */
  residuals: number[];
}

/** Smallest share of the picture's size that three of four points must span sideways; less is a line within a finger's width. */
const LEAST_SPAN = 1e-3;

/**
 * Where on the panel is what the picture shows? The projective map of a flat sheet from four
 * or more known points: normalised direct linear transformation, then Gauss–Newton to the
 * least squares in mm.
 *
 * @param pairs 4 to 200; x, y in px, u, v in mm; no three of four on one line
 * @param points places on the picture to carry over
 * @throws Problem `collinear`, `repeated` or `beyond-horizon`, naming the pair or point
 * Source: Hartley & Zisserman 2004, algorithms 4.2 and 4.3 (least squares in one image).
 */
export function rectifyPhoto({
  pairs,
  points,
}: {
  pairs: readonly PhotoPair[];
  points: readonly { x: number; y: number }[];
}): RectifiedPhoto {
  const known = list<PhotoPair>('pairs', pairs, 4, 200).map((pair, i) => ({
    x: finite(`pairs[${i}].x`, pair?.x, { min: -1e6, max: 1e6 }),
    y: finite(`pairs[${i}].y`, pair?.y, { min: -1e6, max: 1e6 }),
    u: finite(`pairs[${i}].u`, pair?.u, { min: -1e6, max: 1e6, unit: 'mm' }),
    v: finite(`pairs[${i}].v`, pair?.v, { min: -1e6, max: 1e6, unit: 'mm' }),
  }));
  refuseFlat(
    known.map(({ x, y }) => [x, y]),
    'picture',
  );
  refuseFlat(
    known.map(({ u, v }) => [u, v]),
    'panel',
  );
  const from = normalising(known.map(({ x, y }) => [x, y]));
  const to = normalising(known.map(({ u, v }) => [u, v]));
  const scaled = known.map((pair) => {
    const [x, y] = from.apply(pair.x, pair.y);
    const [u, v] = to.apply(pair.u, pair.v);
    return { x, y, u, v };
  });
  const h = known.length === 4 ? direct(scaled) : refined(direct(scaled), scaled);
  const matrix = unscaled(h, from, to);
  const orientation = Math.sign(weight(matrix, known[0]!));
  known.forEach((pair, i) => {
    if (Math.sign(weight(matrix, pair)) !== orientation)
      refuse(
        'beyond-horizon',
        `pairs[${i}]`,
        `Point ${i + 1} and the others cannot lie on one flat sheet; check which place it belongs to.`,
      );
  });
  const residuals = known.map((pair) => {
    const { u, v } = carry(matrix, pair);
    return Math.hypot(u - pair.u, v - pair.v);
  });
  return {
    matrix,
    points: list<{ x: number; y: number }>('points', points, 0, 100_000).map((point, i) => {
      const place = { x: finite(`points[${i}].x`, point?.x), y: finite(`points[${i}].y`, point?.y) };
      if (Math.sign(weight(matrix, place)) !== orientation)
        refuse(
          'beyond-horizon',
          `points[${i}]`,
          `Point ${i + 1} lies beyond the horizon of the sheet; choose one on the panel.`,
        );
      return carry(matrix, place);
    }),
    rms: Math.sqrt(residuals.reduce((sum, r) => sum + r * r, 0) / residuals.length),
    worst: Math.max(...residuals),
    residuals,
  };
}

type Pair2 = readonly [number, number];

/** Its sign changes at the horizon of the sheet. */
export const weight = (m: readonly number[], { x, y }: { x: number; y: number }) => m[6]! * x + m[7]! * y + m[8]!;
/** Where a place of the picture lies on the panel. */
export function carry(m: readonly number[], { x, y }: { x: number; y: number }): { u: number; v: number } {
  const w = weight(m, { x, y });
  return { u: (m[0]! * x + m[1]! * y + m[2]!) / w, v: (m[3]! * x + m[4]! * y + m[5]!) / w };
}

/** Refuses places of which too few span an area: repeated ones, or all but one on one line. */
function refuseFlat(places: readonly Pair2[], where: 'picture' | 'panel'): void {
  const size = Math.max(
    ...[0, 1].map((axis) => Math.max(...places.map((p) => p[axis]!)) - Math.min(...places.map((p) => p[axis]!))),
  );
  const least = LEAST_SPAN * Math.max(size, ROUNDING);
  const apart = (a: Pair2, b: Pair2) => Math.hypot(a[0] - b[0], a[1] - b[1]);
  const distinct = places.filter((p, i) => !places.slice(0, i).some((q) => apart(p, q) < least));
  if (distinct.length < 4)
    refuse(
      'repeated',
      'pairs',
      `Only ${distinct.length} of the points differ on the ${where}; mark four different ones.`,
    );
  const onLine = (p: Pair2, a: Pair2, b: Pair2) =>
    Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) / apart(a, b) < least;
  for (const [i, a] of distinct.entries())
    for (const b of distinct.slice(i + 1))
      if (distinct.filter((p) => p !== a && p !== b && !onLine(p, a, b)).length < 2)
        refuse(
          'collinear',
          'pairs',
          `On the ${where} all points but one lie on one line; mark four corners that span an area.`,
        );
}

/** Moves and scales points to their centroid and a mean distance of √2. */
function normalising(points: readonly Pair2[]) {
  const cx = points.reduce((sum, p) => sum + p[0], 0) / points.length;
  const cy = points.reduce((sum, p) => sum + p[1], 0) / points.length;
  const s = Math.SQRT2 / (points.reduce((sum, p) => sum + Math.hypot(p[0] - cx, p[1] - cy), 0) / points.length);
  return { s, cx, cy, apply: (x: number, y: number): Pair2 => [(x - cx) * s, (y - cy) * s] };
}
type Normalising = ReturnType<typeof normalising>;

/** The matrix whose residuals of the linear equations are least: the eigenvector of AᵀA with the smallest eigenvalue. */
function direct(pairs: readonly PhotoPair[]): number[] {
  const rows = pairs.flatMap(({ x, y, u, v }) => [
    [0, 0, 0, -x, -y, -1, v * x, v * y, v],
    [x, y, 1, 0, 0, 0, -u * x, -u * y, -u],
  ]);
  const a = new Matrix(rows);
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(a.transpose().mmul(a), {
    assumeSymmetric: true,
  });
  return eigenvectorMatrix.getColumn(realEigenvalues.indexOf(Math.min(...realEigenvalues)));
}

/** Gauss–Newton, with a brake (Levenberg–Marquardt), on the distances on the panel. */
function refined(start: readonly number[], pairs: readonly PhotoPair[]): number[] {
  const norm = Math.hypot(...start);
  let h = start.map((x) => x / norm);
  let [cost, brake] = [costOf(h, pairs), 1e-6];
  for (let round = 0; round < 100 && brake < 1e12; round++) {
    const step = stepOf(h, pairs, brake);
    const next = h.map((x, i) => x + step[i]!);
    const scale = Math.hypot(...next);
    const better = next.map((x) => x / scale);
    const reached = costOf(better, pairs);
    if (reached < cost) {
      const gain = cost - reached;
      [h, cost, brake] = [better, reached, brake / 10];
      if (gain <= 1e-16 * cost) break;
    } else brake *= 10;
  }
  return h;
}

const costOf = (h: readonly number[], pairs: readonly PhotoPair[]) =>
  pairs.reduce((sum, pair) => {
    const { u, v } = carry(h, pair);
    return sum + (u - pair.u) ** 2 + (v - pair.v) ** 2;
  }, 0);

function stepOf(h: readonly number[], pairs: readonly PhotoPair[], brake: number): number[] {
  const rows: number[][] = [];
  const errors: number[] = [];
  for (const pair of pairs) {
    const { x, y } = pair;
    const w = weight(h, pair);
    const { u, v } = carry(h, pair);
    rows.push([x / w, y / w, 1 / w, 0, 0, 0, (-u * x) / w, (-u * y) / w, -u / w]);
    rows.push([0, 0, 0, x / w, y / w, 1 / w, (-v * x) / w, (-v * y) / w, -v / w]);
    errors.push(pair.u - u, pair.v - v);
  }
  const j = new Matrix(rows);
  const normal = j.transpose().mmul(j);
  for (let i = 0; i < 9; i++) normal.set(i, i, normal.get(i, i) * (1 + brake) + brake);
  return solve(normal, j.transpose().mmul(Matrix.columnVector(errors))).to1DArray();
}

/** T_to⁻¹ · H · T_from, scaled so that its last element is one where it can be. */
function unscaled(h: readonly number[], from: Normalising, to: Normalising): number[] {
  const inner = new Matrix([h.slice(0, 3), h.slice(3, 6), h.slice(6, 9)] as number[][]);
  const first = new Matrix([
    [from.s, 0, -from.s * from.cx],
    [0, from.s, -from.s * from.cy],
    [0, 0, 1],
  ]);
  const last = new Matrix([
    [1 / to.s, 0, to.cx],
    [0, 1 / to.s, to.cy],
    [0, 0, 1],
  ]);
  const m = last.mmul(inner).mmul(first).to1DArray();
  const scale = Math.abs(m[8]!) > 1e-12 * Math.hypot(...m) ? m[8]! : Math.hypot(...m);
  return m.map((x) => x / scale);
}
