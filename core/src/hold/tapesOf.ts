import type { DatumPoint } from '../body/index.ts';
import { Problem } from '../problem.ts';
import { design } from './design.ts';
import { apart, inPlane } from './inPlane.ts';
import { ROUNDING } from '../tolerances.ts';

/** Least redundancy number that is asked of every tape, and what is taken where the figure does not give it. */
const WANTED = [0.1, 0.05, 0.01, 0] as const;
/** Of a tape stretched by one person, mm; common practice, no published source. */
export const TAPE_SD = 1;

/**
 * Which tapes of a figure are taken, in an order that saves walking? As few as check each other (`design`), each
 * beginning where the one before ended where that can be.
 *
 * @param points of the figure, at their rough places, mm; 3 to 40
 * @param barred pairs of point ids between which something is in the way
 * @returns pairs of point ids
 * @throws Problem `undetermined` where fewer than three points are given or all lie on a line
 * @example tapesOf([{ id: 'a', name: 'a', at: [0, 0, 0] }, { id: 'b', name: 'b', at: [0, 0, 300] }, { id: 'c', name: 'c', at: [400, 0, 300] }, { id: 'd', name: 'd', at: [400, 0, 0] }]).length // → 6
 */
export function tapesOf(
  points: readonly DatumPoint[],
  barred: readonly (readonly [string, string])[] = [],
): [string, string][] {
  const flat = inPlane(points);
  const given = points.map(({ id }, i) => ({ id, x: flat.at[i]![0], y: flat.at[i]![1] }));
  const isBarred = ([a, b]: readonly [number, number]) =>
    barred.some((pair) => pair.includes(points[a]!.id) && pair.includes(points[b]!.id));
  const all = points
    .flatMap((_, i) => points.slice(i + 1).map((__, k): [number, number] => [i, i + 1 + k]))
    .filter((pair) => !isBarred(pair));
  for (const want of WANTED) {
    try {
      return walked(points, design({ points: given, tapes: all, sd: TAPE_SD, want }).chosen);
    } catch (error) {
      if (!(error instanceof Problem) || !isShort(error, barred)) throw error;
    }
  }
  return walked(points, all);
}

/** Too few tapes, or too weak ones: all that can be stretched are taken, and the figure says what it lacks. */
const isShort = ({ code }: Problem, barred: readonly unknown[]): boolean =>
  code === 'weak' || (code === 'undetermined' && barred.length > 0);

/** One tape after the other: from where one stands, the one whose farther end is nearest. */
function walked(points: readonly DatumPoint[], pairs: readonly (readonly [number, number])[]): [string, string][] {
  const left = [...pairs];
  const out: [string, string][] = [];
  let here = 0;
  while (left.length > 0) {
    const way = ([a, b]: readonly [number, number]) =>
      Math.min(apart(points[here]!, points[a]!), apart(points[here]!, points[b]!));
    const next = left.reduce((best, pair) => (way(pair) < way(best) - ROUNDING ? pair : best));
    left.splice(left.indexOf(next), 1);
    const [from, to] =
      apart(points[here]!, points[next[0]]!) <= apart(points[here]!, points[next[1]]!) ? next : [next[1], next[0]];
    out.push([points[from]!.id, points[to]!.id]);
    here = to;
  }
  return out;
}
