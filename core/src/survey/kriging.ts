import { SAME_PLACE } from '../tolerances.ts';
import { BLOCK, factorInPlace, solve, squaresAfterForwardSolve } from './cholesky.ts';
import { correlation, type Sample, type VariogramModel } from './variogram.ts';

/** A kriging system that is factored once and can be asked anywhere. */
export interface Kriging {
  model: VariogramModel;
  samples: readonly Sample[];
  leaveOneOut: Float64Array;
  /** Standard deviation with which each reading is foretold by the others; as long as leaveOneOut. */
  leaveOneOutSd: Float64Array;
  /** Fills mean and variance for places given as separate coordinates. */
  predict(us: ArrayLike<number>, vs: ArrayLike<number>, mean: Float64Array, variance: Float64Array): void;
}

/** Math.hypot guards against overflow, which mm never reach, and takes ten times as long. */
const distance = (du: number, dv: number) => Math.sqrt(du * du + dv * dv);

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
    for (let j = 0; j < i; j++) matrix[i * n + j] = covariance(distance(us[i]! - us[j]!, vs[i]! - vs[j]!));
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
          const h = distance(us[i]! - atU[start + b]!, vs[i]! - atV[start + b]!);
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
    ...(withResiduals
      ? leaveOneOutResiduals(lower, n, ones, total, dual)
      : { leaveOneOut: new Float64Array(0), leaveOneOutSd: new Float64Array(0) }),
    predict,
  };
}

/** Residual (reading − estimate from all others) of every sample and its doubt, from one factorisation (Dubrule 1983). */
function leaveOneOutResiduals(
  lower: Float64Array,
  n: number,
  ones: Float64Array,
  total: number,
  dual: Float64Array,
): Pick<Kriging, 'leaveOneOut' | 'leaveOneOutSd'> {
  const leaveOneOut = new Float64Array(n);
  const leaveOneOutSd = new Float64Array(n);
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
    const precision = diagonal - (ones[i]! * ones[i]!) / total;
    leaveOneOut[i] = dual[i]! / precision;
    leaveOneOutSd[i] = Math.sqrt(1 / precision);
  }
  return { leaveOneOut, leaveOneOutSd };
}
