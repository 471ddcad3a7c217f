import { expose } from 'comlink';
import { Problem } from '@aspecta/core';
import { replanned, type Calendar, type CalendarInput } from '@aspecta/core/plan';

/* What becomes of a plan while one of its steps is dragged, away from the page. */
export type Replanned = { plan: Calendar; took: number } | { refused: string };

const api = {
  moved(input: CalendarInput, tasks: Calendar['tasks'], move: { task: string; from: number }): Replanned {
    const begun = performance.now();
    try {
      return { plan: replanned(input, { tasks }, move), took: performance.now() - begun };
    } catch (error) {
      if (error instanceof Problem) return { refused: error.message };
      throw error;
    }
  },
};
export type PlanApi = typeof api;
expose(api);
