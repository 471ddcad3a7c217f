import { shallowRef } from 'vue';
import type { CloseView, CoatInput, Overrule } from '@aspecta/contract/close';
import { post, put, remove } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';

/** The faces of a car, and what is put on them. */
export function useClose(vehicleId: string) {
  const form = useForm();
  const view = shallowRef<CloseView | null>(null);
  const at = `/vehicles/${vehicleId}/close`;
  const send = (action: () => Promise<CloseView>): Promise<boolean> =>
    form.submit(async () => {
      view.value = await action();
    });
  return {
    form,
    view,
    coat: (coat: CoatInput) => send(() => post(`${at}/coats`, coat)),
    takeBack: (coat: string) => send(() => remove(`${at}/coats/${coat}`)),
    overrule: (rule: Overrule) => send(() => put(`${at}/overruled`, rule)),
  };
}
export type Close = ReturnType<typeof useClose>;
