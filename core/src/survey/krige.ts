import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { SAME_PLACE } from '../tolerances.ts';
import { BLOCK, factorInPlace, solve, squaresAfterForwardSolve } from './cholesky.ts';
import { correlation, empiricalVariogram, fitVariogram, type Sample, type VariogramModel } from './variogram.ts';

/** More readings than this on one sheet are refused: the matrix would pass 200 MB. */
const MOST_POINTS = 5000;
const MOST_PLACES = 250_000;

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

/** A kriging system that is factored once and can be asked anywhere. */
export interface Kriging {
  model: VariogramModel;
  samples: readonly Sample[];
  leaveOneOut: Float64Array;
  /** Fills mean and variance for places given as separate coordinates. */
  predict(us: ArrayLike<number>, vs: ArrayLike<number>, mean: Float64Array, variance: Float64Array): void;
}

/**
 * What is the value between the readings, and how sure is it? Ordinary kriging, point
 * support; the nugget belongs to the prediction variance of an unsampled place, and a
 * sampled place is reproduced with variance zero.
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
  const kriging = prepareKriging(samples, used);
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
    warnings: averaged === 0 ? [] : [`${averaged} readings lie on the place of another one and were averaged with it.`],
  };
}

/** Readings with those on the same place (0.5 mm) averaged; checks every value. */
export function distinctSamples(points: readonly Sample[]): { samples: Sample[]; averaged: number } {
  list('points', points, 3, MOST_POINTS);
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
  if (samples.length < 3)
    refuse('too-few', 'points', 'At least three readings on different places are needed for a map.');
  return { samples, averaged: points.length - samples.length };
}

function checkedModel(model: VariogramModel): VariogramModel {
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

/** Builds and factors the system for distinct samples and a sound model. */
export function prepareKriging(samples: readonly Sample[], model: VariogramModel, withResiduals = true): Kriging {
  const n = samples.length;
  const us = Float64Array.from(samples, (s) => s.u);
  const vs = Float64Array.from(samples, (s) => s.v);
  const sill = model.nugget + model.partialSill;
  const covariance = (h: number) => model.partialSill * correlation(model.kind, model.range, h);
  const matrix = new Float64Array(n * n);
  // A trace of the sill on the diagonal keeps smooth models solvable; it is far below any gauge.
  const jitter = sill * 1e-10;
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < i; j++) matrix[i * n + j] = covariance(Math.hypot(us[i]! - us[j]!, vs[i]! - vs[j]!));
    matrix[i * n + i] = sill + jitter;
  }
  const lower = factorInPlace(matrix, n);
  const ones = solve(lower, n, new Float64Array(n).fill(1));
  const total = ones.reduce((sum, x) => sum + x, 0);
  const mu = ones.reduce((sum, x, i) => sum + x * samples[i]!.value, 0) / total;
  const dual = solve(
    lower,
    n,
    Float64Array.from(samples, (s) => s.value - mu),
  );

  const predict: Kriging['predict'] = (atU, atV, mean, variance) => {
    const block = new Float64Array(n * BLOCK);
    const squares = new Float64Array(BLOCK);
    const [means, shares, hit] = [new Float64Array(BLOCK), new Float64Array(BLOCK), new Int32Array(BLOCK)];
    for (let start = 0; start < atU.length; start += BLOCK) {
      const count = Math.min(BLOCK, atU.length - start);
      means.fill(mu);
      shares.fill(0);
      hit.fill(-1);
      for (let i = 0; i < n; i++) {
        for (let b = 0; b < count; b++) {
          const h = Math.hypot(us[i]! - atU[start + b]!, vs[i]! - atV[start + b]!);
          if (h < SAME_PLACE / 2) hit[b] = i;
          const k = covariance(h);
          block[i * BLOCK + b] = k;
          means[b]! += k * dual[i]!;
          shares[b]! += k * ones[i]!;
        }
      }
      squaresAfterForwardSolve(lower, n, block, squares);
      for (let b = 0; b < count; b++) {
        const known = hit[b]!;
        mean[start + b] = known >= 0 ? samples[known]!.value : means[b]!;
        variance[start + b] = known >= 0 ? 0 : Math.max(0, sill - squares[b]! + (1 - shares[b]!) ** 2 / total);
      }
    }
  };
  return {
    model,
    samples,
    leaveOneOut: withResiduals ? leaveOneOutResiduals(lower, n, ones, total, dual) : new Float64Array(0),
    predict,
  };
}

/** Residual (reading − estimate from all others) of every sample, from one factorisation (Dubrule 1983). */
function leaveOneOutResiduals(
  lower: Float64Array,
  n: number,
  ones: Float64Array,
  total: number,
  dual: Float64Array,
): Float64Array {
  const residuals = new Float64Array(n);
  const column = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    // The i-th diagonal element of the inverse is |L⁻¹e_i|².
    column.fill(0);
    let diagonal = 0;
    for (let row = i; row < n; row++) {
      let sum = row === i ? 1 : 0;
      for (let k = i; k < row; k++) sum -= lower[row * n + k]! * column[k]!;
      const y = sum / lower[row * n + row]!;
      column[row] = y;
      diagonal += y * y;
    }
    residuals[i] = dual[i]! / (diagonal - (ones[i]! * ones[i]!) / total);
  }
  return residuals;
}
