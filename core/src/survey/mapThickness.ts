import { boxOf, inPolygon, type Point, type Polygon } from '../geometry/index.ts';
import { metalClass, surveyRules, weldableLimit, type MetalClass, type SurveyRules } from './classes.ts';
import { distinctSamples } from './krige.ts';
import { prepareNearKriging } from './krigeNear.ts';
import { normalCdf } from './normal.ts';
import { empiricalVariogram, fitVariogram, type Sample, type VariogramModel } from './variogram.ts';

/** Smallest number of readings for a map: fewer say nothing between them. */
export const FEWEST_READINGS = 3;
/** With fewer readings a variogram cannot be fitted with any trust; the usual one of a rusting sheet is taken. */
const FEWEST_FOR_FIT = 15;
/** Cells of one map: fine enough for a thumb-sized spot on the largest panel, quick enough for half a second. */
const CELLS = 3200;
/** mm. Standard deviation of a thickness gauge on prepared sheet; common practice, no published source. */
const GAUGE_SD = 0.02;

/** Order of the codes in `classes`; 0 is off the sheet, 1 not measured. */
export const CELL_CODES = ['off', 'unmeasured', 'sound', 'worn', 'thin', 'failing', 'through'] as const;
export type CellCode = (typeof CELL_CODES)[number];

/** A raster over the panel: cell value at its centre, row 0 lowest (u right, v up), row-major. */
export interface ThicknessMap {
  model: VariogramModel;
  cell: number;
  origin: readonly [number, number];
  columns: number;
  rows: number;
  /** Metal left, mm. */
  mean: Float32Array;
  /** Its standard deviation, mm. */
  sd: Float32Array;
  /** Probability that the metal is under the weldable limit. */
  under: Float32Array;
  /** Index into CELL_CODES. */
  classes: Uint8Array;
  /** mm. Below it nothing can be welded to. */
  limit: number;
  /** Shares of the sheet, 0 to 1. */
  summary: {
    measured: number;
    called: number;
    underLimit: number;
    underLimitSd: number;
    byClass: Record<MetalClass, number>;
  };
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
  rules = surveyRules,
}: {
  sheet: Polygon;
  asBuilt: number;
  readings: readonly Sample[];
  rules?: SurveyRules;
}): ThicknessMap {
  const { samples } = distinctSamples(readings);
  const model = modelOfSheet(samples, asBuilt);
  const kriging = prepareNearKriging(samples, model);
  const raster = rasterOver(sheet);
  const near = measuredCells(raster, samples, rules.reachMm);
  const mean = new Float64Array(near.length);
  const variance = new Float64Array(near.length);
  kriging.predict(
    near.map((i) => raster.u(i)),
    near.map((i) => raster.v(i)),
    mean,
    variance,
  );
  return classify({ raster, near, mean, variance, model, asBuilt, rules, leaveOneOut: kriging.leaveOneOut });
}

/** Fitted where there is enough to fit; its nugget is at least the doubt of the gauge. */
function modelOfSheet(samples: readonly Sample[], asBuilt: number): VariogramModel {
  const usual: VariogramModel = {
    kind: 'spherical',
    nugget: GAUGE_SD ** 2,
    partialSill: (0.2 * asBuilt) ** 2,
    range: 220,
  };
  const fitted = samples.length >= FEWEST_FOR_FIT ? fitVariogram(empiricalVariogram(samples)) : undefined;
  if (!fitted) return usual;
  return {
    ...fitted,
    nugget: Math.max(fitted.nugget, GAUGE_SD ** 2),
    partialSill: Math.max(fitted.partialSill, GAUGE_SD ** 2),
    range: Math.max(fitted.range, 30),
  };
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
 * @param readings at least 3, as for the map
 * @param at places in mm
 */
export function thicknessAt({
  asBuilt,
  readings,
  at,
  rules = surveyRules,
}: {
  asBuilt: number;
  readings: readonly Sample[];
  at: readonly Point[];
  rules?: SurveyRules;
}): ThicknessAt[] {
  const { samples } = distinctSamples(readings);
  const [mean, variance] = [new Float64Array(at.length), new Float64Array(at.length)];
  prepareNearKriging(samples, modelOfSheet(samples, asBuilt)).predict(
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

const inReach = (samples: readonly Sample[], u: number, v: number, reach: number) =>
  samples.some((s) => (s.u - u) ** 2 + (s.v - v) ** 2 <= reach * reach);

interface Raster {
  cell: number;
  origin: readonly [number, number];
  columns: number;
  rows: number;
  inside: Uint8Array;
  u(i: number): number;
  v(i: number): number;
}

function rasterOver(sheet: Polygon): Raster {
  const box = boxOf(sheet[0]!);
  const width = box.maxU - box.minU;
  const height = box.maxV - box.minV;
  const cell = Math.max(4, Math.sqrt((width * height) / CELLS));
  const columns = Math.ceil(width / cell);
  const rows = Math.ceil(height / cell);
  const u = (i: number) => box.minU + ((i % columns) + 0.5) * cell;
  const v = (i: number) => box.minV + (Math.floor(i / columns) + 0.5) * cell;
  const inside = Uint8Array.from({ length: columns * rows }, (_, i) => (inPolygon([u(i), v(i)], sheet) ? 1 : 0));
  return { cell, origin: [box.minU, box.minV], columns, rows, inside, u, v };
}

function measuredCells(raster: Raster, samples: readonly Sample[], reach: number): number[] {
  const cells: number[] = [];
  for (let i = 0; i < raster.inside.length; i++) {
    if (!raster.inside[i]) continue;
    if (inReach(samples, raster.u(i), raster.v(i), reach)) cells.push(i);
  }
  return cells;
}

interface Predicted {
  raster: Raster;
  near: readonly number[];
  mean: Float64Array;
  variance: Float64Array;
  model: VariogramModel;
  asBuilt: number;
  rules: SurveyRules;
  leaveOneOut: Float64Array;
}

function classify({ raster, near, mean, variance, model, asBuilt, rules, leaveOneOut }: Predicted): ThicknessMap {
  const size = raster.inside.length;
  const limit = weldableLimit(asBuilt, rules);
  const map = {
    mean: new Float32Array(size).fill(Number.NaN),
    sd: new Float32Array(size).fill(Number.NaN),
    under: new Float32Array(size).fill(Number.NaN),
  };
  const classes = Uint8Array.from(raster.inside);
  const byClass: Record<MetalClass, number> = { sound: 0, worn: 0, thin: 0, failing: 0, through: 0 };
  const cells = Math.max(
    1,
    raster.inside.reduce((sum, x) => sum + x, 0),
  );
  let [called, underLimit, doubt] = [0, 0, 0];
  near.forEach((cell, i) => {
    const metal = Math.max(0, mean[i]!);
    const sd = Math.max(GAUGE_SD, Math.sqrt(variance[i]!));
    const under = normalCdf((limit - metal) / sd);
    map.mean[cell] = metal;
    map.sd[cell] = sd;
    map.under[cell] = under;
    const name = metalClass(metal, asBuilt, rules);
    classes[cell] = CELL_CODES.indexOf(name);
    byClass[name] += 1 / cells;
    underLimit += under / cells;
    doubt += (under * (1 - under)) / cells;
    if (Math.max(under, 1 - under) >= rules.certainty) called += 1 / cells;
  });
  return {
    model,
    cell: raster.cell,
    origin: raster.origin,
    columns: raster.columns,
    rows: raster.rows,
    ...map,
    classes,
    limit,
    // Neighbouring cells err together, so the doubt of the share is that of whole patches, not of single cells.
    summary: { measured: near.length / cells, called, underLimit, underLimitSd: doubt, byClass },
    leaveOneOutRmse: Math.sqrt(leaveOneOut.reduce((sum, e) => sum + e * e, 0) / leaveOneOut.length),
  };
}
