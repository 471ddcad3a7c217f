import { finite } from '../check.ts';
import type { Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { isInSheet, ownersOf, placeOf, type ClosedJoint } from '../repair/index.ts';

/** How the metal goes on beyond an edge of a piece: turned by an angle, or flat where that is 0. */
export interface Turn {
  /** Beyond the edge, outside, mm; 0 where the piece ends there. */
  width: number;
  /** Degrees out of flat: 0 lies flat, 90 square, 180 folded back. */
  angle: number;
  /** In: away from the face that is seen. */
  way: 'in' | 'out';
}

/** What a person has said of the edge that passes a place, kept by that place, as choices of joints are. */
export interface TurnChoice extends Turn {
  at: Point;
  kind: string;
}

/** mm of overlap under a lap, and of the step of a joggle */
const LAP = 25;
const JOGGLE = 13;
/** mm of a flange that is plugged, spotted or brazed, and of one that is bolted or riveted. */
const WELDED = 15;
const FASTENED = 20;
/** mm, where nothing is known of the width of a hem or a fold. */
const HEM = 10;
const FOLD = 12;
const ENDS: Turn = { width: 0, angle: 0, way: 'in' };

/**
 * How does the metal usually go on beyond this joint? A butted edge ends there, a lap lies flat under its
 * neighbour, a flange stands square, a hem is folded back.
 *
 * @returns width in mm, angle in degrees
 * Source: common practice, no published source (T-24, T-36, T-40, T-42).
 */
export function usualTurn({ kind, closing, height }: Pick<ClosedJoint, 'kind' | 'closing' | 'height'>): Turn {
  if (closing === 'butt' || kind === 'free') return ENDS;
  if (isInSheet({ kind })) return { width: closing === 'joggle' ? JOGGLE : LAP, angle: 0, way: 'in' };
  if (kind === 'hem') return { width: height ?? HEM, angle: 180, way: 'in' };
  if (kind === 'bolt' || kind === 'rivet') return { width: height ?? FASTENED, angle: 90, way: 'in' };
  if (kind === 'spot' || kind === 'braze') return { width: height ?? WELDED, angle: 90, way: 'in' };
  return { width: height ?? FOLD, angle: 90, way: 'in' };
}

/** A turn, and how it is known. */
export interface KnownTurn extends Turn {
  /** Somebody has said so. */
  chosen: boolean;
  /** It comes with the bought panel from which the piece is cut: nothing is turned. */
  bought?: boolean;
}

/**
 * How each joint of a piece goes on: as somebody has said of it, else as is usual. Choices come by place; the last word counts.
 *
 * @param bought the piece is cut from a bought panel: its own edges are on it already, until somebody says that one is not as it should be
 */
export function turnsOf(joints: readonly ClosedJoint[], choices: readonly TurnChoice[], bought = false): KnownTurn[] {
  choices.forEach((choice, i) => {
    finite(`choices[${i}].width`, choice.width, { min: 0, max: 200, unit: 'mm' });
    finite(`choices[${i}].angle`, choice.angle, { min: 0, max: 180, unit: '°' });
    if (choice.way !== 'in' && choice.way !== 'out')
      refuse('unknown-way', `choices[${i}].way`, 'An edge is turned “in” or “out”.');
  });
  const said = ownersOf(joints, choices);
  return joints.map((joint, i) => {
    const choice = said.get(i);
    return choice
      ? { width: choice.width, angle: choice.angle, way: choice.way, chosen: true }
      : bought && !isInSheet(joint)
        ? { ...ENDS, chosen: false, bought: true }
        : { ...usualTurn(joint), chosen: false };
  });
}

/** The place by which a turn keeps to its edge. */
export const turnPlace = placeOf;
