import { finite } from '../check.ts';
import { neutralLine } from './bend.ts';

const RADIANS = Math.PI / 180;

export interface ReliefInput {
  /** Widths of the two folded edges, mm. */
  flangeA: number;
  flangeB: number;
  /** Degrees between the two fold lines, inside the skin; 90 is a square corner. */
  corner: number;
  /** Degrees by which the edges are folded: 90 stands square, 180 lies flat on the skin. */
  fold: number;
  /** Inside bend radius, mm. */
  radius: number;
  /** mm */
  thickness: number;
  /** mm left open where the two folded edges meet. */
  gap?: number;
}

export interface Relief {
  /** From the corner of the fold lines into the skin, along each fold: where its cut meets the free edge, mm; negative beyond the corner. */
  backA: number;
  backB: number;
  /** Opening of the notch at its root, degrees. */
  notch: number;
  /** Radius of the hole at the root, so that the corner does not tear, mm. */
  rootRadius: number;
  /**
   * How far the tip of the uncut corner lies from the corner of the fold lines on the flat skin,
   * mm: of a square corner flange·√2. Folded, that much is in the way.
   */
  surplus: number;
}

/**
 * Which notch lets the two folded edges of a corner meet instead of colliding (T-23)? Folded,
 * both edges end in the plane that halves the corner: a place w from the fold line lies
 * −w·cos(fold) inside it, so its cut runs back by −w·cos(fold)/tan(corner/2).
 *
 * @param corner degrees, 20 to 160; fold degrees, 10 to 180; lengths mm
 * @throws Problem naming the field
 * Source: plane geometry; that the corner is notched, common practice (T-23), no published source.
 */
export function cornerRelief({ flangeA, flangeB, corner, fold, radius, thickness, gap = 1 }: ReliefInput): Relief {
  finite('flangeA', flangeA, { above: 0, max: 1000, unit: 'mm' });
  finite('flangeB', flangeB, { above: 0, max: 1000, unit: 'mm' });
  finite('corner', corner, { min: 20, max: 160, unit: '°' });
  finite('fold', fold, { min: 10, max: 180, unit: '°' });
  finite('radius', radius, { min: 0, max: 100, unit: 'mm' });
  finite('thickness', thickness, { above: 0, max: 20, unit: 'mm' });
  finite('gap', gap, { min: 0, max: 20, unit: 'mm' });
  const half = (corner / 2) * RADIANS;
  const slope = -Math.cos(fold * RADIANS) / Math.tan(half);
  return {
    backA: flangeA * slope + gap / 2,
    backB: flangeB * slope + gap / 2,
    notch: 180 - corner + (2 * Math.atan(slope)) / RADIANS,
    rootRadius: radius + neutralLine(radius, thickness) * thickness,
    // Where the two free edges would meet, the folded edges laid flat beside the skin.
    surplus:
      Math.sqrt(flangeA ** 2 + flangeB ** 2 + 2 * flangeA * flangeB * Math.cos(corner * RADIANS)) /
      Math.sin(corner * RADIANS),
  };
}
