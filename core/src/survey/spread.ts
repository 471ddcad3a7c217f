import jstat from 'jstat';
import { finite, isWordOf, list } from '../check.ts';
import { area, clipAll, offset, simpleRing, type Polygon, type Shape } from '../geometry/index.ts';
import { refuse } from '../problem.ts';

/** How far the eye has come: each step shows more of what is there. */
export type SpreadEvidence = 'blister' | 'pinhole' | 'stripped' | 'blasted' | 'opened';

/**
 * Area found over area seen, before this shop has a history of its own: median and spread of
 * the log. Common practice, no published source (T-26).
 */
export const SPREAD_PRIOR: Readonly<Record<SpreadEvidence, { median: number; sigma: number }>> = {
  blister: { median: 6, sigma: 0.7 },
  pinhole: { median: 3.5, sigma: 0.6 },
  stripped: { median: 1.7, sigma: 0.4 },
  blasted: { median: 1.25, sigma: 0.25 },
  opened: { median: 1.1, sigma: 0.15 },
};
/** The prior counts as much as so many openings of this shop. */
const PRIOR_CASES = 4;

/**
 * How often the next layer behind is damaged too where the outer one shows this; common
 * practice, no published source (T-26: plan for the layer behind).
 */
export const BEHIND_PRIOR: Readonly<Record<SpreadEvidence, number>> = {
  blister: 0.5,
  pinhole: 0.65,
  stripped: 0.45,
  blasted: 0.4,
  opened: 0.55,
};

/**
 * What is the chance that the next layer behind has it too? Beta prior worth four cases, and
 * this shop's own: of `cases` openings over another layer, in `found` it was damaged.
 * Source: Gelman et al., Bayesian Data Analysis, 3rd ed., §2.4.
 */
export function behindChance(evidence: SpreadEvidence, { cases, found }: { cases: number; found: number }): number {
  finite('cases', cases, { min: 0 });
  finite('found', found, { min: 0, max: cases });
  return (PRIOR_CASES * BEHIND_PRIOR[evidence] + found) / (PRIOR_CASES + cases);
}

/**
 * One zone of the past, mm²: what was found, and what would have been predicted of it without
 * any experience of the shop (`openingOf`). A prediction that held what had been learnt by then
 * would hide the rest of it: the factor would stop at the square root of the true one.
 */
export interface Opening {
  predicted: number;
  found: number;
}

export interface Spread3 {
  p10: number;
  p50: number;
  p90: number;
}

/**
 * A zone of the past as something to learn from.
 *
 * @param seen area that showed, mm²
 * @param found area that was found when it was opened, mm²
 */
export const openingOf = (evidence: SpreadEvidence, seen: number, found: number): Opening => ({
  predicted: seen * SPREAD_PRIOR[evidence].median,
  found,
});

/**
 * By how much does this shop's own experience move the prediction? log(found/predicted) is
 * normal with unknown mean and variance; conjugate normal-gamma prior, Student-t prediction.
 *
 * @returns quantiles of found/seen, and the factor on the median that was learnt
 * Source: Gelman et al., Bayesian Data Analysis, 3rd ed., §3.3.
 */
export function spreadRatio(
  evidence: SpreadEvidence,
  history: readonly Opening[],
): Spread3 & { factor: number; cases: number } {
  const prior = SPREAD_PRIOR[evidence];
  if (!isWordOf(SPREAD_PRIOR, evidence))
    return refuse('unknown-evidence', 'evidence', `evidence must be one of ${Object.keys(SPREAD_PRIOR).join(', ')}.`);
  const logs = list<Opening>('history', history, 0, 10_000).map((opening, i) => {
    const predicted = finite(`history[${i}].predicted`, opening?.predicted, { min: 0.01, max: 1e9, unit: 'mm²' });
    const found = finite(`history[${i}].found`, opening?.found, { min: 0.01, max: 1e9, unit: 'mm²' });
    return Math.log(found / predicted);
  });
  const n = logs.length;
  const mean = n === 0 ? 0 : logs.reduce((sum, x) => sum + x, 0) / n;
  const squares = logs.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  const kappa0 = PRIOR_CASES;
  const alpha0 = PRIOR_CASES / 2;
  // Chosen so that the prediction without history has the prior's sigma as its scale.
  const beta0 = (prior.sigma ** 2 * alpha0 * kappa0) / (kappa0 + 1);
  const kappa = kappa0 + n;
  const alpha = alpha0 + n / 2;
  const location = (n * mean) / kappa;
  const beta = beta0 + squares / 2 + (kappa0 * n * mean * mean) / (2 * kappa);
  const scale = Math.sqrt((beta * (kappa + 1)) / (alpha * kappa));
  const quantile = (share: number) => prior.median * Math.exp(location + scale * jstat.studentt.inv(share, 2 * alpha));
  return {
    p10: quantile(0.1),
    p50: prior.median * Math.exp(location),
    p90: quantile(0.9),
    factor: Math.exp(location),
    cases: n,
  };
}

/**
 * What shows is never all of it: how large will the damage be when it is opened? The seen
 * area grown outwards until its area is p50 and p90 of the expected one; never smaller than
 * what is seen.
 *
 * @param visible outer ring then holes, mm
 * @param history openings of this shop with the same kind of evidence
 * @param sheet the panel, to keep the growth on it; growth then counts on the sheet only
 */
export function spread({
  visible,
  evidence,
  history,
  sheet,
}: {
  visible: Polygon;
  evidence: SpreadEvidence;
  history: readonly Opening[];
  sheet?: Polygon;
}): { ratio: Spread3; polygon50: Polygon[]; polygon90: Polygon[] } {
  const { p10, p50, p90 } = spreadRatio(evidence, history);
  const seen = list<Polygon[number]>('visible', visible, 1, 100).map((ring, i) => simpleRing(`visible[${i}]`, ring));
  const on = sheet && list<Polygon[number]>('sheet', sheet, 1, 1000).map((ring, i) => simpleRing(`sheet[${i}]`, ring));
  return { ratio: { p10, p50, p90 }, polygon50: grownTo(seen, p50, on), polygon90: grownTo(seen, p90, on) };
}

function grownTo(seen: Polygon, ratio: number, sheet: Polygon | undefined): Polygon[] {
  const shape = (by: number): Shape => {
    const grown = offset([seen], by);
    return sheet ? clipAll('intersection', grown.polygons, [sheet]) : grown;
  };
  const wanted = area(seen) * Math.max(1, ratio);
  let [low, high] = [0, Math.sqrt(wanted)];
  const most = shape(high);
  // A sheet that is smaller than what is expected is lost as a whole.
  if (most.area < wanted) return most.polygons;
  for (let i = 0; i < 40 && high - low > 1e-3; i++) {
    const middle = (low + high) / 2;
    if (shape(middle).area < wanted) low = middle;
    else high = middle;
  }
  return shape(high).polygons;
}
