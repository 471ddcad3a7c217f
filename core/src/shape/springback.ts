import { finite } from '../check.ts';
import { refuse } from '../problem.ts';

interface Sheet {
  /** mm */
  thickness: number;
  /** Yield strength, MPa. */
  yield: number;
  /** Young's modulus, MPa. */
  modulus: number;
}
export type SpringbackInput = Sheet & ({ radius: number } | { wantedRadius: number });

export interface Relaxed {
  /** mm after letting go; null where it springs back flat. */
  relaxedRadius: number | null;
  /** True where the bend was elastic: the sheet is flat again. */
  elastic: boolean;
}
export interface Rolled {
  /** mm to roll to, so that the sheet relaxes to the wanted radius. */
  rollRadius: number;
}

/** From this x = Ri·Y/(E·t) on, no part of the thickness yields. */
const ELASTIC_FROM = 0.5;

/**
 * How far does a rolled sheet open again (T-04), or how tight must it be rolled?
 * Ri/Rf = 4x³ − 3x + 1 with x = Ri·Y/(E·t).
 *
 * @param radius to which it is bent, mm; or wantedRadius that must be left, mm
 * @param yield MPa; modulus MPa; thickness mm
 * @throws Problem naming the field; give one of radius and wantedRadius
 * Source: Gardiner 1957, The spring back of metals.
 */
export function springback(input: SpringbackInput): Relaxed | Rolled {
  const { thickness, yield: strength, modulus } = input;
  finite('thickness', thickness, { above: 0, max: 50, unit: 'mm' });
  finite('yield', strength, { above: 0, max: 5000, unit: 'MPa' });
  finite('modulus', modulus, { min: 1000, max: 1e6, unit: 'MPa' });
  const { radius, wantedRadius } = input as { radius?: number; wantedRadius?: number };
  if ((radius === undefined) === (wantedRadius === undefined))
    refuse(
      'one-of',
      'radius',
      'Give either radius (to which it is bent) or wantedRadius (that must be left), not both.',
    );
  /** mm. Radius from which the sheet springs back flat. */
  const flat = (ELASTIC_FROM * modulus * thickness) / strength;
  if (radius !== undefined) return relaxed(finite('radius', radius, { above: 0, max: 1e7, unit: 'mm' }), flat);
  return { rollRadius: rolled(finite('wantedRadius', wantedRadius, { above: 0, max: 1e7, unit: 'mm' }), flat) };
}

function relaxed(radius: number, flat: number): Relaxed {
  const share = ratio(radius, flat);
  if (radius >= flat || !(share > 0)) return { relaxedRadius: null, elastic: true };
  return { relaxedRadius: radius / share, elastic: false };
}

/** Ri/Rf */
function ratio(radius: number, flat: number): number {
  const x = (ELASTIC_FROM * radius) / flat;
  return 4 * x ** 3 - 3 * x + 1;
}

/** Ri/(Ri/Rf) grows from 0 without bound while Ri goes from 0 to the flat radius: bisection finds the one root. */
function rolled(wanted: number, flat: number): number {
  let [low, high] = [0, flat];
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    if (middle / ratio(middle, flat) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
