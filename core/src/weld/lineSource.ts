import { finite } from '../check.ts';
import { MATERIALS, STILL_AIR_FILM, mildSteel } from './material.ts';

/** W/(m·K) from which on a sheet is taken for aluminium. */
const ALUMINIUM_FROM = 90;

export interface LineSourceInput {
  /** Net heat put in, J. */
  energy: number;
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
  /** mm from the source. */
  distance: number;
  /** s after the heat was put in. */
  time: number;
}

/**
 * How much warmer is the sheet at a distance and time after a short weld? Instantaneous
 * line source through a thin plate without edges, with loss from both faces:
 * rise = E/(4πk·d·t) · exp(−r²/4at) · exp(−2ht/(ρc·d)).
 *
 * @returns rise in K above the surroundings; `holds` is false where the formula says more than
 *   the metal can be without melting: so soon and so close the source is no line, and its answer none
 * @throws Problem naming the field
 * Source: Carslaw & Jaeger, Conduction of Heat in Solids, §10.3; thin-plate loss as in Rosenthal 1946.
 */
export function lineSource({
  energy,
  thickness,
  conductivity = mildSteel.conductivity,
  density = mildSteel.density,
  heat = mildSteel.heat,
  film = STILL_AIR_FILM,
  distance,
  time,
}: LineSourceInput): { rise: number; holds: boolean } {
  finite('energy', energy, { min: 0, max: 1e9, unit: 'J' });
  finite('thickness', thickness, { min: 0.05, max: 100, unit: 'mm' });
  finite('conductivity', conductivity, { min: 0.01, max: 1e4, unit: 'W/(m·K)' });
  finite('density', density, { min: 1, max: 1e5, unit: 'kg/m³' });
  finite('heat', heat, { min: 1, max: 1e5, unit: 'J/(kg·K)' });
  finite('film', film, { min: 0, unit: 'W/(m²·K)' });
  finite('distance', distance, { min: 0, unit: 'mm' });
  finite('time', time, { above: 0, unit: 's' });
  const rise = plateSource({ conductivity, density, heat }, thickness, film)(energy, distance, time);
  // Aluminium conducts three times as well as any steel: by that the two are told apart.
  const melts = conductivity > ALUMINIUM_FROM ? MATERIALS.aluminium.melts : MATERIALS.steel.melts;
  return { rise, holds: rise <= melts };
}

/** The formula of lineSource for one plate, without checks: energy J, distance mm, time s. */
export function plateSource(
  material: { conductivity: number; density: number; heat: number },
  thicknessMm: number,
  film: number,
): (energy: number, distance: number, time: number) => number {
  const d = thicknessMm / 1000;
  const diffusivity = material.conductivity / (material.density * material.heat);
  const loss = (2 * film) / (material.density * material.heat * d);
  const factor = 1 / (4 * Math.PI * material.conductivity * d);
  const spread = 1e-6 / (4 * diffusivity);
  return (energy, distance, time) =>
    ((energy * factor) / time) * Math.exp(-(distance * distance * spread) / time - loss * time);
}
