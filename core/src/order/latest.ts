import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { nextFactor } from '../verdict/index.ts';

export interface LatestInput {
  /** A day by its number, or a date (YYYY-MM-DD). */
  neededOn: number | string;
  /** Days of delivery as quoted. */
  quoted: number;
  /** What this supplier quoted before, and how many days it took. */
  history: readonly { quoted: number; actual: number }[];
  /** Probability with which it is to be there in time, 0 to 1. */
  confidence: number;
}
export interface Latest {
  /** As it was asked: a day by its number, or a date. */
  orderBy: number | string;
  /** Days that it will take. */
  lead: { p50: number; p90: number };
}

const DAY = 86_400_000;
const MOST_DAYS = 36_525;

/**
 * By which day must it be ordered, so that it is there in time? Days of delivery = quoted days × the
 * factor by which this supplier has differed from what he quoted.
 *
 * @param input days; an empty history says that quotes are right, give or take a third
 * @returns the last day to order, a date rounded down to a whole day; lead in days
 * @throws Problem naming the field
 * Source: predictive quantile of the conjugate normal on the log (Gelman et al., §3.3), as in verdict.calibrate.
 * @example latest({ neededOn: 100, quoted: 10, history: [], confidence: 0.5 }).orderBy // → 90
 */
export function latest({ neededOn, quoted, history, confidence }: LatestInput): Latest {
  finite('quoted', quoted, { min: 0, max: 5000, unit: 'days' });
  finite('confidence', confidence, { min: 0.01, max: 0.999 });
  const logs = list<{ quoted: number; actual: number }>('history', history, 0, 10_000).map((entry, i) =>
    Math.log(
      finite(`history[${i}].actual`, entry?.actual, { above: 0, max: 1e5, unit: 'days' }) /
        finite(`history[${i}].quoted`, entry.quoted, { above: 0, max: 1e5, unit: 'days' }),
    ),
  );
  const leadAt = (probability: number) => quoted * nextFactor(logs, probability);
  return {
    orderBy: before(neededOn, leadAt(confidence)),
    lead: { p50: leadAt(0.5), p90: leadAt(0.9) },
  };
}

function before(day: number | string, days: number): number | string {
  if (typeof day === 'number') return finite('neededOn', day, { min: -1e6, max: 1e6, unit: 'days' }) - days;
  const at = /^\d{4}-\d\d-\d\d$/.test(day) ? Date.parse(`${day}T00:00:00Z`) : Number.NaN;
  if (Number.isNaN(at))
    refuse('no-date', 'neededOn', 'neededOn must be a date such as 2026-05-31, or the number of a day.');
  if (days > MOST_DAYS)
    refuse('too-long', 'history', 'By this history it would take more than a hundred years; correct its days.');
  return new Date(Math.floor((at - days * DAY) / DAY) * DAY).toISOString().slice(0, 10);
}
