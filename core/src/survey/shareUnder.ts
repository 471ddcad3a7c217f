import { uniforms } from '../random.ts';
import { factorInPlace, solve } from './cholesky.ts';
import { normalCdf } from './normal.ts';
import { correlation, type Sample, type VariogramModel } from './variogram.ts';
import { ROUNDING } from '../tolerances.ts';

/** Places at which fields are drawn: a tenth of the map's cells carry its doubt well enough. */
const MOST_PLACES = 300;
/** Readings that bind the fields; of more, those nearest to the places where it is open are taken. */
const MOST_SAMPLES = 350;
const DRAWS = 200;
const SEED = 20_260_101;

export interface ShareUnderInput {
  /** Cells within reach of a reading, mm. */
  at: readonly { u: number; v: number }[];
  samples: readonly Sample[];
  model: VariogramModel;
  limit: number;
  /** Least doubt of a single place, in the unit of the values: that of the gauge. */
  gaugeSd: number;
  draws?: number;
}

/**
 * How sure is the share of the cells that lies under the limit? Neighbouring cells err
 * together, so its doubt cannot be added up from theirs: whole fields are drawn that agree
 * with the readings, and the share is counted in each.
 *
 * Method: conditional simulation from the joint distribution of the kriging errors (Cholesky
 * factor of their covariance, ordinary kriging); what the nugget adds at each place is
 * integrated and not drawn.
 * Source: Chilès & Delfiner 2012, Geostatistics, §7.3.1 (simulation by decomposition of the covariance matrix).
 *
 * @returns mean share and its standard deviation, and P10 and P90, each 0 to 1 of the cells given
 */
export function shareUnder(input: ShareUnderInput): { mean: number; sd: number; p10: number; p90: number } {
  const { model, limit, gaugeSd, draws = DRAWS } = input;
  const at = thinned(input.at, MOST_PLACES);
  if (at.length === 0) return { mean: 0, sd: 0, p10: 0, p90: 0 };
  const samples = nearestTo(input.samples, at, MOST_SAMPLES);
  const { mean, lower } = errorsAt(at, samples, model);
  const own = Math.sqrt(Math.max(model.nugget, gaugeSd ** 2));
  const normal = normals(SEED);
  const shares = Array.from({ length: draws }, () => {
    const z = Float64Array.from({ length: at.length }, normal);
    let sum = 0;
    for (let i = 0; i < at.length; i++) {
      let value = mean[i]!;
      for (let k = 0; k <= i; k++) value += lower[i * at.length + k]! * z[k]!;
      sum += normalCdf((limit - value) / own);
    }
    return sum / at.length;
  }).sort((a, b) => a - b);
  const average = shares.reduce((sum, share) => sum + share, 0) / draws;
  return {
    mean: average,
    sd: Math.sqrt(shares.reduce((sum, share) => sum + (share - average) ** 2, 0) / (draws - 1)),
    p10: shares[Math.floor(0.1 * draws)]!,
    p90: shares[Math.floor(0.9 * draws)]!,
  };
}

/** Mean of the smooth part at each place, and the Cholesky factor of the covariance of its errors. */
function errorsAt(
  at: readonly { u: number; v: number }[],
  samples: readonly Sample[],
  { kind, range, nugget, partialSill }: VariogramModel,
): { mean: Float64Array; lower: Float64Array } {
  const [n, m] = [samples.length, at.length];
  const covariance = (a: { u: number; v: number }, b: { u: number; v: number }) =>
    partialSill * correlation(kind, range, Math.sqrt((a.u - b.u) ** 2 + (a.v - b.v) ** 2));
  const sill = partialSill + nugget;
  const matrix = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < i; j++) matrix[i * n + j] = covariance(samples[i]!, samples[j]!);
    matrix[i * n + i] = sill * (1 + 1e-10);
  }
  const factor = factorInPlace(matrix, n);
  const ones = solve(factor, n, new Float64Array(n).fill(1));
  const total = ones.reduce((sum, x) => sum + x, 0);
  const mu = ones.reduce((sum, x, i) => sum + x * samples[i]!.value, 0) / total;
  const dual = solve(
    factor,
    n,
    Float64Array.from(samples, (sample) => sample.value - mu),
  );
  // Row c: the covariances of place c with the readings, after L⁻¹.
  const forward = new Float64Array(m * n);
  const [mean, rest] = [new Float64Array(m), new Float64Array(m)];
  for (let c = 0; c < m; c++) {
    let [value, share] = [mu, 0];
    for (let i = 0; i < n; i++) {
      const k = covariance(samples[i]!, at[c]!);
      value += k * dual[i]!;
      share += k * ones[i]!;
      let sum = k;
      for (let j = 0; j < i; j++) sum -= factor[i * n + j]! * forward[c * n + j]!;
      forward[c * n + i] = sum / factor[i * n + i]!;
    }
    mean[c] = value;
    rest[c] = 1 - share;
  }
  const errors = new Float64Array(m * m);
  for (let a = 0; a < m; a++)
    for (let b = 0; b <= a; b++) {
      let value = covariance(at[a]!, at[b]!) + (rest[a]! * rest[b]!) / total;
      for (let i = 0; i < n; i++) value -= forward[a * n + i]! * forward[b * n + i]!;
      // A trace on the diagonal keeps places solvable that lie on a reading.
      errors[a * m + b] = a === b ? Math.max(value, 0) + ROUNDING * sill : value;
    }
  return { mean, lower: factorInPlace(errors, m) };
}

/** Every k-th of a list, at most so many. */
function thinned<T>(list: readonly T[], most: number): T[] {
  const step = Math.max(1, list.length / most);
  return Array.from({ length: Math.min(list.length, most) }, (_, i) => list[Math.floor(i * step)]!);
}

function nearestTo(
  samples: readonly Sample[],
  at: readonly { u: number; v: number }[],
  most: number,
): readonly Sample[] {
  if (samples.length <= most) return samples;
  return samples
    .map((sample) => ({ sample, away: Math.min(...at.map(({ u, v }) => (u - sample.u) ** 2 + (v - sample.v) ** 2)) }))
    .sort((a, b) => a.away - b.away)
    .slice(0, most)
    .map(({ sample }) => sample);
}

/** A seeded stream of standard normal numbers (Box & Muller 1958). */
function normals(seed: number): () => number {
  const uniform = uniforms(seed);
  let kept: number | undefined;
  return () => {
    if (kept !== undefined) {
      const value = kept;
      kept = undefined;
      return value;
    }
    const [radius, angle] = [Math.sqrt(-2 * Math.log(uniform())), 2 * Math.PI * uniform()];
    kept = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}
