import type { PlannedMoney } from '@aspecta/contract/purse';
import type { Problem } from '@aspecta/core';
import type { Calendar, CalendarInput } from '@aspecta/core/plan';
import type { Cash } from '../purse/service.ts';

const HOUR = 3_600_000;

/** What a calendar is told of money; nothing where it does not look at it. */
export const onCash = (cash: Cash | null): Pick<CalendarInput, 'cash'> =>
  cash ? { cash: [{ at: 0, amount: cash.left }, ...cash.comes] } : {};

/** Why money is never enough for a plan; null where something else is the matter. */
export const tooLittle = (problem: Problem): string | null =>
  problem.code === 'no-money'
    ? 'In a year there is never enough money for all that is wanted: add to what comes in, or buy less.'
    : null;

/** What comes in and is paid while a plan lasts. */
export function moneyOf(
  cash: Cash,
  { tasks }: CalendarInput,
  plan: Calendar,
  { now, titles }: { now: Date; titles: ReadonlyMap<string, string> },
): PlannedMoney {
  const at = (hour: number) => new Date(now.getTime() + hour * HOUR).toISOString();
  return {
    left: cash.left,
    comes: cash.comes.filter((income) => income.at <= plan.finish).map((income) => ({ ...income, at: at(income.at) })),
    pays: tasks
      .filter(({ outlay = 0 }) => outlay > 0)
      .map(({ id, outlay }) => ({
        at: at(plan.tasks[id]!.pieces[0]![0]),
        amount: outlay!,
        title: titles.get(id) ?? id,
      }))
      .sort((a, b) => a.at.localeCompare(b.at)),
  };
}
