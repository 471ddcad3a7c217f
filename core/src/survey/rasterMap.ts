import { boxOf, inPolygon, type Polygon } from '../geometry/index.ts';
import { fillCensored, type CensoredSample } from './censored.ts';
import { distinctSamples } from './krige.ts';
import { prepareNearKriging } from './krigeNear.ts';
import type { Sample, VariogramModel } from './variogram.ts';

/** Cells of one map: fine enough for a thumb-sized spot on the largest panel, quick enough for half a second. */
const CELLS = 3200;
/** A reading that its neighbours foretell so badly is pointed out: 1 in 1,000 of good ones. */
const OUTLIER_SIGMAS = 3.29;

/** A raster over the panel: cell value at its centre, row 0 lowest (u right, v up), row-major. */
export interface Raster {
  cell: number;
  origin: readonly [number, number];
  columns: number;
  rows: number;
}

/** A reading that does not fit its neighbours. */
export interface Outlier {
  u: number;
  v: number;
  value: number;
  /** What the neighbours say, and how sure they are. */
  expected: number;
  sd: number;
}

export interface RasterMap extends Raster {
  model: VariogramModel;
  /** Distinct readings, with what stands in for censored ones. */
  samples: readonly Sample[];
  /** 1 on the sheet. */
  inside: Uint8Array;
  /** Cells on the sheet within reach of a reading. */
  near: readonly number[];
  /** For each of `near`. */
  mean: Float64Array;
  sd: Float64Array;
  outliers: Outlier[];
  leaveOneOutRmse: number;
}

/** Distinct samples with what stands in for censored ones, and the variogram of those that were measured. */
export function modelled(
  readings: readonly CensoredSample[],
  modelOf: (samples: readonly Sample[]) => VariogramModel,
): { model: VariogramModel; samples: Sample[] } {
  const measured = readings.filter((reading) => !reading.censored);
  const model = modelOf(distinctSamples(measured.length >= 3 ? measured : readings).samples);
  return { model, samples: distinctSamples(fillCensored(readings, model)).samples };
}

/**
 * Readings → kriged raster: what every map of a sheet is made from. Censored readings are
 * filled in first; places out of reach of any reading stay out of `near`.
 *
 * @param readings in any unit; at least 3 distinct places
 * @param modelOf gives the variogram for the distinct samples
 * @param reach mm
 * @param gaugeSd least doubt of any place, in the unit of the values
 */
export function rasterMap({
  sheet,
  readings,
  modelOf,
  reach,
  gaugeSd,
}: {
  sheet: Polygon;
  readings: readonly CensoredSample[];
  modelOf: (samples: readonly Sample[]) => VariogramModel;
  reach: number;
  gaugeSd: number;
}): RasterMap {
  const { model, samples } = modelled(readings, modelOf);
  const kriging = prepareNearKriging(samples, model);
  const raster = rasterOver(sheet);
  const near = cellsInReach(raster, samples, reach);
  const [mean, variance] = [new Float64Array(near.length), new Float64Array(near.length)];
  kriging.predict(
    near.map((i) => uOf(raster, i)),
    near.map((i) => vOf(raster, i)),
    mean,
    variance,
  );
  keepBeyond(raster, near, mean, readings);
  const censored = new Set(
    readings.filter((reading) => reading.censored).map((reading) => `${reading.u} ${reading.v}`),
  );
  return {
    ...raster,
    model,
    samples,
    near,
    mean,
    sd: variance.map((value) => Math.max(gaugeSd, Math.sqrt(value))),
    outliers: samples.flatMap((sample, i): Outlier[] => {
      const [residual, sd] = [kriging.leaveOneOut[i]!, Math.max(gaugeSd, kriging.leaveOneOutSd[i]!)];
      if (Math.abs(residual) < OUTLIER_SIGMAS * sd || censored.has(`${sample.u} ${sample.v}`)) return [];
      return [{ ...sample, expected: sample.value - residual, sd }];
    }),
    leaveOneOutRmse: Math.sqrt(kriging.leaveOneOut.reduce((sum, e) => sum + e * e, 0) / samples.length),
  };
}

/** Where a gauge went over (or under) its range, the map says at least (or at most) that much: smoothing must not take it back. */
function keepBeyond(
  raster: Raster,
  near: readonly number[],
  mean: Float64Array,
  readings: readonly CensoredSample[],
): void {
  for (const { u, v, value, censored } of readings) {
    if (!censored) continue;
    near.forEach((cell, i) => {
      if (Math.hypot(uOf(raster, cell) - u, vOf(raster, cell) - v) > raster.cell) return;
      mean[i] = censored === 'above' ? Math.max(mean[i]!, value) : Math.min(mean[i]!, value);
    });
  }
}

export const uOf = ({ origin, columns, cell }: Raster, i: number) => origin[0] + ((i % columns) + 0.5) * cell;
export const vOf = ({ origin, columns, cell }: Raster, i: number) => origin[1] + (Math.floor(i / columns) + 0.5) * cell;

function rasterOver(sheet: Polygon): Raster & { inside: Uint8Array } {
  const box = boxOf(sheet[0]!);
  const width = box.maxU - box.minU;
  const height = box.maxV - box.minV;
  const cell = Math.max(4, Math.sqrt((width * height) / CELLS));
  const raster: Raster = {
    cell,
    origin: [box.minU, box.minV],
    columns: Math.ceil(width / cell),
    rows: Math.ceil(height / cell),
  };
  const inside = Uint8Array.from({ length: raster.columns * raster.rows }, (_, i) =>
    inPolygon([uOf(raster, i), vOf(raster, i)], sheet) ? 1 : 0,
  );
  return { ...raster, inside };
}

/** Is a place within `reach` mm of one of the samples? */
export const inReach = (samples: readonly Sample[], u: number, v: number, reach: number) =>
  samples.some((s) => (s.u - u) ** 2 + (s.v - v) ** 2 <= reach * reach);

function cellsInReach(raster: Raster & { inside: Uint8Array }, samples: readonly Sample[], reach: number): number[] {
  const cells: number[] = [];
  for (let i = 0; i < raster.inside.length; i++)
    if (raster.inside[i] && inReach(samples, uOf(raster, i), vOf(raster, i), reach)) cells.push(i);
  return cells;
}
