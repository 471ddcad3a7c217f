import type { JobView } from '@aspecta/contract/job';
import type { StagedView } from '@aspecta/contract/plan';
import { isPast, stagesOf, STAGES } from '@aspecta/core/job';
import type { BodyPlan } from '@aspecta/core/body';

/** How far the repairs of a car have come, and when the plan has them further; without a plan nothing has a day. */
export function stagesView(
  { steps }: JobView,
  plan: BodyPlan,
  endOf: (step: string) => number | null = () => null,
): StagedView[] {
  const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
  return stagesOf(
    steps.map(({ id, kind, repair, panel, state }) => ({ kind, repair, panel, past: isPast(state), end: endOf(id) })),
  ).map(({ repair, panel, stages, now }) => ({
    ...{ repair, panel, now },
    name: plan.panels.find(({ id }) => id === panel)?.name ?? panel,
    stages: Object.fromEntries(
      STAGES.flatMap((stage) => {
        const reached = stages[stage];
        return reached ? [[stage, { done: reached.done, end: iso(reached.end) }]] : [];
      }),
    ),
  }));
}
