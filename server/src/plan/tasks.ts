import type { JobView, StepView } from '@aspecta/contract/job';
import { isPast, type JobStep } from '@aspecta/core/job';
import type { CalendarTask } from '@aspecta/core/plan';
import { leftOf } from '../job/view.ts';
import { startOfDay } from './hours.ts';

const HOUR = 3_600_000;

/** Steps that can be planned: those that are left, without what is blocked for good and all that waits for it. */
export function plannable(view: JobView, steps: readonly JobStep[]): { open: StepView[]; blocked: StepView[] } {
  const blocked = new Set(
    view.steps.filter(({ state, said }) => state === 'blocked' && !said?.until).map(({ id }) => id),
  );
  const held = new Set(blocked);
  for (const { id, after } of steps) if (after.some((link) => held.has(link.id))) held.add(id);
  return {
    open: view.steps.filter((step) => !isPast(step.state) && !held.has(step.id)),
    blocked: view.steps.filter(({ id }) => blocked.has(id)),
  };
}

/** What is left of a job as tasks of the calendar, hours from now. */
export function tasksOf(
  open: readonly StepView[],
  steps: readonly JobStep[],
  {
    now,
    timeZone,
    outdoors,
    costs,
  }: { now: Date; timeZone: string; outdoors: boolean; costs?: ReadonlyMap<string, number> | undefined },
): CalendarTask[] {
  const left = new Set(open.map(({ id }) => id));
  const links = new Map(steps.map(({ id, after }) => [id, after]));
  return open.map((step): CalendarTask => {
    const hoursUntil = (day: string | null | undefined) =>
      day ? Math.max(0, (startOfDay(day, timeZone) - now.getTime()) / HOUR) : 0;
    // Time that has still to pass after something that is done already.
    const still = step.at && step.state === 'waits' ? Math.max(0, (Date.parse(step.at) - now.getTime()) / HOUR) : 0;
    const running =
      step.state === 'running' && step.at ? Math.max(0, (Date.parse(step.at) - now.getTime()) / HOUR) : null;
    return {
      id: step.id,
      hours: running ?? (step.waits ? step.hours : leftOf(step)),
      ...(step.waits ? { by: [] } : {}),
      // In the open, electric welding and coating wait for dry hours.
      ...(outdoors && step.dry ? { dry: true } : {}),
      ...(step.kind === 'order' ? { outlay: costs?.get(boughtBy(step.id)) ?? 0 } : {}),
      needs: Object.fromEntries(step.needs.map((name) => [name, 1])),
      after: (links.get(step.id) ?? [])
        .filter(({ id }) => left.has(id))
        .map(({ id, lag, within }) => ({
          id,
          ...(lag === undefined ? {} : { lag }),
          ...(within === undefined ? {} : { within }),
        })),
      release: Math.max(
        still,
        hoursUntil(step.said?.notBefore),
        hoursUntil(step.state === 'blocked' ? step.said?.until : null),
      ),
    };
  });
}

/** The repair, or the line of the order book, for which a step orders. */
const boughtBy = (step: string): string => step.slice(0, step.indexOf(' '));
