import { reactive, ref } from 'vue';
import { Problem } from '@aspecta/core';
import { ApiProblem } from './api.ts';
import { useUnits } from './units.ts';

/** Sends something and puts refusals at the fields that they name; what was typed stays. */
export function useForm() {
  const units = useUnits();
  const errors = reactive<Record<string, string>>({});
  const general = ref<string | null>(null);
  const busy = ref(false);
  async function submit(action: () => Promise<void>): Promise<boolean> {
    // Pressed again while it is on its way: it is sent once.
    if (busy.value) return false;
    for (const key of Object.keys(errors)) delete errors[key];
    general.value = null;
    busy.value = true;
    try {
      await action();
      return true;
    } catch (error) {
      if (error instanceof ApiProblem) {
        for (const { field, detail } of error.body.errors ?? []) errors[field] = detail;
        if (error.body.field && !errors[error.body.field]) errors[error.body.field] = error.body.detail;
        if (!error.body.field) general.value = error.body.detail;
      } else if (error instanceof Problem) errors[error.field] = units.said(error.message);
      else general.value = (error as Error).message;
      return false;
    } finally {
      busy.value = false;
    }
  }
  /** What is said of no field, or of one that this form does not show: a refusal is never silent. */
  const rest = (...shown: string[]): string | null =>
    general.value ?? Object.entries(errors).find(([field]) => !shown.includes(field))?.[1] ?? null;
  return { errors, general, busy, submit, rest };
}
