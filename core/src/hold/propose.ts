import type { DatumPoint, Figure } from '../body/index.ts';
import { braces, type BraceCheck } from './braces.ts';
import { apart, inPlane } from './inPlane.ts';

/** A round tube for braces, mm. */
export interface Tube {
  outer: number;
  wall: number;
}

/** A brace that a figure needs while some of its sides are out. */
export interface ProposedBrace {
  figure: string;
  ends: [string, string];
  /** Between the points, mm. */
  length: number;
  /** To be cut, mm: its ends stay off the corners, so that they are not on the seams. */
  cut: number;
  /** Against buckling under the push that is reckoned with. */
  reserve: number;
}

export interface BraceProposal {
  braces: ProposedBrace[];
  /** Sides that are out, by the points at their ends. */
  lost: [string, string][];
  /** With these braces it cannot change its shape in its plane. */
  stiff: boolean;
  /** Reserve against buckling that is usual. */
  usualReserve: number;
}

/** mm that the end of a brace stays off the corner: near the seam, not on it; common practice, no published source (T-15). */
export const OFF_CORNER = 60;
/** N that somebody who leans or climbs on it pushes with; common practice, no published source. */
export const PUSH = 1500;
/** A usual brace: 25 mm tube, mm. */
export const USUAL_TUBE: Tube = { outer: 25, wall: 2 };

/**
 * Which braces does a figure need while some panels are out? The fewest between its corners that keep its shape,
 * corners taken as hinges: the long ones first, then in place of the side that is out.
 *
 * @param figure with its sides; points at their places, mm
 * @param out panels that are cut or taken off
 * @param held how long each distance really is on this car, mm, where it was measured
 * @example proposeBraces({ id: 'd', name: '', points: ['a', 'b', 'c', 'd'], sides: [{ ends: ['a', 'b'], panels: [] }, { ends: ['b', 'c'], panels: [] }, { ends: ['c', 'd'], panels: [] }, { ends: ['d', 'a'], panels: ['sill'] }], blocks: '' }, { points: [{ id: 'a', name: '', at: [0, 0, 0] }, { id: 'b', name: '', at: [0, 0, 300] }, { id: 'c', name: '', at: [400, 0, 300] }, { id: 'd', name: '', at: [400, 0, 0] }], out: ['sill'] }).braces.length // → 2
 */
export function proposeBraces(
  figure: Figure,
  {
    points,
    out,
    tube = USUAL_TUBE,
    held = () => null,
  }: {
    points: readonly DatumPoint[];
    out: readonly string[];
    tube?: Tube;
    held?: (from: string, to: string) => number | null;
  },
): BraceProposal {
  const corners = figure.points.map((id) => points.find((point) => point.id === id)!);
  const { at } = inPlane(corners);
  const index = (id: string) => figure.points.indexOf(id);
  const sides = figure.sides.map(({ ends }): [number, number] => [index(ends[0]), index(ends[1])]);
  const lost = figure.sides.flatMap(({ panels }, i) =>
    panels.some((panel) => out.includes(panel)) ? [sides[i]!] : [],
  );
  const check = (chosen: readonly [number, number][]): BraceCheck =>
    braces({ joints: at, sides, lost, braces: chosen, tube, load: PUSH });
  if (figure.sides.length === 0 || lost.length === 0)
    return { braces: [], lost: [], stiff: true, usualReserve: check([]).usualReserve };
  const isSide = ([a, b]: readonly [number, number]) =>
    sides.some(([p, q]) => (p === a && q === b) || (p === b && q === a));
  const across = corners.flatMap((_, i) => corners.slice(i + 1).map((__, k): [number, number] => [i, i + 1 + k]));
  const candidates = [...across.filter((pair) => !isSide(pair)), ...lost];
  // From all that are possible, those go that are not needed; diagonals stay longest.
  const chosen = candidates.reduceRight((left: readonly [number, number][], pair) => {
    const without = left.filter((one) => one !== pair);
    return check(without).triangulated ? without : left;
  }, candidates);
  const now = check(chosen);
  return {
    lost: lost.map(([a, b]) => [figure.points[a]!, figure.points[b]!]),
    stiff: now.triangulated,
    usualReserve: now.usualReserve,
    braces: chosen.map(([a, b], i) => {
      const ends: [string, string] = [figure.points[a]!, figure.points[b]!];
      const length = held(...ends) ?? apart(corners[a]!, corners[b]!);
      // Buckling goes with the square of the length.
      const reserve = now.braces[i]!.reserve * (now.braces[i]!.length / length) ** 2;
      return { figure: figure.id, ends, length, cut: Math.max(0, length - 2 * OFF_CORNER), reserve };
    }),
  };
}
