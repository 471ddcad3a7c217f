import { computed, shallowRef } from 'vue';
import type { JobView, OwnStepInput, StepSay, StepView } from '@aspecta/contract/job';
import { isPast } from '@aspecta/core/job';
import { post, put, remove } from '../shell/api.ts';
import { overTheirs } from '../shell/theirs.ts';
import { useForm } from '../shell/useForm.ts';

/** What a person may look for among the steps. */
export const SHOWN = {
  ready: ({ state }: StepView) => state === 'ready' || state === 'running' || state === 'blocked',
  waits: ({ state }: StepView) => state === 'waits',
  done: ({ state }: StepView) => isPast(state),
  all: () => true,
} as const;
export type Shown = keyof typeof SHOWN;

/** Nothing is said of a step. */
const saidNothing: Omit<StepSay, 'step'> = {
  state: null,
  reason: '',
  until: null,
  notBefore: null,
  hours: null,
  spent: null,
  share: null,
};

/** What is sent when something is said of a step: what was said of it before stays, but for what is changed. */
export function sayOf({ id, said }: Pick<StepView, 'id' | 'said'>, change: Partial<StepSay>): StepSay {
  const { by: _by, at: _at, ...before } = said ?? { ...saidNothing, by: '', at: '' };
  return { ...before, ...change, step: id };
}

/** Done where it is done, and not said by hand: a decision, an order, a part that is on its way or checked. */
export const isElsewhere = ({ kind }: Pick<StepView, 'kind'>): boolean =>
  ['decide', 'order', 'delivery', 'check'].includes(kind);

/** The job of a car, and what is said of its steps. */
export function useJob(vehicleId: string) {
  const form = useForm();
  const view = shallowRef<JobView | null>(null);
  const steps = computed(() => view.value?.steps ?? []);
  const at = `/vehicles/${vehicleId}/job`;
  /** What was said of a step, with some of it changed. */
  const say = (step: StepView, change: Partial<StepSay>): Promise<boolean> =>
    form.submit(async () => {
      view.value = await put<JobView>(`${at}/said`, sayOf(step, change));
    });
  /** Starts or stops one's own clock on a step; dropped, its hours are not noted. */
  const clock = ({ id }: StepView, run: boolean, drop = false): Promise<boolean> =>
    form.submit(async () => {
      view.value = await put<JobView>(`${at}/clock`, { step: id, run, drop });
    });
  /** A step of one's own: a new one, or one that is changed. */
  const keep = (step: OwnStepInput, version: number | null): Promise<boolean> =>
    form.submit(() =>
      overTheirs<JobView>(
        'this step',
        (stored) => (view.value = stored),
        async () => {
          const { id, ...rest } = step;
          view.value =
            version === null
              ? await post<JobView>(`${at}/steps`, step)
              : await put<JobView>(`${at}/steps/${id}`, { ...rest, version });
        },
      ),
    );
  const takeAway = (id: string): Promise<boolean> =>
    form.submit(async () => {
      view.value = await remove<JobView>(`${at}/steps/${id}`);
    });
  return { view, steps, form, say, clock, keep, takeAway };
}
