import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { ROUNDING } from '../tolerances.ts';

export interface PitsInput {
  /** Depth of the deepest pit in each of several equal patches, mm. */
  depths: readonly number[];
  /** Area of all these patches together, mm². */
  sampledArea: number;
  /** Area of the whole panel, mm². */
  totalArea: number;
  /** Thickness of the sheet as built, mm. */
  thickness: number;
  method?: 'mle' | 'moments';
}

export interface Pits {
  /** λ, mm: the most usual deepest pit of one patch. */
  location: number;
  /** δ, mm: how much it differs from patch to patch. */
  scale: number;
  /** How many such patches the whole panel has: the return period. */
  areaRatio: number;
  /** mm. x_T: passed by the deepest pit of about 63 in 100 such panels; not the middle of what may be. */
  deepestExpected: number;
  /** mm. The deepest pit of the whole panel is as likely deeper as not so deep. */
  deepestP50: number;
  /** mm. In nine of ten such panels the deepest pit is not deeper. */
  deepestP90: number;
  /** Chance that the deepest pit of the whole panel goes through, 0 to 1. */
  perforationProbability: number;
  /** mm. Of deepestExpected. */
  standardError: number;
}

/** Euler–Mascheroni constant: mean of the standard Gumbel distribution. */
const EULER = 0.577_215_664_901_532_9;

/**
 * How deep is the deepest pit of the whole panel, and is it through? Gumbel distribution of
 * the deepest pit of a patch, F(x) = exp(−exp(−(x − λ)/δ)); x_T = λ − δ·ln(−ln(1 − 1/T)) with
 * T = whole area / area of one patch; quantiles of the deepest of all from F(x)^T; through with
 * 1 − F(thickness)^T.
 *
 * @param depths 3 to 10,000 values from 0 mm up, one for each equal patch
 * @throws Problem naming the field; `no-spread` where all depths are equal
 * Source: Gumbel 1958, Statistics of Extremes; ISO 14802. Standard errors: Kite 1977
 * (asymptotic, maximum likelihood and moments).
 */
export function pits({ depths, sampledArea, totalArea, thickness, method = 'mle' }: PitsInput): Pits {
  const x = list<number>('depths', depths, 3, 10_000).map((depth, i) =>
    finite(`depths[${i}]`, depth, { min: 0, max: 1000, unit: 'mm' }),
  );
  finite('sampledArea', sampledArea, { above: 0, unit: 'mm²' });
  finite('totalArea', totalArea, { above: 0, unit: 'mm²' });
  finite('thickness', thickness, { above: 0, unit: 'mm' });
  if (method !== 'mle' && method !== 'moments')
    refuse('unknown-method', 'method', 'method must be "mle" or "moments".');
  const areaRatio = totalArea / (sampledArea / x.length);
  if (!(areaRatio > 1))
    refuse(
      'area-too-small',
      'totalArea',
      'totalArea must be larger than one sampled patch; give the area of the whole panel in mm².',
    );
  const { location, scale } = method === 'mle' ? byLikelihood(x) : byMoments(x);
  // F(x)^T = q, turned round.
  const deepestAt = (q: number) => location - scale * Math.log(-Math.log(q) / areaRatio);
  const reduced = -Math.log(-Math.log1p(-1 / areaRatio));
  return {
    location,
    scale,
    areaRatio,
    deepestExpected: location + scale * reduced,
    deepestP50: deepestAt(0.5),
    deepestP90: deepestAt(0.9),
    // 1 − F^T = 1 − exp(−T·exp(−z)), kept exact where it is tiny.
    perforationProbability: -Math.expm1(-areaRatio * Math.exp(-(thickness - location) / scale)),
    standardError: standardError(scale, reduced, x.length, method),
  };
}

const meanOf = (x: readonly number[]) => x.reduce((sum, value) => sum + value, 0) / x.length;

function byMoments(x: readonly number[]): { location: number; scale: number } {
  const mean = meanOf(x);
  const spread = Math.sqrt(x.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (x.length - 1));
  if (!(spread > ROUNDING)) noSpread();
  const scale = (spread * Math.sqrt(6)) / Math.PI;
  return { location: mean - EULER * scale, scale };
}

/** δ solves δ = mean − Σx·e^(−x/δ)/Σe^(−x/δ); the right side falls short of it below the root and passes it above. */
function byLikelihood(x: readonly number[]): { location: number; scale: number } {
  const mean = meanOf(x);
  const least = Math.min(...x);
  const start = byMoments(x).scale;
  // Shifting by the least depth changes nothing and keeps the exponentials from vanishing.
  const weighted = (scale: number) => {
    let [sum, moment] = [0, 0];
    for (const value of x) {
      const weight = Math.exp(-(value - least) / scale);
      sum += weight;
      moment += weight * value;
    }
    return { sum, excess: scale - mean + moment / sum };
  };
  let [low, high] = [start / 1000, start * 1000];
  for (let i = 0; i < 200 && high / low > 1 + 1e-14; i++) {
    const middle = Math.sqrt(low * high);
    if (weighted(middle).excess < 0) low = middle;
    else high = middle;
  }
  const scale = Math.sqrt(low * high);
  return { scale, location: least - scale * Math.log(weighted(scale).sum / x.length) };
}

function standardError(scale: number, y: number, n: number, method: 'mle' | 'moments'): number {
  if (method === 'mle') return scale * Math.sqrt((1.1087 + 0.514 * y + 0.6079 * y * y) / n);
  const k = (Math.sqrt(6) / Math.PI) * (y - EULER);
  return ((scale * Math.PI) / Math.sqrt(6)) * Math.sqrt((1 + 1.1396 * k + 1.1 * k * k) / n);
}

function noSpread(): never {
  return refuse(
    'no-spread',
    'depths',
    'All depths are equal, so nothing can be said of deeper ones; measure the deepest pit in other patches too.',
  );
}

/** One patch on Gumbel paper: how deep it is, and where its rank puts it. */
export interface GumbelPoint {
  /** −ln(−ln p): on this scale a Gumbel distribution is a straight line. */
  reduced: number;
  /** mm */
  depth: number;
}

/** The patches on Gumbel paper, with the line that was fitted to them and what it may be wrong by. */
export interface GumbelPlot {
  points: GumbelPoint[];
  /** From the shallowest patch on to the deepest pit of the whole panel. */
  line: { reduced: number; depth: number; low: number; high: number }[];
}

/** Standard errors on either side of the line: eight in ten such lines lie within. */
const EIGHT_IN_TEN = 1.2816;

/**
 * Do the patches lie on the line that foretells the whole panel? Depths by their rank on Gumbel
 * paper, plotting positions i/(n + 1), beside the fitted line with its band.
 *
 * @param depths mm, one for each patch, at least three
 * @param fit what `pits` made of them
 * @example
 * gumbelPlot([0.2, 0.3, 0.5], { location: 0.25, scale: 0.1, areaRatio: 20 }).points.length; // → 3
 * Source: Gumbel 1958, §1.2.7 for the plotting positions; Kite 1977 for the standard error (maximum likelihood).
 */
export function gumbelPlot(
  depths: readonly number[],
  { location, scale, areaRatio }: Pick<Pits, 'location' | 'scale' | 'areaRatio'>,
): GumbelPlot {
  const n = depths.length;
  const points = [...depths]
    .sort((a, b) => a - b)
    .map((depth, i) => ({ depth, reduced: -Math.log(-Math.log((i + 1) / (n + 1))) }));
  const first = points[0]!.reduced;
  const last = Math.max(points.at(-1)!.reduced, -Math.log(-Math.log(1 - 1 / Math.max(areaRatio, 1.5))));
  const line = Array.from({ length: 21 }, (_, i) => {
    const reduced = first + ((last - first) * i) / 20;
    const depth = location + scale * reduced;
    const doubt = EIGHT_IN_TEN * standardError(scale, reduced, n, 'mle');
    return { reduced, depth, low: depth - doubt, high: depth + doubt };
  });
  return { points, line };
}
