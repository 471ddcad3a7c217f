import { expose } from 'comlink';
import type { Polygon, Ring } from '@aspecta/core/geometry';
import { mapThickness, proposeZones, type Sample, type ThicknessMap } from '@aspecta/core/survey';

/* Heavy computation, away from the page. */
export interface SurveyMap {
  map: ThicknessMap;
  proposed: { ring: Ring; area: number }[];
  /** ms that it took. */
  took: number;
}

const api = {
  map(sheet: Polygon, asBuilt: number, readings: readonly Sample[]): SurveyMap {
    const begun = performance.now();
    const map = mapThickness({ sheet, asBuilt, readings });
    return { map, proposed: proposeZones(map, sheet), took: performance.now() - begun };
  },
};
export type ComputeApi = typeof api;
expose(api);
