import type { Point, Polygon } from '../geometry/index.ts';
import { calledShare } from './called.ts';
import type { CensoredSample } from './censored.ts';
import { metalClass, surveyRules, weldableLimit, type MetalClass, type SurveyRules } from './classes.ts';
import { prepareNearKriging } from './krigeNear.ts';
import { normalCdf } from './normal.ts';
import { inReach, modelled, rasterMap, uOf, vOf, type Outlier, type Raster, type RasterMap } from './rasterMap.ts';
import { shareUnder } from './shareUnder.ts';
import { GAUGE_SD, modelOfSheet } from './sheetModel.ts';
import type { VariogramModel } from './variogram.ts';

/** Smallest number of readings for a map: fewer say nothing between them. */
export const FEWEST_READINGS = 3;

/** Order of the codes in `classes`; 0 is off the sheet, 1 not measured. */
export const CELL_CODES = ['off', 'unmeasured', 'sound', 'worn', 'thin', 'failing', 'through'] as const;
export type CellCode = (typeof CELL_CODES)[number];

/** Metal left over a sheet, cell by cell. */
export interface ThicknessMap extends Raster {
  model: VariogramModel;
  /** Metal left, mm. */
  mean: Float32Array;
  /** Its standard deviation, mm. */
  sd: Float32Array;
  /** Probability that the metal is under the limit. */
  under: Float32Array;
  /** Index into CELL_CODES. */
  classes: Uint8Array;
  /** mm. Below it nothing can be welded to, or what was asked for instead. */
  limit: number;
  /** Shares of the sheet, 0 to 1. */
  summary: {
    measured: number;
    /** Of the whole sheet; see `calledShare`. */
    called: number;
    underLimit: number;
    /** By conditional simulation; see `shareUnder`. */
    underLimitSd: number;
    /** Share that is under the limit with at least 90 % certainty. */
    surelyUnder: number;
    byClass: Record<MetalClass, number>;
  };
  /** Readings that their neighbours do not bear out; mm. */
  outliers: Outlier[];
  /** mm */
  leaveOneOutRmse: number;
}

/**
 * The way of a reading to the map: readings → variogram → kriging → classes → doubt.
 * What is not measured is coded as such and never as sound.
 *
 * @param sheet outline and openings of the panel, mm
 * @param asBuilt thickness as built, mm
 * @param readings places (mm) and metal left (mm); at least 3
 * @throws Problem from the kriging
 */
export function mapThickness({
  sheet,
  asBuilt,
  readings,
  limit,
  rules = surveyRules,
}: {
  sheet: Polygon;
  asBuilt: number;
  readings: readonly CensoredSample[];
  /** mm; the weldable limit of the house where left out. */
  limit?: number;
  rules?: SurveyRules;
}): ThicknessMap {
  const raster = rasterMap({
    sheet,
    readings,
    modelOf: (samples) => modelOfSheet(samples, asBuilt),
    reach: rules.reachMm,
    gaugeSd: GAUGE_SD,
  });
  return classify(raster, asBuilt, limit ?? weldableLimit(asBuilt, rules), rules);
}

/** Metal at single places: the same model as the map, without the raster. */
export interface ThicknessAt {
  /** Within reach of a reading; where not, the rest says nothing. */
  measured: boolean;
  /** mm */
  mean: number;
  /** mm */
  sd: number;
  /** Probability that the metal is under the weldable limit. */
  under: number;
}

/**
 * How thick is the metal at these places, and can it be welded to?
 *
 * @param readings at least 3, as for the map; one of them with a value of its own
 * @param at places in mm
 */
export function thicknessAt({
  asBuilt,
  readings,
  at,
  rules = surveyRules,
}: {
  asBuilt: number;
  readings: readonly CensoredSample[];
  at: readonly Point[];
  rules?: SurveyRules;
}): ThicknessAt[] {
  const { model, samples } = modelled(readings, (measured) => modelOfSheet(measured, asBuilt));
  const [mean, variance] = [new Float64Array(at.length), new Float64Array(at.length)];
  prepareNearKriging(samples, model).predict(
    at.map((p) => p[0]),
    at.map((p) => p[1]),
    mean,
    variance,
  );
  const limit = weldableLimit(asBuilt, rules);
  return at.map(([u, v], i) => {
    const sd = Math.max(GAUGE_SD, Math.sqrt(variance[i]!));
    return {
      measured: inReach(samples, u, v, rules.reachMm),
      mean: Math.max(0, mean[i]!),
      sd,
      under: normalCdf((limit - mean[i]!) / sd),
    };
  });
}

function classify(raster: RasterMap, asBuilt: number, limit: number, rules: SurveyRules): ThicknessMap {
  const { inside, near, mean, sd, samples, ...rest } = raster;
  const cellsWith = () => new Float32Array(inside.length).fill(Number.NaN);
  const map = { mean: cellsWith(), sd: cellsWith(), under: cellsWith() };
  const classes = Uint8Array.from(inside);
  const byClass: Record<MetalClass, number> = { sound: 0, worn: 0, thin: 0, failing: 0, through: 0 };
  const cells = Math.max(
    1,
    inside.reduce((sum, x) => sum + x, 0),
  );
  let [underLimit, surelyUnder] = [0, 0];
  const underOf: number[] = [];
  near.forEach((cell, i) => {
    const metal = Math.max(0, mean[i]!);
    const under = normalCdf((limit - metal) / sd[i]!);
    map.mean[cell] = metal;
    map.sd[cell] = sd[i]!;
    map.under[cell] = under;
    const name = metalClass(metal, asBuilt, rules);
    classes[cell] = CELL_CODES.indexOf(name);
    byClass[name] += 1 / cells;
    underLimit += under / cells;
    underOf.push(under);
    if (under >= rules.certainty) surelyUnder += 1 / cells;
  });
  const measured = near.length / cells;
  // Cells of which it is open on which side they lie; of the others none is in doubt.
  const open = near.filter((_, i) => Math.abs(underOf[i]! - 0.5) < 0.4995);
  const doubt = shareUnder({
    at: open.map((cell) => ({ u: uOf(raster, cell), v: vOf(raster, cell) })),
    samples,
    model: raster.model,
    limit,
    gaugeSd: GAUGE_SD,
  });
  return {
    ...rest,
    ...map,
    classes,
    limit,
    summary: {
      measured,
      called: calledShare(underOf, cells, samples, rules),
      underLimit,
      underLimitSd: (doubt.sd * open.length) / cells,
      surelyUnder,
      byClass,
    },
  };
}
