import { calendar, outlook, type Calendar, type CalendarInput, type Outlook } from '@aspecta/core/plan';

/** s of search: a plan is asked for while somebody waits. */
const SEARCH = 0.3;
const RUNS = 60;

/** A plan and how sure its end is: too long for the thread that answers requests. */
export function planJob(input: CalendarInput): { plan: Calendar; sure: Outlook } {
  const plan = calendar({ ...input, seconds: SEARCH });
  return { plan, sure: outlook(input, { runs: input.tasks.length > 200 ? Math.round(RUNS / 3) : RUNS }) };
}

/** The same without how sure it is, for all cars at once. */
export const planAll = (input: CalendarInput): Calendar => calendar({ ...input, seconds: SEARCH });
