import { expose } from 'comlink';
import type { Point, Polygon, Ring } from '@aspecta/core/geometry';
import {
  mapCoating,
  mapThickness,
  nextReadings,
  proposeZones,
  region,
  regionOnPanel,
  spread,
  thicknessAt,
  type CensoredSample,
  type CoatingMap,
  type NextReading,
  type RegionInput,
  type Opening,
  type SpreadEvidence,
  type SurveyRules,
  type ThicknessAt,
  type ThicknessMap,
} from '@aspecta/core/survey';

/* Heavy computation, away from the page. */
export interface SurveyMap {
  map: ThicknessMap;
  proposed: { ring: Ring; area: number }[];
  /** Readings that it rests on: those that were left out are not among them. */
  used: number;
  /** ms that it took. */
  took: number;
}
export interface Advice {
  next: NextReading[];
}

/** How many places the advice names, and how far apart, mm. */
const ADVISED = 3;
const APART = 25;

const api = {
  thickness(
    sheet: Polygon,
    readings: readonly CensoredSample[],
    by: { asBuilt: number; limit: number; rules: SurveyRules },
  ): SurveyMap {
    const begun = performance.now();
    const map = mapThickness({ sheet, readings, ...by });
    return {
      map,
      proposed: proposeZones(map, sheet, readings),
      used: readings.length,
      took: performance.now() - begun,
    };
  },
  coating: (sheet: Polygon, readings: readonly CensoredSample[], rules: SurveyRules): CoatingMap =>
    mapCoating({ sheet, readings, rules }),
  next: (sheet: Polygon, points: readonly CensoredSample[], limit: number, asBuilt: number): Advice =>
    nextReadings({ points, outline: sheet, limit, asBuilt, count: ADVISED, minSpacing: APART }),
  spread: (visible: Polygon, evidence: SpreadEvidence, history: readonly Opening[], sheet: Polygon) =>
    spread({ visible, evidence, history, sheet }),
  /** What looks like the strokes on a picture, as areas of its panel, mm. */
  region: (
    picture: RegionInput,
    onto: { scale: number; matrix: readonly number[]; sheet: Polygon },
  ): { outlines: Polygon[]; parts: Polygon[] } => {
    const { outlines } = region(picture);
    return { outlines, parts: regionOnPanel({ outlines, ...onto }) };
  },
  along: (asBuilt: number, readings: readonly CensoredSample[], at: readonly Point[]): ThicknessAt[] =>
    thicknessAt({ asBuilt, readings, at }),
};
export type ComputeApi = typeof api;
expose(api);
