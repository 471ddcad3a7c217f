import type { Polygon, Ring } from '../geometry/index.ts';
import { FEWEST_READINGS, mapThickness, proposeZones, type CensoredSample, type SurveyRules } from '../survey/index.ts';

/** Are there readings on three places, one of them with a value of its own? */
export function makesMap(readings: readonly CensoredSample[]): boolean {
  const places = new Set(readings.map(({ u, v }) => `${Math.round(u)} ${Math.round(v)}`));
  return places.size >= FEWEST_READINGS && readings.some((reading) => !reading.censored);
}

/**
 * Where is the metal more likely than not too thin to weld to? The line has to stay out of there.
 *
 * @param sheet outline and openings of the panel, mm
 * @param asBuilt thickness of the layer as built, mm
 * @param readings places (mm) and metal left (mm) of that layer; rules the usual ones where left out
 * @returns outlines, mm; none with too few readings for a map
 * Source: ordinary kriging, as the map of the panel.
 */
export function thinMetal({
  sheet,
  asBuilt,
  readings,
  rules,
}: {
  sheet: Polygon;
  asBuilt: number;
  readings: readonly CensoredSample[];
  rules?: SurveyRules;
}): Ring[] {
  if (!makesMap(readings)) return [];
  const map = mapThickness({ sheet, asBuilt, readings, ...(rules ? { rules } : {}) });
  return proposeZones(map, sheet, readings).map(({ ring }) => ring);
}
