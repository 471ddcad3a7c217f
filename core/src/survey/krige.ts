import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { SAME_PLACE } from '../tolerances.ts';
import { prepareKriging } from './kriging.ts';
import { prepareNearKriging } from './krigeNear.ts';
import { empiricalVariogram, fitVariogram, type Sample, type VariogramModel } from './variogram.ts';

/** More readings than this on one sheet are refused: the matrix would pass 200 MB. */
const MOST_POINTS = 5000;
const MOST_PLACES = 250_000;
/** readings² × places. Beyond it, seconds would pass: a moving neighbourhood takes over, and the answer says so. */
const MOST_EXACT_WORK = 2.5e8;

export interface KrigeInput {
  points: readonly Sample[];
  model?: VariogramModel;
  at: readonly { u: number; v: number }[];
}

export interface KrigeResult {
  model: VariogramModel;
  at: { u: number; v: number; mean: number; variance: number }[];
  /** Root mean square of the residuals when each reading is left out in turn. */
  leaveOneOutRmse: number;
  warnings: string[];
}

/**
 * What is the value between the readings, and how sure is it? Ordinary kriging, point
 * support; the nugget belongs to the prediction variance of an unsampled place, and a
 * sampled place is reproduced with variance zero. Where readings² × places passes 2.5·10⁸
 * each place is estimated from its 64 nearest readings, with a warning.
 *
 * @param points 3 to 5,000 readings; u, v in mm, value in any unit. Places closer than
 *   0.5 mm are averaged, with a warning
 * @param model nugget, partial sill (value²) and range (mm); fitted when left out
 * @param at places to estimate, mm
 * @throws Problem naming the field
 * Source: Journel & Huijbregts 1978; Cressie 1993; leave-one-out after Dubrule 1983.
 */
export function krige({ points, model, at }: KrigeInput): KrigeResult {
  const { samples, averaged } = distinctSamples(points);
  list<{ u: number; v: number }>('at', at, 0, MOST_PLACES).forEach((place, i) => {
    finite(`at[${i}].u`, place?.u, { unit: 'mm' });
    finite(`at[${i}].v`, place?.v, { unit: 'mm' });
  });
  const used = model ? checkedModel(model) : modelFor(samples);
  const exact = samples.length ** 2 * at.length <= MOST_EXACT_WORK;
  const kriging = exact ? prepareKriging(samples, used) : prepareNearKriging(samples, used);
  const mean = new Float64Array(at.length);
  const variance = new Float64Array(at.length);
  kriging.predict(
    at.map((p) => p.u),
    at.map((p) => p.v),
    mean,
    variance,
  );
  return {
    model: used,
    at: at.map(({ u, v }, i) => ({ u, v, mean: mean[i]!, variance: variance[i]! })),
    leaveOneOutRmse: Math.sqrt(kriging.leaveOneOut.reduce((sum, e) => sum + e * e, 0) / samples.length),
    warnings: [
      ...(averaged === 0 ? [] : [`${averaged} readings lie on the place of another one and were averaged with it.`]),
      ...(exact ? [] : ['So much is asked that each place is estimated from its 64 nearest readings.']),
    ],
  };
}

/** Readings with those on the same place (0.5 mm) averaged; checks every value. */
export function distinctSamples(points: readonly Sample[], fewest = 3): { samples: Sample[]; averaged: number } {
  list('points', points, fewest, MOST_POINTS);
  const cells = new Map<string, { sum: Sample; count: number }>();
  points.forEach((point, i) => {
    const u = finite(`points[${i}].u`, point?.u, { min: -1e7, max: 1e7, unit: 'mm' });
    const v = finite(`points[${i}].v`, point?.v, { min: -1e7, max: 1e7, unit: 'mm' });
    const value = finite(`points[${i}].value`, point?.value, { min: -1e9, max: 1e9 });
    const key = `${Math.round(u / SAME_PLACE)} ${Math.round(v / SAME_PLACE)}`;
    const cell = cells.get(key);
    if (cell) {
      cell.sum.value += value;
      cell.count++;
    } else cells.set(key, { sum: { u, v, value }, count: 1 });
  });
  const samples = [...cells.values()].map(({ sum, count }) => ({ ...sum, value: sum.value / count }));
  if (samples.length < fewest)
    refuse('too-few', 'points', 'At least three readings on different places are needed for a map.');
  return { samples, averaged: points.length - samples.length };
}

/** Lets a sound variogram model through. */
export function checkedModel(model: VariogramModel): VariogramModel {
  if (!['spherical', 'exponential', 'gaussian'].includes(model.kind))
    refuse('unknown-model', 'model.kind', 'model.kind must be spherical, exponential or gaussian.');
  finite('model.nugget', model.nugget, { min: 0 });
  finite('model.partialSill', model.partialSill, { min: 0 });
  finite('model.range', model.range, { above: 0, unit: 'mm' });
  if (model.nugget + model.partialSill === 0)
    refuse('no-variance', 'model', 'model must have a nugget or a partial sill above zero.');
  return model;
}

function modelFor(samples: readonly Sample[]): VariogramModel {
  const fitted = fitVariogram(empiricalVariogram(samples));
  const mean = samples.reduce((sum, s) => sum + s.value, 0) / samples.length;
  const spread = samples.reduce((sum, s) => sum + (s.value - mean) ** 2, 0) / samples.length;
  // Equal readings still have the resolution of numbers as their variance, so that the system stays solvable.
  const least = 1e-12 * (1 + mean * mean);
  if (!fitted || fitted.nugget + fitted.partialSill < least)
    return { kind: 'spherical', nugget: 0, partialSill: Math.max(spread, least), range: 1000 };
  return fitted;
}
