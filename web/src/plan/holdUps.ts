import type { PlannedStep } from '@aspecta/contract/plan';

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
