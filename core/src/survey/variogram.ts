/** How a quantity grows apart with distance. Lengths in mm, sills in the value's unit squared. */
export interface VariogramModel {
  kind: 'spherical' | 'exponential' | 'gaussian';
  nugget: number;
  partialSill: number;
  /** Spherical: where it levels off. Exponential and Gaussian: the distance parameter, as gstat defines it. */
  range: number;
}

export interface Sample {
  u: number;
  v: number;
  value: number;
}

export interface VariogramBin {
  distance: number;
  semivariance: number;
  pairs: number;
}

/** Correlation at distance h (mm), 1 at zero. Source: Journel & Huijbregts 1978, ch. III. */
export function correlation(kind: VariogramModel['kind'], range: number, h: number): number {
  if (h <= 0) return 1;
  const x = h / range;
  if (kind === 'spherical') return x >= 1 ? 0 : 1 - 1.5 * x + 0.5 * x * x * x;
  if (kind === 'exponential') return Math.exp(-x);
  return Math.exp(-x * x);
}

const BINS = 15;
/** More samples than this are thinned for the variogram only: 1,500 give over a million pairs. */
const MOST_SAMPLES = 1500;

/**
 * How unlike are readings by distance? The empirical semivariogram (Matheron) in
 * 15 bins up to a third of the diagonal of the measured area.
 */
export function empiricalVariogram(samples: readonly Sample[]): VariogramBin[] {
  const step = Math.ceil(samples.length / MOST_SAMPLES);
  const used = step === 1 ? samples : samples.filter((_, i) => i % step === 0);
  const us = used.map((s) => s.u);
  const vs = used.map((s) => s.v);
  const diagonal = Math.hypot(Math.max(...us) - Math.min(...us), Math.max(...vs) - Math.min(...vs));
  const width = diagonal / 3 / BINS;
  const bins = Array.from({ length: BINS }, () => ({ distance: 0, semivariance: 0, pairs: 0 }));
  if (width === 0) return [];
  for (let i = 0; i < used.length; i++) {
    for (let j = i + 1; j < used.length; j++) {
      const h = Math.hypot(us[i]! - us[j]!, vs[i]! - vs[j]!);
      const bin = bins[Math.ceil(h / width) - 1];
      if (!bin) continue;
      const d = used[i]!.value - used[j]!.value;
      bin.distance += h;
      bin.semivariance += (d * d) / 2;
      bin.pairs++;
    }
  }
  return bins
    .filter((bin) => bin.pairs > 0)
    .map((bin) => ({
      distance: bin.distance / bin.pairs,
      semivariance: bin.semivariance / bin.pairs,
      pairs: bin.pairs,
    }));
}

/**
 * Which model describes the empirical variogram? Weighted least squares with weights
 * pairs/distance² (as gstat's default; Cressie 1993, §2.6). For every kind and range the
 * best nugget and partial sill, both zero or more, follow directly; the range is searched.
 */
export function fitVariogram(
  bins: readonly VariogramBin[],
  kinds: readonly VariogramModel['kind'][] = ['spherical', 'exponential'],
): VariogramModel | undefined {
  const farthest = Math.max(0, ...bins.map((bin) => bin.distance));
  if (bins.length < 3 || farthest === 0) return undefined;
  let best: { model: VariogramModel; misfit: number } | undefined;
  for (const kind of kinds) {
    const fitAt = (range: number) => sillsFor(bins, kind, range);
    let low = farthest / 30;
    let high = farthest * 3;
    for (let round = 0; round < 4; round++) {
      const ratio = (high / low) ** (1 / 24);
      const tried = Array.from({ length: 25 }, (_, i) => low * ratio ** i).map((range) => ({ range, ...fitAt(range) }));
      const top = tried.reduce((a, b) => (b.misfit < a.misfit ? b : a));
      if (!best || top.misfit < best.misfit)
        best = {
          model: { kind, nugget: top.nugget, partialSill: top.partialSill, range: top.range },
          misfit: top.misfit,
        };
      low = top.range / ratio;
      high = top.range * ratio;
    }
  }
  return best?.model;
}

function sillsFor(
  bins: readonly VariogramBin[],
  kind: VariogramModel['kind'],
  range: number,
): { nugget: number; partialSill: number; misfit: number } {
  let [w1, wx, wxx, wy, wxy] = [0, 0, 0, 0, 0];
  const rows = bins.map((bin) => {
    const weight = bin.pairs / bin.distance ** 2;
    const x = 1 - correlation(kind, range, bin.distance);
    const y = bin.semivariance;
    w1 += weight;
    wx += weight * x;
    wxx += weight * x * x;
    wy += weight * y;
    wxy += weight * x * y;
    return { weight, x, y };
  });
  const determinant = w1 * wxx - wx * wx;
  let partialSill = determinant > 1e-12 * w1 * wxx ? (w1 * wxy - wx * wy) / determinant : 0;
  let nugget = (wy - partialSill * wx) / w1;
  if (nugget < 0) [nugget, partialSill] = [0, wxx > 0 ? wxy / wxx : 0];
  if (partialSill < 0) [nugget, partialSill] = [wy / w1, 0];
  const misfit = rows.reduce((sum, { weight, x, y }) => sum + weight * (y - nugget - partialSill * x) ** 2, 0);
  return { nugget, partialSill, misfit };
}
