import { prepareKriging, type Kriging } from './kriging.ts';
import type { Sample, VariogramModel } from './variogram.ts';

/** Up to so many samples the whole system is quicker than many small ones. */
const WHOLE_UP_TO = 120;
/** Samples that take part in one estimate: those beyond are screened off by nearer ones. */
const NEIGHBOURS = 64;
/** mm. Places of one tile share their neighbours; smaller than any range that is fitted. */
const TILE = 100;

/**
 * Kriging with a moving neighbourhood: each tile of places uses the 64 samples nearest to
 * it. As good as the whole for a map, and its time grows with the number of samples only.
 * Up to 120 samples it is exact.
 * Source: Journel & Huijbregts 1978, ch. V (screen effect); Chilès & Delfiner 2012, §3.6.
 */
export function prepareNearKriging(samples: readonly Sample[], model: VariogramModel, withResiduals = true): Kriging {
  if (samples.length <= WHOLE_UP_TO) return prepareKriging(samples, model, withResiduals);
  const predict: Kriging['predict'] = (atU, atV, mean, variance) => {
    for (const members of tilesOf(atU, atV).values()) {
      const [u, v] = [average(members, atU), average(members, atV)];
      const local = prepareKriging(nearest(samples, u, v, NEIGHBOURS), model, false);
      const [m, s] = [new Float64Array(members.length), new Float64Array(members.length)];
      local.predict(
        members.map((i) => atU[i]!),
        members.map((i) => atV[i]!),
        m,
        s,
      );
      members.forEach((i, k) => {
        mean[i] = m[k]!;
        variance[i] = s[k]!;
      });
    }
  };
  const residuals = withResiduals
    ? leaveOneOutNear(samples, model)
    : { leaveOneOut: new Float64Array(0), leaveOneOutSd: new Float64Array(0) };
  return { model, samples, predict, ...residuals };
}

function tilesOf(atU: ArrayLike<number>, atV: ArrayLike<number>): Map<string, number[]> {
  const tiles = new Map<string, number[]>();
  for (let i = 0; i < atU.length; i++) {
    const key = `${Math.floor(atU[i]! / TILE)} ${Math.floor(atV[i]! / TILE)}`;
    const tile = tiles.get(key);
    if (tile) tile.push(i);
    else tiles.set(key, [i]);
  }
  return tiles;
}

const average = (members: readonly number[], of: ArrayLike<number>) =>
  members.reduce((sum, i) => sum + of[i]!, 0) / members.length;

/** The samples nearest to a place, nearest first: one pass with a short sorted list, for thousands of samples at once. */
function nearest(samples: readonly Sample[], u: number, v: number, count: number): Sample[] {
  const most = Math.floor(count);
  const found: Sample[] = [];
  const away: number[] = [];
  for (const sample of samples) {
    const distance = (sample.u - u) ** 2 + (sample.v - v) ** 2;
    if (found.length === most && distance >= away[most - 1]!) continue;
    let at = Math.min(found.length, most - 1);
    while (at > 0 && away[at - 1]! > distance) {
      found[at] = found[at - 1]!;
      away[at] = away[at - 1]!;
      at--;
    }
    found[at] = sample;
    away[at] = distance;
  }
  return found;
}

/** Residual of every sample from its neighbours alone; the neighbourhood is small, so a third of it will do. */
function leaveOneOutNear(
  samples: readonly Sample[],
  model: VariogramModel,
): Pick<Kriging, 'leaveOneOut' | 'leaveOneOutSd'> {
  const leaveOneOut = new Float64Array(samples.length);
  const leaveOneOutSd = new Float64Array(samples.length);
  samples.forEach((sample, i) => {
    const others = nearest(samples, sample.u, sample.v, NEIGHBOURS / 3 + 1).filter((other) => other !== sample);
    const [mean, variance] = [new Float64Array(1), new Float64Array(1)];
    prepareKriging(others, model, false).predict([sample.u], [sample.v], mean, variance);
    leaveOneOut[i] = sample.value - mean[0]!;
    leaveOneOutSd[i] = Math.sqrt(variance[0]!);
  });
  return { leaveOneOut, leaveOneOutSd };
}
