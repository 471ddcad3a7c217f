import { computed, onUnmounted, ref, shallowRef } from 'vue';
import type {
  BraceInput,
  GapInput,
  HoldView,
  PointInput,
  RoundChange,
  RoundInput,
  RoundView,
  TapeInput,
} from '@aspecta/contract/hold';
import { useOutbox } from '../outbox/useOutbox.ts';
import { post, put, remove } from '../shell/api.ts';
import { overTheirs } from '../shell/theirs.ts';
import { useForm } from '../shell/useForm.ts';
import { withKept } from './keptTapes.ts';

/** How a car holds its shape, and what is measured and fitted of it. */
export function useHold(vehicleId: string) {
  const form = useForm();
  const outbox = useOutbox();
  const stored = shallowRef<HoldView | null>(null);
  const sending = ref<string | null>(null);
  /** As it is stored, with what is still on this device. */
  const view = computed({
    get: () => {
      // One that is on its way just now is not counted yet: the next one is asked for when it is known to be kept.
      const kept = outbox.keptOf('tape', vehicleId).filter(({ id }) => id !== sending.value);
      return stored.value && withKept(stored.value, kept);
    },
    set: (now) => (stored.value = now),
  });
  onUnmounted(
    outbox.whenSent((entry, answer) => {
      if (entry.kind === 'tape' && entry.vehicle === vehicleId) stored.value = answer as HoldView;
    }),
  );
  const at = `/vehicles/${vehicleId}/hold`;
  const send = (action: () => Promise<HoldView>): Promise<boolean> =>
    form.submit(async () => {
      view.value = await action();
    });
  return {
    form,
    view,
    begin: (round: RoundInput) => send(() => post(`${at}/rounds`, round)),
    /** A change of a measurement, over what somebody else may have changed meanwhile. */
    change: ({ id, name, stand, finished, kept, keptSaid, version }: RoundView, over: Partial<RoundChange>) =>
      form.submit(() =>
        overTheirs<HoldView>(
          'this measurement',
          (stored) => (view.value = stored),
          async () => {
            const body = { name, stand, finished, kept: keptSaid ? kept : null, version, ...over };
            view.value = await put(`${at}/rounds/${id}`, body);
          },
        ),
      ),
    takeAway: (round: string) => send(() => remove(`${at}/rounds/${round}`)),
    /** Kept on this device first: a tape that was stretched is not stretched again because the network is gone. */
    tape: (round: string, tape: TapeInput, title: string) =>
      form.submit(async () => {
        const entry = { id: tape.id, vehicle: vehicleId, kind: 'tape' as const, title };
        sending.value = tape.id;
        await outbox
          .record({ ...entry, path: `${at}/rounds/${round}/tapes`, body: { ...tape } }, true)
          .finally(() => (sending.value = null));
      }),
    takeBack: (round: string, tape: string) => send(() => remove(`${at}/rounds/${round}/tapes/${tape}`)),
    addPoint: (point: PointInput) => send(() => post(`${at}/points`, point)),
    removePoint: (point: string) => send(() => remove(`${at}/points/${point}`)),
    fit: (brace: BraceInput) => send(() => post(`${at}/braces`, brace)),
    unfit: (brace: string, reason: string) => send(() => put(`${at}/braces/${brace}/out`, { reason })),
    braceBack: (brace: string) => send(() => remove(`${at}/braces/${brace}`)),
    addGaps: (gaps: GapInput) => send(() => post(`${at}/gaps`, gaps)),
    removeGaps: (gaps: string) => send(() => remove(`${at}/gaps/${gaps}`)),
  };
}
export type Hold = ReturnType<typeof useHold>;
