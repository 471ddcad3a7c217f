import type { Calendar, CalendarInput } from '@aspecta/core/plan';
import type { PlanApi, Replanned } from './plan.ts';
import { stoppable } from './stoppable.ts';

const worker = stoppable<PlanApi>(() => new Worker(new URL('./plan.ts', import.meta.url), { type: 'module' }));

/** Asks what becomes of a plan when one of its tasks begins at another hour. */
export const replan = (
  input: CalendarInput,
  tasks: Calendar['tasks'],
  move: { task: string; from: number },
): Promise<Replanned> => worker.open().moved(input, tasks, move);
