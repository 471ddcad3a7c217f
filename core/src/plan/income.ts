import { finite } from '../check.ts';
import { Problem } from '../problem.ts';

/** How often money comes in. */
export const EVERY = ['once', 'week', 'fortnight', 'month'] as const;
export type Every = (typeof EVERY)[number];

/** What comes in: minor units, from a first day (YYYY-MM-DD) on. */
export interface Income {
  amount: number;
  first: string;
  every: Every;
}

const DAY = 86_400_000;
/** Pay days that are looked through: more than a century of weeks. */
const MOST = 6000;

/** ms of a day; refused where the calendar has no such day. */
function momentOf(field: string, day: string): number {
  const at = Date.parse(`${day}T00:00:00Z`);
  if (Number.isNaN(at) || dayOf(at) !== day)
    throw new Problem('no-such-day', field, 'This is no day of the calendar; choose another.');
  return at;
}
const dayOf = (at: number) => (Number.isNaN(at) ? '' : new Date(at).toISOString().slice(0, 10));

/** The n-th pay day from the first; a month that is too short pays on its last day. */
function payDay(first: number, every: Every, n: number): number {
  if (every !== 'month') return first + n * DAY * { once: 0, week: 7, fortnight: 14 }[every];
  const day = new Date(first);
  const last = new Date(Date.UTC(day.getUTCFullYear(), day.getUTCMonth() + n + 1, 0)).getUTCDate();
  return Date.UTC(day.getUTCFullYear(), day.getUTCMonth() + n, Math.min(day.getUTCDate(), last));
}

/**
 * On which days does how much come in?
 *
 * @param income amount in minor units, first day, how often; from and to: days (YYYY-MM-DD), both counted
 * @returns pay days in their order
 * @throws Problem naming the field: no day of the calendar, no amount
 * Source: common practice, no published source (a month that is too short pays on its last day).
 * @example
 * incomeBetween({ amount: 50_000, first: '2026-01-31', every: 'month' }, '2026-02-01', '2026-03-31').map(({ on }) => on) // → ["2026-02-28", "2026-03-31"]
 */
export function incomeBetween(income: Income, from: string, to: string): { on: string; amount: number }[] {
  const first = momentOf('first', income.first);
  finite('amount', income.amount, { min: 0, max: 1e12 });
  const [begin, end] = [momentOf('from', from), momentOf('to', to)];
  const days: { on: string; amount: number }[] = [];
  for (let n = 0; n < (income.every === 'once' ? 1 : MOST); n++) {
    const at = payDay(first, income.every, n);
    if (at > end) break;
    if (at >= begin) days.push({ on: dayOf(at), amount: income.amount });
  }
  return days;
}
