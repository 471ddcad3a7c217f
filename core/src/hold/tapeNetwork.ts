import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { ROUNDING, SAME_LENGTH } from '../tolerances.ts';

export interface NetworkPoint {
  id: string;
  /** Approximate place, mm; a fixed coordinate is kept. */
  x: number;
  y: number;
  z?: number;
  fixed?: readonly ('x' | 'y' | 'z')[];
}
export interface Tape {
  from: string;
  to: string;
  /** mm */
  length: number;
  /** Standard deviation of this tape, mm. */
  sd: number;
}
export interface AdjustedNetwork {
  points: { id: string; x: number; y: number; z?: number; sd: { x: number; y: number; z?: number } }[];
  /** A-posteriori standard deviation of unit weight; null without redundancy. */
  sigma0: number | null;
  redundancy: number;
  tapes: { residual: number; normalised: number | null; redundancyNumber: number }[];
  /** Index of the tape that does not fit the others; null where none stands out. */
  suspect: number | null;
  /** All tapes whose normalised residual is as large as the suspect's: too few tapes to tell which of them it is. */
  alike: number[];
}

/** A normalised residual beyond this is a blunder at 0.1 % (two-sided). */
export const BLUNDER = 3.29;
/** Share of the greatest eigenvalue under which a direction is not determined. */
const UNDETERMINED = 1e-10;
/** A tape whose redundancy number is less is not checked by the others at all. */
const UNCHECKED = 1e-6;
const STEPS = 100;
/** mm. Movements under this end the iteration. */
const SETTLED = 1e-7;

/**
 * Where are the points of a body really, and which tape is a blunder? Least squares over all
 * taped distances by Gauss–Newton with damping; where nothing fixes place and turn, the
 * solution nearest to the given places is taken (free network). Blunders by Baarda's data snooping:
 * normalised residual = residual / (sd·√redundancy number).
 *
 * @param points 2 to 200, at their rough places, mm; all with z, or none
 * @param tapes 1 to 2,000; length and sd mm
 * @returns residual = adjusted − taped, mm
 * @throws Problem `disconnected`, `undetermined` naming the points
 * Source: Ghilani, Adjustment Computations, 6th ed., ch. 14 (trilateration) and 21 (blunders); Baarda 1968.
 */
export function tapeNetwork({
  points,
  tapes,
}: {
  points: readonly NetworkPoint[];
  tapes: readonly Tape[];
}): AdjustedNetwork {
  const network = checked(points, tapes);
  const { axes, at, unknowns } = network;
  const column = new Map(unknowns.map(({ point, axis }, i) => [`${point} ${axis}`, i]));
  let rows = linearised(network, column);
  let damping = 0;
  for (let step = 0; step < STEPS; step++) {
    const move = solveStep(rows, unknowns.length, damping);
    const before = cost(network);
    const kept = at.map((p) => [...p]);
    unknowns.forEach(({ point, axis }, i) => (at[point]![axis]! += move[i]!));
    if (cost(network) > before * (1 + 1e-12) + 1e-18) {
      kept.forEach((p, i) => (at[i] = p));
      damping = damping === 0 ? 1e-3 : damping * 10;
      if (damping > 1e12) break;
      continue;
    }
    damping = damping < ROUNDING ? 0 : damping / 10;
    rows = linearised(network, column);
    if (damping === 0 && Math.max(0, ...move.map(Math.abs)) < SETTLED) break;
  }
  const { inverse, rank } = pseudoInverse(rows, unknowns.length);
  const needed = unknowns.length - freedom(network);
  if (rank < needed) undetermined(network, rows, needed);
  const redundancy = tapes.length - rank;
  const squares = rows.reduce((sum, row) => sum + row.misfit ** 2, 0);
  const numbers = rows.map((row) => Math.min(1, Math.max(0, 1 - quadratic(row, inverse))));
  const out = rows.map((row, i) => {
    const checkedByOthers = numbers[i]! > UNCHECKED;
    const { sd } = tapes[i]!;
    return {
      residual: -row.misfit * sd,
      normalised: checkedByOthers ? -row.misfit / Math.sqrt(numbers[i]!) : null,
      redundancyNumber: numbers[i]!,
    };
  });
  const worst = out.reduce(
    (a, tape, i) => (Math.abs(tape.normalised ?? 0) > Math.abs(out[a]!.normalised ?? 0) ? i : a),
    0,
  );
  const most = Math.abs(out[worst]!.normalised ?? 0);
  const alike =
    most > BLUNDER ? out.flatMap((tape, i) => (Math.abs(tape.normalised ?? 0) > most * (1 - 1e-6) ? [i] : [])) : [];
  const sdOf = (point: number, axis: number) => {
    const i = column.get(`${point} ${axis}`);
    return i === undefined ? 0 : Math.sqrt(Math.max(0, inverse.get(i, i)));
  };
  return {
    points: points.map(({ id }, i) => ({
      id,
      x: at[i]![0]!,
      y: at[i]![1]!,
      ...(axes === 3 ? { z: at[i]![2]! } : {}),
      sd: { x: sdOf(i, 0), y: sdOf(i, 1), ...(axes === 3 ? { z: sdOf(i, 2) } : {}) },
    })),
    sigma0: redundancy > 0 ? Math.sqrt(squares / redundancy) : null,
    redundancy,
    tapes: out,
    suspect: alike[0] ?? null,
    alike,
  };
}

interface Network {
  ids: string[];
  axes: 2 | 3;
  at: number[][];
  fixed: boolean[][];
  unknowns: { point: number; axis: number }[];
  ends: [number, number][];
  tapes: readonly Tape[];
}
/** One tape: derivatives by unknown and misfit (taped − computed), both divided by its sd. */
interface Row {
  by: [number, number][];
  misfit: number;
}

function checked(points: readonly NetworkPoint[], tapes: readonly Tape[]): Network {
  list('points', points, 2, 200);
  const axes = points.some((p) => p?.z !== undefined) ? 3 : 2;
  const at = points.map((p, i) => [
    finite(`points[${i}].x`, p?.x, { min: -1e6, max: 1e6, unit: 'mm' }),
    finite(`points[${i}].y`, p.y, { min: -1e6, max: 1e6, unit: 'mm' }),
    ...(axes === 3 ? [finite(`points[${i}].z`, p.z, { min: -1e6, max: 1e6, unit: 'mm' })] : []),
  ]);
  const ids = points.map((p, i) => {
    if (typeof p.id !== 'string' || p.id === '')
      refuse('no-name', `points[${i}].id`, `points[${i}].id must be a name.`);
    return p.id;
  });
  const twice = ids.findIndex((id, i) => ids.indexOf(id) < i);
  if (twice >= 0)
    refuse('twice', `points[${twice}].id`, `Two points are called ${ids[twice]}; each needs a name of its own.`);
  const fixed = points.map((p, i) =>
    ['x', 'y', 'z']
      .slice(0, axes)
      .map((axis) => list<string>(`points[${i}].fixed`, p.fixed ?? [], 0, 3).includes(axis)),
  );
  const ends = list<Tape>('tapes', tapes, 1, 2000).map((tape, i): [number, number] => {
    finite(`tapes[${i}].length`, tape?.length, { above: 0, max: 1e6, unit: 'mm' });
    finite(`tapes[${i}].sd`, tape.sd, { min: 1e-4, max: 1e5, unit: 'mm' });
    const end = (side: 'from' | 'to') => {
      const found = ids.indexOf(tape[side]);
      if (found < 0)
        refuse(
          'unknown-point',
          `tapes[${i}].${side}`,
          `tapes[${i}].${side} names ${String(tape[side])}, which is no point.`,
        );
      return found;
    };
    const [a, b] = [end('from'), end('to')];
    if (a === b) refuse('same-point', `tapes[${i}].to`, `tapes[${i}] leads from ${ids[a]} to itself.`);
    if (at[a]!.every((x, k) => Math.abs(x - at[b]![k]!) < SAME_LENGTH))
      refuse(
        'coincident',
        `tapes[${i}].to`,
        `${ids[a]} and ${ids[b]} have the same rough place; move one to about where it is.`,
      );
    return [a, b];
  });
  connected(ids, ends, fixed);
  const unknowns = at.flatMap((_, point) =>
    Array.from({ length: axes }, (__, axis) => ({ point, axis })).filter(({ axis }) => !fixed[point]![axis]),
  );
  return { ids, axes, at: at.map((p) => [...p]), fixed, unknowns, ends, tapes };
}

/** Points that are fixed hold together by themselves; all others must hang on them by tapes. */
function connected(
  ids: readonly string[],
  ends: readonly (readonly [number, number])[],
  fixed: readonly boolean[][],
): void {
  const whole = fixed.map((axes) => axes.every(Boolean));
  const start = Math.max(0, whole.indexOf(true));
  const reached = new Set([start, ...whole.flatMap((yes, i) => (yes ? [i] : []))]);
  for (let grew = true; grew;) {
    grew = false;
    for (const [a, b] of ends)
      if (reached.has(a) !== reached.has(b)) {
        reached.add(a).add(b);
        grew = true;
      }
  }
  const apart = ids.filter((_, i) => !reached.has(i));
  if (apart.length > 0)
    refuse(
      'disconnected',
      'tapes',
      `No tape leads to ${apart.join(', ')} from the other points; measure at least one.`,
    );
}

function linearised({ at, ends, tapes }: Network, column: ReadonlyMap<string, number>): Row[] {
  return ends.map(([a, b], i) => {
    const d = at[b]!.map((x, k) => x - at[a]![k]!);
    const length = Math.max(ROUNDING, Math.hypot(...d));
    const { sd } = tapes[i]!;
    const by = d.flatMap((x, axis): [number, number][] => {
      const [ca, cb] = [column.get(`${a} ${axis}`), column.get(`${b} ${axis}`)];
      return [
        ...(ca === undefined ? [] : [[ca, -x / length / sd] as [number, number]]),
        ...(cb === undefined ? [] : [[cb, x / length / sd] as [number, number]]),
      ];
    });
    return { by, misfit: (tapes[i]!.length - length) / sd };
  });
}

function cost({ at, ends, tapes }: Network): number {
  return ends.reduce((sum, [a, b], i) => {
    const length = Math.hypot(...at[b]!.map((x, k) => x - at[a]![k]!));
    return sum + ((tapes[i]!.length - length) / tapes[i]!.sd) ** 2;
  }, 0);
}

function normal(rows: readonly Row[], n: number): { matrix: Matrix; right: number[] } {
  const matrix = Matrix.zeros(n, n);
  const right = new Array<number>(n).fill(0);
  for (const { by, misfit } of rows)
    for (const [i, x] of by) {
      right[i]! += x * misfit;
      for (const [j, y] of by) matrix.set(i, j, matrix.get(i, j) + x * y);
    }
  return { matrix, right };
}

/** Smallest movement that solves the normal equations; damped where the last one led uphill. */
function solveStep(rows: readonly Row[], n: number, damping: number): number[] {
  if (n === 0) return [];
  const { matrix, right } = normal(rows, n);
  const { vectors, values, largest } = eigen(matrix);
  const move = new Array<number>(n).fill(0);
  values.forEach((value, k) => {
    if (value < UNDETERMINED * largest) return;
    let share = 0;
    for (let i = 0; i < n; i++) share += vectors.get(i, k) * right[i]!;
    share /= value + damping * largest;
    for (let i = 0; i < n; i++) move[i]! += share * vectors.get(i, k);
  });
  return move;
}

function eigen(matrix: Matrix): { vectors: Matrix; values: number[]; largest: number } {
  const found = new EigenvalueDecomposition(matrix, { assumeSymmetric: true });
  const values = found.realEigenvalues;
  return { vectors: found.eigenvectorMatrix, values, largest: Math.max(...values, 1e-300) };
}

function pseudoInverse(rows: readonly Row[], n: number): { inverse: Matrix; rank: number } {
  const inverse = Matrix.zeros(n, n);
  if (n === 0) return { inverse, rank: 0 };
  const { vectors, values, largest } = eigen(normal(rows, n).matrix);
  let rank = 0;
  values.forEach((value, k) => {
    if (value < UNDETERMINED * largest) return;
    rank++;
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++)
        inverse.set(i, j, inverse.get(i, j) + (vectors.get(i, k) * vectors.get(j, k)) / value);
  });
  return { inverse, rank };
}

const quadratic = (row: Row, inverse: Matrix) =>
  row.by.reduce((sum, [i, x]) => sum + row.by.reduce((s, [j, y]) => s + x * y * inverse.get(i, j), 0), 0);

/** How many movements of the whole (shifts and turns) the fixed coordinates leave open: 0 to 3 in the plane, 0 to 6 in space. */
function freedom({ at, axes, fixed }: Network): number {
  const shifts = Array.from(
    { length: axes },
    (_, k) => (_point: readonly number[], axis: number) => (axis === k ? 1 : 0),
  );
  const pairs: [number, number][] =
    axes === 2
      ? [[0, 1]]
      : [
          [0, 1],
          [0, 2],
          [1, 2],
        ];
  const turns = pairs.map(
    ([a, b]) =>
      (p: readonly number[], axis: number) =>
        (axis === a ? -p[b]! : axis === b ? p[a]! : 0) / 1000,
  );
  const modes = [...shifts, ...turns];
  const held = at.flatMap((p, i) =>
    fixed[i]!.flatMap((yes, axis) => (yes ? [modes.map((mode) => mode(p, axis))] : [])),
  );
  if (held.length === 0) return modes.length;
  const { values, largest } = eigen(new Matrix(held).transpose().mmul(new Matrix(held)));
  return modes.length - values.filter((value) => value > ROUNDING * largest).length;
}

function undetermined(network: Network, rows: readonly Row[], needed: number): never {
  const { vectors, values } = eigen(normal(rows, network.unknowns.length).matrix);
  const order = values.map((_, i) => i).sort((a, b) => values[b]! - values[a]!);
  const loose = new Set<string>();
  for (const k of order.slice(needed - 1 < 0 ? 0 : needed - 1))
    network.unknowns.forEach(({ point }, i) => {
      if (Math.abs(vectors.get(i, k)) > 0.3) loose.add(network.ids[point]!);
    });
  return refuse(
    'undetermined',
    'tapes',
    `Too few tapes hold ${loose.size > 0 && loose.size < network.ids.length ? [...loose].join(', ') : 'the points'}: they can still swing. Add diagonals, or fix a coordinate.`,
  );
}
