import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { SAME_LENGTH } from '../tolerances.ts';

export interface TrimInput {
  /** Along the joint, mm: the gap that is there, and the one that is wanted. */
  stations: readonly { at: number; gap: number; wanted: number }[];
  /** Index of the station at which nothing is taken off. */
  hold?: number;
  /** Width of a blade, mm. */
  kerf?: number;
}
export interface Trim {
  /** By how much a straight cut opens the gap at each station, mm. */
  line: number[];
  /** What is taken off there: never less than nothing, mm. */
  trim: number[];
  /** What is still lacking after it (need − line), mm. */
  residual: number[];
  rms: number;
  /** With a kerf: what is taken off at the widest place in each round, mm. */
  rounds?: number[];
}

/** mm. What is left under this is nothing. */
const NOTHING = SAME_LENGTH;
const MOST_ROUNDS = 200;

/**
 * A gap runs to nothing: which straight cut opens it best? The least-squares line through what is
 * lacking at each station (wanted − gap); taken off in rounds, half of what is left each time and at
 * least one blade width.
 *
 * @param input at least two stations at different places, mm
 * @throws Problem naming the field
 * Source: least squares; rounds common practice, no published source (T-02, T-46).
 * @example trim({ stations: [{ at: 0, gap: 4, wanted: 4 }, { at: 100, gap: 0, wanted: 4 }] }).line // → [0, 4]
 */
export function trim({ stations, hold, kerf }: TrimInput): Trim {
  const given = list<TrimInput['stations'][number]>('stations', stations, 2, 500).map((station, i) => ({
    at: finite(`stations[${i}].at`, station?.at, { min: -1e5, max: 1e5, unit: 'mm' }),
    need:
      finite(`stations[${i}].wanted`, station.wanted, { min: -500, max: 500, unit: 'mm' }) -
      finite(`stations[${i}].gap`, station.gap, { min: -500, max: 500, unit: 'mm' }),
  }));
  if (hold !== undefined && (!Number.isInteger(hold) || hold < 0 || hold >= given.length))
    refuse('unknown-station', 'hold', `hold must be the number of a station, 0 to ${given.length - 1}.`);
  if (kerf !== undefined) finite('kerf', kerf, { above: 0, max: 20, unit: 'mm' });
  const n = given.length;
  const middle = hold === undefined ? given.reduce((sum, { at }) => sum + at, 0) / n : given[hold]!.at;
  const level = hold === undefined ? given.reduce((sum, { need }) => sum + need, 0) / n : 0;
  const spread = given.reduce((sum, { at }) => sum + (at - middle) ** 2, 0);
  if (spread < NOTHING)
    refuse(
      'one-place',
      'stations',
      'All stations lie at the same place; measure the gap at two places that lie apart.',
    );
  const slope = given.reduce((sum, { at, need }) => sum + (at - middle) * (need - level), 0) / spread;
  const line = given.map(({ at }) => level + slope * (at - middle));
  const residual = given.map(({ need }, i) => need - line[i]!);
  const cut = line.map((mm) => Math.max(0, mm));
  return {
    line,
    trim: cut,
    residual,
    rms: Math.sqrt(residual.reduce((sum, mm) => sum + mm * mm, 0) / n),
    ...(kerf === undefined ? {} : { rounds: roundsOf(Math.max(...cut), kerf) }),
  };
}

/** Creeping up on a line: half of what is left each time, and no less than a blade takes (T-02). */
export function roundsOf(most: number, kerf: number): number[] {
  const rounds: number[] = [];
  for (let left = most; left > NOTHING && rounds.length < MOST_ROUNDS;) {
    const take = Math.min(left, Math.max(kerf, left / 2));
    rounds.push(take);
    left -= take;
  }
  return rounds;
}
