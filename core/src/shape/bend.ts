import { finite } from '../check.ts';

const RADIANS = Math.PI / 180;

export interface BendInput {
  /** Degrees by which the sheet is turned out of flat, above 0 and under 180. */
  angle: number;
  /** Inside radius, mm. */
  radius: number;
  /** mm */
  thickness: number;
  /** Where the neutral line lies, as a share of the thickness from the inside. */
  kFactor?: number;
}

export interface Bend {
  /** Length of sheet that goes into the bend, mm. */
  allowance: number;
  /** From the tangent point to the apex of the outer faces, mm. */
  setback: number;
  /** What the sum of the two outer legs is longer than the flat sheet, mm. */
  deduction: number;
  kFactor: number;
}

/**
 * How much sheet does a bend take? The neutral line lies at kFactor·t from the inside;
 * allowance = θ·(r + kFactor·t), setback = (r + t)·tan(θ/2), deduction = 2·setback − allowance.
 *
 * @param angle degrees, 0 to 180 (both excluded); radius mm, 0 to 10,000; thickness mm, 0 to 50
 * @throws Problem naming the field
 * Source: plane geometry; default k after DIN 6935, see neutralLine.
 */
export function bend({ angle, radius, thickness, kFactor }: BendInput): Bend {
  finite('angle', angle, { above: 0, max: 179, unit: '°' });
  finite('radius', radius, { min: 0, max: 10_000, unit: 'mm' });
  finite('thickness', thickness, { above: 0, max: 50, unit: 'mm' });
  if (kFactor !== undefined) finite('kFactor', kFactor, { min: 0, max: 1 });
  const k = kFactor ?? neutralLine(radius, thickness);
  const allowance = angle * RADIANS * (radius + k * thickness);
  const setback = (radius + thickness) * Math.tan((angle * RADIANS) / 2);
  return { allowance, setback, deduction: 2 * setback - allowance, kFactor: k };
}

/**
 * Share of the thickness, from the inside, at which the sheet keeps its length:
 * half of k = 0.65 + 0.5·log10(r/t), at most 1 and at least 0 (a knife-sharp bend).
 * Source: DIN 6935.
 */
export function neutralLine(radius: number, thickness: number): number {
  if (radius === 0) return 0;
  return Math.min(1, Math.max(0, 0.65 + 0.5 * Math.log10(radius / thickness))) / 2;
}
