import { computed, ref, shallowRef, watch } from 'vue';
import type { PracticeResult, PracticeView } from '@aspecta/contract/practice';
import type { Point, Ring } from '@aspecta/core/geometry';
import type { PracticeChoice, PracticeGauge, PracticeSeed } from '@aspecta/core/practice';
import { get, post } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';

export interface TakenReading {
  panel: string;
  at: Point;
  gauge: PracticeGauge;
  /** mm or µm. */
  value: number;
}
/** What a player has done so far; kept on this device, so that it can be left and gone on with. */
interface Run {
  readings: TakenReading[];
  zones: Record<string, Ring[]>;
  choices: Record<string, PracticeChoice>;
}
const empty = (): Run => ({ readings: [], zones: {}, choices: {} });
const nameOf = ({ plan, level, seed }: PracticeSeed) => `practice ${plan} ${level} ${seed}`;

function kept(seed: PracticeSeed): Run {
  try {
    const run = JSON.parse(localStorage.getItem(nameOf(seed)) ?? 'null') as Run | null;
    return run && Array.isArray(run.readings) ? { ...empty(), ...run } : empty();
  } catch {
    // What cannot be read any more is begun again.
    return empty();
  }
}

/** One exercise: what shows, what was read, marked and decided, and in the end the truth. */
export function usePractice() {
  const form = useForm();
  const view = shallowRef<PracticeView | null>(null);
  const result = shallowRef<PracticeResult | null>(null);
  const run = ref<Run>(empty());
  const seed = (): PracticeSeed => ({ plan: view.value!.plan, level: view.value!.level, seed: view.value!.seed });
  watch(
    run,
    (now) => {
      if (view.value && !result.value) localStorage.setItem(nameOf(view.value), JSON.stringify(now));
    },
    { deep: true },
  );
  return {
    form,
    view,
    result,
    run,
    left: computed(() => (view.value?.readings ?? 0) - run.value.readings.length),
    begin: (of: PracticeSeed) =>
      form.submit(async () => {
        const query = new URLSearchParams({ plan: of.plan, level: String(of.level), seed: String(of.seed) });
        result.value = null;
        view.value = await get<PracticeView>(`/practice?${query.toString()}`);
        run.value = kept(of);
      }),
    read: (panel: string, at: Point, gauge: PracticeGauge) =>
      form.submit(async () => {
        const n = run.value.readings.length;
        const { value } = await post<{ value: number }>('/practice/read', { ...seed(), panel, at, gauge, n });
        run.value.readings = [...run.value.readings, { panel, at, gauge, value }];
      }),
    end: () =>
      form.submit(async () => {
        const answers = view.value!.panels.map(({ panel }) => ({
          panel,
          choice: run.value.choices[panel] ?? 'sound',
          zones: run.value.zones[panel] ?? [],
        }));
        result.value = await post<PracticeResult>('/practice/end', {
          ...seed(),
          answers,
          readings: run.value.readings.length,
        });
        localStorage.removeItem(nameOf(view.value!));
      }),
    again: () => {
      result.value = null;
      run.value = empty();
    },
  };
}
export type Practice = ReturnType<typeof usePractice>;
