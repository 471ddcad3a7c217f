import jstat from 'jstat';
import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface Calibration {
  element: string;
  /** By which estimates of this element are to be multiplied. */
  factor: number;
  /** Of the factor itself, 80 %. */
  low: number;
  high: number;
  /** In which the next single case lies, 80 %. */
  next: { low: number; high: number };
  cases: number;
}

/** The belief before any history counts as so many cases: the estimate is right, give or take a third. */
const PRIOR_CASES = 2;
const PRIOR_SIGMA = 0.35;

/**
 * By how much does this shop's work differ from what was counted? log(actual/estimated) is normal
 * with unknown mean and variance; conjugate normal-gamma prior around a factor of 1.
 *
 * @param element what was estimated, for example "fit and trim"
 * @param history estimated and actual in the same unit, above 0; 0 to 10,000 cases
 * @throws Problem naming the field
 * Source: Gelman et al., Bayesian Data Analysis, 3rd ed., §3.3; the prior is common practice, no published source.
 */
export function calibrate({
  element,
  history,
}: {
  element: string;
  history: readonly { estimated: number; actual: number }[];
}): Calibration {
  if (typeof element !== 'string' || element.trim() === '')
    refuse('no-name', 'element', 'element must name what was estimated.');
  const logs = list<{ estimated: number; actual: number }>('history', history, 0, 10_000).map((entry, i) =>
    Math.log(
      finite(`history[${i}].actual`, entry?.actual, { above: 0, max: 1e9 }) /
        finite(`history[${i}].estimated`, entry.estimated, { above: 0, max: 1e9 }),
    ),
  );
  const { location, scale, alpha } = beliefOf(logs);
  const t = jstat.studentt.inv(0.9, 2 * alpha);
  const around = (by: number) => ({ low: Math.exp(location - t * by), high: Math.exp(location + t * by) });
  return {
    element,
    factor: Math.exp(location),
    ...around(scale.mean),
    next: around(scale.next),
    cases: logs.length,
  };
}

/** What is believed of the log of the factor after these cases: Student's t around a location, with 2·alpha degrees of freedom. */
function beliefOf(logs: readonly number[]) {
  const n = logs.length;
  const mean = n === 0 ? 0 : logs.reduce((sum, x) => sum + x, 0) / n;
  const squares = logs.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  const kappa = PRIOR_CASES + n;
  const alpha = PRIOR_CASES / 2 + n / 2;
  const beta = (PRIOR_CASES / 2) * PRIOR_SIGMA ** 2 + squares / 2 + (PRIOR_CASES * n * mean * mean) / (2 * kappa);
  return {
    location: (n * mean) / kappa,
    alpha,
    scale: { mean: Math.sqrt(beta / (alpha * kappa)), next: Math.sqrt((beta * (kappa + 1)) / (alpha * kappa)) },
  };
}

/**
 * By which factor does the next single case differ from its estimate, at most with this probability?
 * @param logs log(actual/estimated) of the cases so far; probability 0 to 1
 */
export function nextFactor(logs: readonly number[], probability: number): number {
  const { location, scale, alpha } = beliefOf(logs);
  return Math.exp(location + jstat.studentt.inv(probability, 2 * alpha) * scale.next);
}
