import type { PlannedStep } from '@aspecta/contract/plan';
import { dayOf } from '../shell/days.ts';

/** What holds the end up, said as one: a delivery, all that dries, the work on a panel, what is done for the car as a whole. */
export interface HoldUp {
  what: string;
  steps: PlannedStep[];
  /** Together; calendar hours where nobody works on it. */
  hours: number;
  /** Share of the runs of the step that holds it up most often. */
  critical: number;
}

const DRIES = 'Coats that dry and harden';
const WHOLE = 'The car as a whole';

const groupOf = ({ kind, waits, panel, title }: PlannedStep): string =>
  kind === 'delivery' ? title : waits ? DRIES : panel === null ? WHOLE : `Work on ${title.split(': ')[0]!}`;

/** What is no work and holds the end up: a day before which something may not begin, rain, money that is not there yet. */
export interface Wait {
  what: string;
  /** Share of the runs. */
  critical: number;
}

/** Why it may not begin before its day: what was said of it, or a time that has still to pass. */
function dated({ title, said, pieces, state }: PlannedStep): string {
  const day = (state === 'blocked' ? said?.until : null) ?? said?.notBefore ?? pieces[0]![0];
  return `${title}: not before ${dayOf(day)}${said?.reason ? ` – ${said.reason}` : ''}`;
}

/** What holds the end up often and is no work, most often first. */
export function waits(steps: readonly PlannedStep[], often: number): Wait[] {
  return steps
    .flatMap((step): Wait[] => {
      const { date = 0, weather = 0, money = 0 } = step.outside;
      return [
        { what: dated(step), critical: date },
        { what: `${step.title}: waits for dry hours`, critical: weather },
        { what: `${step.title}: waits for the money`, critical: money },
      ];
    })
    .filter(({ critical }) => critical >= often)
    .sort((a, b) => b.critical - a.critical);
}

/** Steps that hold the end up often, the longest of them first. */
export function holdUps(steps: readonly PlannedStep[], often: number): HoldUp[] {
  const by = new Map<string, PlannedStep[]>();
  for (const step of steps.filter(({ critical }) => critical >= often))
    by.set(groupOf(step), [...(by.get(groupOf(step)) ?? []), step]);
  return [...by]
    .map(([what, own]) => ({
      what,
      steps: own,
      hours: own.reduce((sum, { hours }) => sum + hours, 0),
      critical: Math.max(...own.map(({ critical }) => critical)),
    }))
    .sort((a, b) => b.hours - a.hours);
}
