import { finite } from '../check.ts';
import { refuse } from '../problem.ts';
import { STILL_AIR_FILM, mildSteel } from './material.ts';

/** m. A thousandth of a millimetre. */
const LEAST_DISTANCE = 1e-6;
/** 1/m. Heat that reaches farther than a thousand kilometres is not steady in this life. */
const LEAST_DECAY = 1e-6;

export interface MovingSourceInput {
  /** Net heat that goes into the sheet, W. */
  power: number;
  /** mm/s */
  speed: number;
  /** mm */
  thickness: number;
  /** W/(m·K); mild steel when left out, as the next two. */
  conductivity?: number;
  /** kg/m³ */
  density?: number;
  /** J/(kg·K) */
  heat?: number;
  /** W/(m²·K) on each face. */
  film?: number;
  /** mm from the arc in the direction of travel; negative behind it. */
  ahead: number;
  /** mm beside the line of travel. */
  beside: number;
}

/**
 * How warm is the sheet around an arc that has been moving for a long time? Quasi-steady line
 * source in a thin plate: rise = q/(2πkd) · exp(−v·ξ/2a) · K0(m·r), with
 * m² = (v/2a)² + 2h/(kd).
 *
 * @returns rise in K above the surroundings; at the arc itself the formula has no value
 * @throws Problem naming the field
 * Source: Rosenthal 1946, The theory of moving sources of heat.
 */
export function movingSource({
  power,
  speed,
  thickness,
  conductivity = mildSteel.conductivity,
  density = mildSteel.density,
  heat = mildSteel.heat,
  film = STILL_AIR_FILM,
  ahead,
  beside,
}: MovingSourceInput): { rise: number } {
  finite('power', power, { min: 0, max: 1e6, unit: 'W' });
  finite('speed', speed, { min: 0, max: 1000, unit: 'mm/s' });
  finite('thickness', thickness, { min: 0.05, max: 100, unit: 'mm' });
  finite('conductivity', conductivity, { min: 0.01, max: 1e4, unit: 'W/(m·K)' });
  finite('density', density, { min: 1, max: 1e5, unit: 'kg/m³' });
  finite('heat', heat, { min: 1, max: 1e5, unit: 'J/(kg·K)' });
  finite('film', film, { min: 0, max: 1e5, unit: 'W/(m²·K)' });
  finite('ahead', ahead, { min: -1e6, max: 1e6, unit: 'mm' });
  finite('beside', beside, { min: -1e6, max: 1e6, unit: 'mm' });
  const r = Math.hypot(ahead, beside) / 1000;
  if (r < LEAST_DISTANCE)
    refuse(
      'at-the-source',
      'beside',
      'At the arc itself this formula has no value; ask a little ahead, behind or beside it.',
    );
  const d = thickness / 1000;
  const half = speed / 1000 / (2 * (conductivity / (density * heat)));
  const m = Math.sqrt(half * half + (2 * film) / (conductivity * d));
  if (m < LEAST_DECAY)
    refuse(
      'never-steady',
      'speed',
      'Without travel and without loss the plate never stops warming; give a speed or a film.',
    );
  // Both factors together: each alone would leave the range of numbers far behind the arc.
  const exponent = -half * (ahead / 1000) - m * r;
  return { rise: (power / (2 * Math.PI * conductivity * d)) * Math.exp(exponent) * scaledK0(m * r) };
}

/** Step of the trapezoidal rule; its error falls like exp(−π²/h). */
const STEP = 0.05;

/**
 * exp(x)·K0(x) for x > 0, K0 the modified Bessel function of the second kind: the integral
 * of exp(−x(cosh t − 1)) over t ≥ 0 by the trapezoidal rule, which converges exponentially here.
 * Source: Abramowitz & Stegun 9.6.24.
 */
export function scaledK0(x: number): number {
  const end = Math.acosh(1 + 40 / x);
  const step = Math.min(STEP, end / 60);
  let sum = 0.5;
  for (let t = step; t <= end; t += step) sum += Math.exp(-x * (Math.cosh(t) - 1));
  return sum * step;
}
