import { toRing, type Point, type Ring } from '../geometry/index.ts';
import type { ClosedJoint } from './closings.ts';

/** What stands in a workshop, as far as the work depends on it. */
export interface Tools {
  /** mm that the arms of its spot welder reach in over the sheet; null: there is none. */
  spotArm: number | null;
  /** Longest fold of its sheet bender, mm; null: there is none. */
  bender: number | null;
  /** The body can be turned: it hangs in a rotisserie or lies on a tilter. */
  turns: boolean;
}

/** mm. Sheet as wide as that can be folded over a bar by hand; common practice, no published source. */
const BY_HAND = 300;

/**
 * Can a spot welder reach this joint from the edge of its panel or the rim of an opening?
 *
 * @param joint closed by spots; rims outline of the sheet and its openings, mm
 * @param spotArm reach of the arms, mm; null where there is none
 * @returns what is in the way, in a sentence; null where nothing is
 * Source: by geometry: the arms go around the nearest edge; common practice, no published source.
 * @example spotReach({ closing: 'spot', line: [[0, 10], [100, 10]] }, [[[0, 0], [100, 0], [100, 50], [0, 50]]], 300) // → null
 */
export function spotReach(
  { closing, line }: Pick<ClosedJoint, 'closing' | 'line'>,
  rims: readonly Ring[],
  spotArm: number | null,
): string | null {
  if (closing !== 'spot') return null;
  if (spotArm === null) return 'No spot welder stands in this workshop: plug it, or borrow one.';
  const depth = Math.max(...line.map((at: Point) => Math.min(...rims.map((rim) => toRing(at, rim)))));
  return depth > spotArm
    ? `It lies up to ${Math.round(depth)} mm in from the nearest edge, and the arms of the spot welder reach ${Math.round(spotArm)} mm: plug it there, or go in through an opening.`
    : null;
}

/**
 * Which folds are longer than the sheet bender?
 *
 * @param bends lengths along the fold, mm
 * @param bender longest fold, mm; null where there is none: what is short is folded over a bar by hand
 * @returns those that are too long
 * @example tooLong([{ length: 900 }, { length: 400 }], 610) // → [{ length: 900 }]
 */
export const tooLong = <B extends { length: number }>(bends: readonly B[], bender: number | null): B[] =>
  bends.filter(({ length }) => length > (bender ?? BY_HAND));
