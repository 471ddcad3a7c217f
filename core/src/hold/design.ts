import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { ROUNDING, SAME_LENGTH } from '../tolerances.ts';

export interface DesignInput {
  points: readonly { id: string; x: number; y: number; z?: number }[];
  /** Pairs of points, by their index, between which a tape can be stretched. */
  tapes: readonly (readonly [number, number])[];
  /** Of a tape, mm. */
  sd: number;
  /** Least redundancy number of every tape, 0 to 1: by how much the others check it. */
  want: number;
}
export interface Design {
  chosen: [number, number][];
  /** Least redundancy number among them. */
  weakest: number;
}

/** Share of the greatest eigenvalue under which a direction is not determined. */
const UNDETERMINED = ROUNDING;
const CLOSE = ROUNDING;
/** Rounds in which two tapes are given up for one. */
const MOST_SWAPS = 40;

/**
 * Which tapes need be taken, so that every blunder is caught? As few as possible of those that can be
 * stretched, so that the free network is determined and each is checked by the others.
 *
 * @param input points at their rough places, mm (all with z, or none); tapes by index; sd mm; want
 * @returns the tapes that are taken, and the least redundancy number among them
 * @throws Problem naming the field; `undetermined`, `weak` where even all tapes are too few
 * Source: redundancy numbers Baarda 1968; design of networks Grafarend 1974; one tape less after the other, then exchanges.
 * @example design({ points: [{ id: 'a', x: 0, y: 0 }, { id: 'b', x: 400, y: 0 }, { id: 'c', x: 400, y: 300 }, { id: 'd', x: 0, y: 300 }], tapes: [[0, 1], [1, 2], [2, 3], [3, 0], [0, 2], [1, 3]], sd: 1, want: 0.1 }).chosen.length // → 6
 */
export function design({ points, tapes, sd, want }: DesignInput): Design {
  const { rows, unknowns } = rowsOf(points, tapes);
  finite('sd', sd, { above: 0, max: 1000, unit: 'mm' });
  finite('want', want, { min: 0, max: 0.99 });
  const all = rows.map((_, i) => i);
  const whole = cofactors(rows, all, unknowns);
  if (!whole)
    refuse(
      'undetermined',
      'tapes',
      'Even all of these tapes do not fix the shape: more points must be joined by tapes, or, where all lie in one plane, leave z out.',
    );
  if (weakestOf(all, whole!) < want - CLOSE)
    refuse(
      'weak',
      'want',
      `Even with all tapes the weakest is checked to ${weakestOf(all, whole!).toFixed(2)} only; want less, or let more tapes be stretched.`,
    );
  let best = thinned(all, whole!, want);
  for (let round = 0; round < MOST_SWAPS; round++) {
    const fewer = exchanged(best, { rows, unknowns, want });
    if (!fewer) break;
    best = fewer;
  }
  const chosen = [...best].sort((a, b) => a - b);
  return {
    chosen: chosen.map((i): [number, number] => [tapes[i]![0], tapes[i]![1]]),
    weakest: weakestOf(chosen, cofactors(rows, chosen, unknowns)!),
  };
}

/** One row of direction cosines for each tape. */
function rowsOf(points: DesignInput['points'], tapes: DesignInput['tapes']): { rows: number[][]; unknowns: number } {
  const given = list<DesignInput['points'][number]>('points', points, 3, 100);
  const deep = given.some((point) => point?.z !== undefined);
  const at = given.map((point, i) => [
    finite(`points[${i}].x`, point?.x, { min: -1e5, max: 1e5, unit: 'mm' }),
    finite(`points[${i}].y`, point.y, { min: -1e5, max: 1e5, unit: 'mm' }),
    ...(deep ? [finite(`points[${i}].z`, point.z, { min: -1e5, max: 1e5, unit: 'mm' })] : []),
  ]);
  const axes = deep ? 3 : 2;
  const rows = list<readonly [number, number]>('tapes', tapes, 1, 1000).map((tape, k) => {
    const [i, j] = [0, 1].map((end) => {
      const index = tape?.[end as 0 | 1];
      if (!Number.isInteger(index) || index! < 0 || index! >= at.length)
        refuse(
          'unknown-point',
          `tapes[${k}][${end}]`,
          `tapes[${k}][${end}] must be the number of a point, 0 to ${at.length - 1}.`,
        );
      return index!;
    }) as [number, number];
    const way = at[i]!.map((value, axis) => at[j]![axis]! - value);
    const length = Math.hypot(...way);
    if (length < SAME_LENGTH)
      refuse('no-length', `tapes[${k}]`, `tapes[${k}] joins two points that lie at the same place.`);
    const row = new Array<number>(at.length * axes).fill(0);
    way.forEach((value, axis) => {
      row[i * axes + axis] = -value / length;
      row[j * axes + axis] = value / length;
    });
    return row;
  });
  return { rows, unknowns: at.length * axes - (deep ? 6 : 3) };
}

/** A·(AᵀA)⁺·Aᵀ of these tapes; null where they do not fix the shape. */
function cofactors(rows: readonly number[][], which: readonly number[], unknowns: number): number[][] | null {
  if (which.length < unknowns) return null;
  const a = new Matrix(which.map((i) => rows[i]!));
  const { realEigenvalues: values, eigenvectorMatrix: vectors } = new EigenvalueDecomposition(a.transpose().mmul(a), {
    assumeSymmetric: true,
  });
  const most = Math.max(...values);
  const kept = values.map((value, i) => ({ value, i })).filter(({ value }) => value > UNDETERMINED * most);
  if (kept.length < unknowns) return null;
  const projected = a.mmul(vectors);
  return which.map((_, p) =>
    which.map((__, q) =>
      kept.reduce((sum, { value, i }) => sum + (projected.get(p, i) * projected.get(q, i)) / value, 0),
    ),
  );
}

const weakestOf = (which: readonly number[], q: readonly number[][]): number =>
  which.reduce((least, _, p) => Math.min(least, 1 - q[p]![p]!), 1);

/** Takes one tape after the other away, the one that is checked best first, as long as the rest is checked enough. */
function thinned(which: readonly number[], q: readonly number[][], want: number): number[] {
  let left = which.map((_, p) => p);
  let now = q.map((row) => [...row]);
  for (;;) {
    const r = (p: number) => 1 - now[p]![p]!;
    const candidates = left.filter((p) => r(p) > CLOSE).sort((a, b) => r(b) - r(a));
    // What the others are checked by without it, the one whose loss leaves the weakest best off.
    const best = candidates
      .map((p) => ({
        p,
        weakest: left.reduce((least, i) => (i === p ? least : Math.min(least, r(i) - now[i]![p]! ** 2 / r(p))), 1),
      }))
      .filter(({ weakest }) => weakest >= want - CLOSE)
      .reduce<{ p: number; weakest: number } | null>((a, b) => (a && a.weakest >= b.weakest ? a : b), null);
    if (!best) return left.map((p) => which[p]!);
    const { p } = best;
    const gone = r(p);
    left = left.filter((i) => i !== p);
    const column = now.map((row) => row[p]!);
    now = now.map((row, i) => row.map((value, k) => value + (column[i]! * column[k]!) / gone));
  }
}

/** Two tapes of the plan for one that is not in it; null where no exchange is left. */
function exchanged(
  chosen: readonly number[],
  { rows, unknowns, want }: { rows: readonly number[][]; unknowns: number; want: number },
): number[] | null {
  for (const add of rows.map((_, i) => i).filter((i) => !chosen.includes(i))) {
    const more = [...chosen, add];
    const q = cofactors(rows, more, unknowns);
    if (!q) continue;
    const fewer = thinnedFrom(more, q, want);
    if (fewer.length < chosen.length) return fewer;
  }
  return null;
}

/** The best of several ways to thin a plan: each tape is once the first that is taken away. */
function thinnedFrom(which: readonly number[], q: readonly number[][], want: number): number[] {
  let best = thinned(which, q, want);
  which.forEach((_, p) => {
    const r = 1 - q[p]![p]!;
    if (r <= CLOSE) return;
    const weakest = which.reduce(
      (least, __, i) => (i === p ? least : Math.min(least, 1 - q[i]![i]! - q[i]![p]! ** 2 / r)),
      1,
    );
    if (weakest < want - CLOSE) return;
    const keep = which.map((__, i) => i).filter((i) => i !== p);
    const reduced = keep.map((i) => keep.map((k) => q[i]![k]! + (q[i]![p]! * q[k]![p]!) / r));
    const found = thinned(
      keep.map((i) => which[i]!),
      reduced,
      want,
    );
    if (found.length < best.length) best = found;
  });
  return best;
}
