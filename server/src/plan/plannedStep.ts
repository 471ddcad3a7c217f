import type { StepView } from '@aspecta/contract/job';
import type { PlannedStep } from '@aspecta/contract/plan';
import type { Calendar } from '@aspecta/core/plan';

const HOUR = 3_600_000;

/** A step of a job with when it is done, by whom. */
export function plannedStep(
  { needs, waitsFor, ...step }: StepView,
  { by, pieces }: Calendar['tasks'][string],
  now: Date,
): Omit<PlannedStep, 'critical' | 'outside'> {
  const { id, kind, title, repair, panel, path, waits, state, hours, share, said } = step;
  const at = (hour: number) => new Date(now.getTime() + hour * HOUR).toISOString();
  return {
    ...{ id, kind, title, repair, panel, path, waits, state, hours, share, said, needs, by },
    pieces: pieces.map(([from, to]): [string, string] => [at(from), at(to)]),
    why: waitsFor.map(({ why }) => why),
  };
}
