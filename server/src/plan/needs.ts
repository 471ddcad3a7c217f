import type { Caller } from '../http/session.ts';
import { nameIn, type AllCarsService } from './allCars.ts';

const HOUR = 3_600_000;

/** The step that waits for a part, and when it could begin. */
export interface PartNeed {
  step: string;
  at: string;
}

/**
 * When is each part needed that is still to come? All cars are planned as if every part were here: the
 * first step that waits for its check says it, by the repair or the order line that the part belongs to.
 */
export async function partNeeds(
  allCars: AllCarsService,
  caller: Caller,
): Promise<{ parts: ReadonlyMap<string, PartNeed>; problem: string | null }> {
  const parts = new Map<string, PartNeed>();
  const { now, open, input, problem } = await allCars.together(caller);
  if (!input) return { parts, problem };
  const comes = new Set(
    open.flatMap(({ vehicle, steps }) =>
      steps.filter(({ kind }) => kind === 'order' || kind === 'delivery').map(({ id }) => nameIn(vehicle, id)),
    ),
  );
  const plan = await allCars.planned(caller, {
    ...input,
    tasks: input.tasks.map((task) => (comes.has(task.id) ? { ...task, hours: 0, release: 0 } : task)),
  });
  if (!plan)
    return { parts, problem: 'A year of the hours in Plan is not enough for all cars: add hours or people there.' };
  for (const { vehicle, steps, tasks } of open) {
    const after = new Map(tasks.map((task) => [task.id, (task.after ?? []).map(({ id }) => id)]));
    const beginOf = (id: string) => plan.tasks[nameIn(vehicle, id)]!.pieces[0]![0];
    for (const { id, kind } of steps.filter((step) => step.kind === 'check' || step.kind === 'rework')) {
      const first = steps
        .filter((step) => step.kind !== 'rework' && after.get(nameIn(vehicle, step.id))!.includes(nameIn(vehicle, id)))
        .sort((a, b) => beginOf(a.id) - beginOf(b.id))[0];
      if (first)
        parts.set(id.slice(0, -(kind.length + 1)), {
          step: first.title,
          at: new Date(now.getTime() + beginOf(first.id) * HOUR).toISOString(),
        });
    }
  }
  return { parts, problem: null };
}
