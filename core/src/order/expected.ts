import type { OrderState } from './states.ts';

/** Days of delivery where nobody has quoted any, and of a back order without a date; common practice, no published source (T-29). */
const USUAL_DAYS = 10;
const UNDATED_DAYS = 42;
/** A part that should be here by now, or is due at once, is counted on for no sooner than this, h; one without a date not for a week. */
const OVERDUE_HOURS = 48;
const UNDATED_LEAST = 7 * 24;
const DAY_HOURS = 24;
const HOUR = 3_600_000;

/** What is known of a part that is not here. */
export interface Awaited {
  state: OrderState;
  /** Day on which it should be here, as 2026-05-31; null where nobody has said one. */
  due: string | null;
  /** Day on which it was ordered, or put off, as 2026-05-31. */
  since: string;
  /** Days of delivery as its maker quoted; left out where he did not. */
  quotedDays?: number | undefined;
}

/**
 * In how many hours is a part here? By the day it is due; without one as its maker quoted, from the day it was
 * ordered on; a back order without a date takes six weeks from the day it was put off, and that is a guess.
 *
 * @param now the present moment, ms since 1970
 * @returns calendar hours from now; undated where no date stands behind them
 * Source: common practice, no published source (T-29).
 * @example expectedIn({ state: 'back-order', due: null, since: '2026-03-01' }, Date.parse('2026-03-01T12:00:00Z')) // → { hours: 1008, undated: true }
 */
export function expectedIn(
  { state, due, since, quotedDays = USUAL_DAYS }: Awaited,
  now: number,
): { hours: number; undated: boolean } {
  const until = (day: string, days = 0) => (Date.parse(`${day}T12:00:00Z`) - now) / HOUR + days * DAY_HOURS;
  if (due !== null) return { hours: Math.max(OVERDUE_HOURS, until(due)), undated: false };
  if (state === 'wanted') return { hours: quotedDays * DAY_HOURS, undated: false };
  if (state === 'back-order') return { hours: Math.max(UNDATED_LEAST, until(since, UNDATED_DAYS)), undated: true };
  return { hours: Math.max(OVERDUE_HOURS, until(since, quotedDays)), undated: false };
}
