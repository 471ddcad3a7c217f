import { refuse } from '../problem.ts';
import type { JobStep } from './types.ts';

/**
 * Steps so that each comes after all it waits for; otherwise in the order in which they were given.
 * @throws Problem `cycle` naming the circle
 */
export function inOrder(steps: readonly JobStep[]): JobStep[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const out: JobStep[] = [];
  const state = new Map<string, 'open' | 'done'>();
  const visit = (step: JobStep, way: readonly JobStep[]): void => {
    if (state.get(step.id) === 'done') return;
    if (state.get(step.id) === 'open') {
      const circle = [...way.slice(way.indexOf(step)), step].map(({ title }) => `“${title}”`);
      refuse(
        'cycle',
        'after',
        `These steps wait for one another in a circle: ${circle.join(' after ')}. Take one of the links away.`,
      );
    }
    state.set(step.id, 'open');
    for (const { id } of step.after) {
      const before = byId.get(id);
      if (before) visit(before, [...way, step]);
    }
    state.set(step.id, 'done');
    out.push(step);
  };
  for (const step of steps) visit(step, []);
  return out;
}
