import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { bend, neutralLine } from './bend.ts';

export interface ProfileBend {
  /** Degrees by which the sheet is turned out of flat, above 0 and up to 180 (folded back on itself). */
  angle: number;
  /** Inside radius, mm. */
  radius: number;
  turn: 'up' | 'down';
}
export interface ProfileInput {
  /** mm */
  thickness: number;
  /** Outside, mm: to where the outer faces meet at bends up to 90°, to the outer tangent beyond. */
  legs: readonly number[];
  /** Between each leg and the next. */
  bends: readonly ProfileBend[];
  /** Where the neutral line lies, as a share of the thickness from the inside. */
  kFactor?: number;
}
export interface Profile {
  /** Width of the flat sheet, mm. */
  flat: number;
  /** Where each bend begins and ends on the flat sheet, and its middle, mm from the first edge. */
  bends: { from: number; to: number; middle: number }[];
}

/**
 * How wide is the flat sheet of a folded profile, and where are its bends marked? Each bend takes
 * off 2·setback − allowance from the sum of the outside legs; the setback is (r + t)·tan(θ/2) up to
 * 90° and r + t beyond.
 *
 * @param thickness mm, above 0 to 50; legs 2 to 60, mm; bends one fewer; kFactor 0 to 1
 * @throws Problem naming the field; `leg-too-short` where the bends beside a leg need more than it has
 * Source: DIN 6935 (outside dimensions, k after neutralLine); plane geometry.
 * @example profile({ thickness: 1, legs: [20, 60, 20], bends: [{ angle: 90, radius: 1, turn: 'up' }, { angle: 90, radius: 1, turn: 'up' }], kFactor: 0.5 }).flat // → 96.71238898038469
 */
export function profile({ thickness, legs, bends, kFactor }: ProfileInput): Profile {
  const t = finite('thickness', thickness, { above: 0, max: 50, unit: 'mm' });
  const outside = list<number>('legs', legs, 2, 60).map((leg, i) =>
    finite(`legs[${i}]`, leg, { above: 0, max: 20_000, unit: 'mm' }),
  );
  if (kFactor !== undefined) finite('kFactor', kFactor, { min: 0, max: 1 });
  const folds = list<ProfileBend>('bends', bends, outside.length - 1, outside.length - 1).map((fold, i) => {
    if (fold?.turn !== 'up' && fold?.turn !== 'down')
      refuse('unknown-turn', `bends[${i}].turn`, `bends[${i}].turn must be "up" or "down".`);
    const angle = finite(`bends[${i}].angle`, fold.angle, { above: 0, max: 180, unit: '°' });
    const radius = finite(`bends[${i}].radius`, fold.radius, { min: 0, max: 1000, unit: 'mm' });
    return foldOf(angle, radius, t, kFactor);
  });
  const straight = outside.map((leg, i) => leg - (folds[i - 1]?.setback ?? 0) - (folds[i]?.setback ?? 0));
  straight.forEach((left, i) => {
    if (left < 0)
      refuse(
        'leg-too-short',
        `legs[${i}]`,
        `Leg ${i + 1} is ${outside[i]} mm; the bends beside it take ${(outside[i]! - left).toFixed(1)} mm. Make it longer, or the radius smaller.`,
      );
  });
  let at = 0;
  const marks = folds.map(({ allowance }, i) => {
    const from = at + straight[i]!;
    at = from + allowance;
    return { from, to: at, middle: from + allowance / 2 };
  });
  return { flat: at + straight.at(-1)!, bends: marks };
}

/** How much sheet a fold takes, and how far its outside corner lies from where it begins. */
function foldOf(angle: number, radius: number, thickness: number, kFactor: number | undefined) {
  const k = kFactor ?? neutralLine(radius, thickness);
  const allowance = ((angle * Math.PI) / 180) * (radius + k * thickness);
  const setback = angle > 90 ? radius + thickness : bend({ angle, radius, thickness, kFactor: k }).setback;
  return { allowance, setback };
}
