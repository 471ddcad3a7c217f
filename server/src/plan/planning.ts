import { Problem } from '@aspecta/core';
import { calendar, outlook, type Calendar, type CalendarInput, type Outlook } from '@aspecta/core/plan';

/** s of search: a plan is asked for while somebody waits. */
const SEARCH = 0.3;
const RUNS = 60;
/** Enough to compare plans that differ by days. */
const FEW_RUNS = 15;

/** A plan and how sure its end is: too long for the thread that answers requests. */
export function planJob({ by, ...input }: CalendarInput & { by?: number | undefined }): {
  plan: Calendar;
  sure: Outlook;
} {
  const plan = calendar({ ...input, seconds: SEARCH });
  return { plan, sure: outlook(input, { by, runs: input.tasks.length > 200 ? Math.round(RUNS / 3) : RUNS }) };
}

/** The same without how sure it is, for all cars at once. */
export const planAll = (input: CalendarInput): Calendar => calendar({ ...input, seconds: SEARCH });

/** When all is done, as likely as not, by each of these plans; null where a year is not enough. */
export const ends = (inputs: readonly CalendarInput[]): (number | null)[] =>
  inputs.map((input) => {
    try {
      return outlook(input, { runs: FEW_RUNS }).p50;
    } catch (error) {
      if (error instanceof Problem) return null;
      throw error;
    }
  });
