import { refuse } from '../problem.ts';
import { prepareKriging } from './kriging.ts';
import { normalCdf, normalPdf } from './normal.ts';
import type { Sample, VariogramModel } from './variogram.ts';

/** A sample whose gauge stood at the end of its range: the true value is above, or below, what it showed. */
export interface CensoredSample extends Sample {
  censored?: 'above' | 'below' | undefined;
}

/** Rounds of estimating the censored values from each other; they settle within a few. */
const ROUNDS = 6;
/** Neighbours from which a censored value is judged. */
const NEIGHBOURS = 24;

/**
 * What is to be expected of a normal quantity of which only “more than c” (or “less than c”)
 * is known? μ + σ·φ(α)/(1 − Φ(α)) with α = (c − μ)/σ, and its mirror image.
 * Source: Tobin 1958; Cohen 1959 (mean of the truncated normal).
 *
 * @param mean what the neighbours say
 * @param sd its doubt; zero gives the larger (smaller) of mean and limit
 */
export function expectedBeyond(limit: number, side: 'above' | 'below', mean: number, sd: number): number {
  if (side === 'below') return -expectedBeyond(-limit, 'above', -mean, sd);
  if (!(sd > 0)) return Math.max(limit, mean);
  const alpha = (limit - mean) / sd;
  // Far out in the tail the hazard of the normal is α + 1/α to better than a thousandth.
  const hazard = alpha > 6 ? alpha + 1 / alpha : normalPdf(alpha) / normalCdf(-alpha);
  return mean + sd * hazard;
}

/**
 * Which values stand in for readings that went over (or under) the range of their gauge?
 * Each censored one becomes what is to be expected beyond its limit, given its neighbours
 * and the model; so a map never takes “more than 2 mm” for 2 mm, nor invents a figure far off.
 * Method: expectation–maximisation on the kriged mean (Dempster, Laird & Rubin 1977).
 *
 * @returns the same samples with values filled in; those that were measured are unchanged
 * @throws Problem `all-censored` where no reading has a value of its own
 */
export function fillCensored(samples: readonly CensoredSample[], model: VariogramModel): Sample[] {
  const censored = samples.flatMap((sample, i) => (sample.censored ? [i] : []));
  if (censored.length === 0) return samples.map(plain);
  if (censored.length === samples.length)
    refuse(
      'all-censored',
      'points',
      'All readings are over the range of the gauge; at least one measured value is needed.',
    );
  const filled = samples.map(plain);
  for (let round = 0; round < ROUNDS; round++) {
    let moved = 0;
    for (const i of censored) {
      const { mean, sd } = fromNeighbours(filled, i, model);
      const value = expectedBeyond(samples[i]!.value, samples[i]!.censored!, mean, sd);
      moved = Math.max(moved, Math.abs(value - filled[i]!.value));
      filled[i]!.value = value;
    }
    if (moved < 1e-6 * Math.sqrt(model.nugget + model.partialSill)) break;
  }
  return filled;
}

const plain = ({ u, v, value }: Sample): Sample => ({ u, v, value });

function fromNeighbours(samples: readonly Sample[], i: number, model: VariogramModel): { mean: number; sd: number } {
  const at = samples[i]!;
  const others = samples
    .filter((_, k) => k !== i)
    .map((sample) => ({ sample, away: (sample.u - at.u) ** 2 + (sample.v - at.v) ** 2 }))
    .sort((a, b) => a.away - b.away)
    .slice(0, NEIGHBOURS)
    .map(({ sample }) => sample);
  if (others.length === 1) return { mean: others[0]!.value, sd: Math.sqrt(model.nugget + model.partialSill) };
  const [mean, variance] = [new Float64Array(1), new Float64Array(1)];
  prepareKriging(others, model, false).predict([at.u], [at.v], mean, variance);
  return { mean: mean[0]!, sd: Math.sqrt(variance[0]!) };
}
