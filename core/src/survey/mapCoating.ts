import type { Polygon } from '../geometry/index.ts';
import type { CensoredSample } from './censored.ts';
import { coatingClass, fillerDepth, surveyRules, type CoatingClass, type SurveyRules } from './classes.ts';
import { normalCdf } from './normal.ts';
import { rasterMap, type Outlier, type Raster } from './rasterMap.ts';
import { empiricalVariogram, fitVariogram, type Sample, type VariogramModel } from './variogram.ts';

/** Order of the codes in `classes`; 0 is off the sheet, 1 not measured. */
export const COATING_CODES = ['off', 'unmeasured', 'bare', 'original', 'repainted', 'heavy', 'filler'] as const;
export type CoatingCode = (typeof COATING_CODES)[number];

/** Coating over a sheet, cell by cell. */
export interface CoatingMap extends Raster {
  model: VariogramModel;
  /** Coating, µm. */
  mean: Float32Array;
  /** Its standard deviation, µm. */
  sd: Float32Array;
  /** Probability of filler. */
  filler: Float32Array;
  /** Index into COATING_CODES. */
  classes: Uint8Array;
  summary: {
    /** Shares of the sheet, 0 to 1. */
    measured: number;
    filler: number;
    byClass: Record<CoatingClass, number>;
    /** Deepest filler on the map, mm, and whether a reading there was over the range of its gauge. */
    deepestFiller: number;
    moreThan: boolean;
  };
  outliers: Outlier[];
  leaveOneOutRmse: number;
}

/** µm. Standard deviation of a magnetic gauge on paint; common practice, no published source. */
const GAUGE_SD = 10;
const FEWEST_FOR_FIT = 15;

/**
 * How thick is the coating over the sheet, and where is filler? Over-range readings count as
 * “more than”: they are estimated beyond the range and never averaged as if measured.
 *
 * @param sheet outline and openings, mm
 * @param readings places (mm) and coating (µm), `censored: 'above'` where over range; at least 3
 * Source: kriging as survey.krige; censored values as fillCensored.
 */
export function mapCoating({
  sheet,
  readings,
  rules = surveyRules,
}: {
  sheet: Polygon;
  readings: readonly CensoredSample[];
  rules?: SurveyRules;
}): CoatingMap {
  const { inside, near, mean, sd, ...rest } = rasterMap({
    sheet,
    readings,
    modelOf: coatingModel,
    reach: rules.reachMm,
    gaugeSd: GAUGE_SD,
  });
  const cellsWith = () => new Float32Array(inside.length).fill(Number.NaN);
  const map = { mean: cellsWith(), sd: cellsWith(), filler: cellsWith() };
  const classes = Uint8Array.from(inside);
  const byClass: Record<CoatingClass, number> = { bare: 0, original: 0, repainted: 0, heavy: 0, filler: 0 };
  const cells = Math.max(
    1,
    inside.reduce((sum, x) => sum + x, 0),
  );
  let [fillerShare, deepest] = [0, 0];
  near.forEach((cell, i) => {
    const coating = Math.max(0, mean[i]!);
    const name = coatingClass(coating, rules);
    map.mean[cell] = coating;
    map.sd[cell] = sd[i]!;
    map.filler[cell] = 1 - normalCdf((rules.coatingUm.heavy - coating) / sd[i]!);
    classes[cell] = COATING_CODES.indexOf(name);
    byClass[name] += 1 / cells;
    fillerShare += map.filler[cell]! / cells;
    deepest = Math.max(deepest, fillerDepth(coating, rules));
  });
  return {
    ...rest,
    ...map,
    classes,
    summary: {
      measured: near.length / cells,
      filler: fillerShare,
      byClass,
      deepestFiller: Math.max(deepest, ...readings.map((reading) => fillerDepth(reading.value, rules))),
      moreThan: readings.some((reading) => reading.censored === 'above'),
    },
  };
}

function coatingModel(samples: readonly Sample[]): VariogramModel {
  const usual: VariogramModel = { kind: 'spherical', nugget: GAUGE_SD ** 2, partialSill: 250 ** 2, range: 260 };
  const fitted = samples.length >= FEWEST_FOR_FIT ? fitVariogram(empiricalVariogram(samples)) : undefined;
  if (!fitted) return usual;
  return {
    kind: fitted.kind,
    nugget: Math.max(fitted.nugget, GAUGE_SD ** 2),
    partialSill: Math.max(fitted.partialSill, 30 ** 2),
    range: Math.max(60, fitted.range),
  };
}
