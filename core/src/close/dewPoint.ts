import { finite } from '../check.ts';

/** Magnus formula over water; °C. */
const A = 17.62;
const B = 243.12;
/** K by which the steel is warmer than the dew point, at least. */
const MARGIN = 3;

/**
 * May the steel be coated now, or does it sweat?
 *
 * @param air °C; humidity %, above 0; steel °C
 * @returns dew point °C, margin K of the steel over it, and whether that is at least 3 K
 * @throws Problem naming the field
 * Source: Magnus formula, WMO guide no. 8 (17.62 and 243.12 °C; Sonntag 1990); 3 K: ISO 8502-4.
 * @example dewPoint({ air: 20, humidity: 50, steel: 12 }).apply // → false
 */
export function dewPoint({ air, humidity, steel }: { air: number; humidity: number; steel: number }): {
  dewPoint: number;
  margin: number;
  apply: boolean;
} {
  finite('air', air, { min: -45, max: 60, unit: '°C' });
  finite('humidity', humidity, { above: 0, max: 100, unit: '%' });
  finite('steel', steel, { min: -60, max: 200, unit: '°C' });
  const gamma = Math.log(humidity / 100) + (A * air) / (B + air);
  const dew = (B * gamma) / (A - gamma);
  const margin = steel - dew;
  return { dewPoint: dew, margin, apply: margin >= MARGIN };
}
