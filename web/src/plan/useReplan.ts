import { computed, ref, shallowRef, toRaw } from 'vue';
import type { PlannedStep, PlanView } from '@aspecta/contract/plan';
import type { Calendar } from '@aspecta/core/plan';
import { dayBegan, today } from '../shell/days.ts';
import { replan } from '../workers/planBridge.ts';
import { momentOn } from './bars.ts';

const HOUR = 3_600_000;
const DAY_HOURS = 24;
/** h. Less than that is the same end. */
const SAME_END = 0.25;

/** While a step is dragged: the plan as it would be then, answered by the worker, so that the rest moves along. */
export function useReplan(view: () => PlanView) {
  const moved = shallowRef<Calendar | null>(null);
  /** Why there is no plan with the step on that day. */
  const refused = ref('');
  let asked = 0;
  let day = '';
  const hourOf = (iso: string) => (Date.parse(iso) - Date.parse(view().from)) / HOUR;
  const tasks = computed((): Calendar['tasks'] =>
    Object.fromEntries(
      view().steps.map(({ id, by, pieces }) => [
        id,
        { by, pieces: pieces.map(([from, to]): [number, number] => [hourOf(from), hourOf(to)]) },
      ]),
    ),
  );

  /** Asks for the day on which a bar lies now; an answer that comes after a later question is left out. */
  async function to(step: PlannedStep, x: number): Promise<void> {
    const { input, from } = view();
    const moment = momentOn(from, x);
    const now = `${step.id} ${today(new Date(moment))}`;
    if (!input || now === day) return;
    day = now;
    const mine = ++asked;
    const answer = await replan(toRaw(input), tasks.value, {
      task: step.id,
      from: Math.max(0, hourOf(new Date(dayBegan(moment)).toISOString())),
    });
    if (mine !== asked) return;
    if ('refused' in answer) refused.value = answer.refused;
    else [moved.value, refused.value] = [answer.plan, ''];
  }
  /** Everything where the plan has it. */
  function back(): void {
    asked++;
    day = '';
    moved.value = null;
    refused.value = '';
  }

  /** The steps with the hours that they would have, in the same order. */
  const steps = computed((): PlannedStep[] => {
    const plan = moved.value;
    if (!plan) return view().steps;
    const at = (hour: number) => new Date(Date.parse(view().from) + hour * HOUR).toISOString();
    return view().steps.map((step) => {
      const { by, pieces } = plan.tasks[step.id]!;
      return { ...step, by, pieces: pieces.map(([from, to]): [string, string] => [at(from), at(to)]) };
    });
  });
  /** When all would be done, and by how many days that is later; null while nothing is dragged. */
  const end = computed(() => {
    const { finish } = view();
    if (!moved.value || !finish) return null;
    const later = moved.value.finish - hourOf(finish);
    return {
      at: new Date(Date.parse(view().from) + moved.value.finish * HOUR).toISOString(),
      days: Math.abs(later) < SAME_END ? 0 : later / DAY_HOURS,
    };
  });
  return { to, back, steps, end, refused };
}
