import { onBeforeUnmount, reactive, shallowRef, watch } from 'vue';
import { cutDefaults, type CutPlanView } from '@aspecta/contract/cut';
import type { Pin } from '@aspecta/core/cut';
import { put } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { theirs } from '../shell/theirs.ts';
import { useForm } from '../shell/useForm.ts';

/** ms after the last change before it is sent: several quick ones go together. */
const SOON = 250;

/** The cut of a repair as it is wanted and as it comes out; what is changed is sent by itself. */
export function useCutPlan(repair: string) {
  const session = useSession();
  const form = useForm();
  const plan = shallowRef<CutPlanView | null>(null);
  const settings = reactive({ ...cutDefaults, from: [...cutDefaults.from] });
  /** The person's own corners; null where the line is to be found. */
  const corners = shallowRef<[number, number][] | null>(null);
  /** What each of them is held to; null where none is. */
  const pins = shallowRef<(Pin | null)[] | null>(null);
  let timer: ReturnType<typeof setTimeout> | undefined;
  watch([settings, corners, pins], changed);
  onBeforeUnmount(() => {
    if (timer === undefined) return;
    clearTimeout(timer);
    void save();
  });

  function show(cut: CutPlanView): void {
    plan.value = cut;
    Object.assign(settings, cut.settings);
    corners.value = cut.own ? cut.line.laid.map(([u, v]): [number, number] => [u, v]) : null;
    pins.value = cut.pins;
    wanted = asText();
  }
  const asText = () => JSON.stringify([settings, corners.value, pins.value]);
  /** As it was when it was last shown or sent. */
  let wanted = '';
  function changed(): void {
    if (!plan.value || !session.canWork || asText() === wanted) return;
    clearTimeout(timer);
    timer = setTimeout(() => void save(), SOON);
  }
  async function save(): Promise<void> {
    timer = undefined;
    const sent = asText();
    await form.submit(async () => {
      try {
        const answer = await put<CutPlanView>(`/repairs/${repair}/cut`, {
          ...settings,
          corners: corners.value,
          pins: corners.value && pins.value,
          version: plan.value!.version,
        });
        // What was changed meanwhile is on its way by itself.
        if (asText() === sent) show(answer);
        else {
          plan.value = { ...answer, settings: { ...settings } };
          changed();
        }
      } catch (error) {
        const stored = theirs<CutPlanView>(error);
        if (!stored) throw error;
        show(stored);
        throw new Error(
          'Somebody else has changed this line in the meantime; it is shown as it is now. Change it again if you still want to.',
          { cause: error },
        );
      }
    });
  }
  return { form, plan, settings, corners, pins, show, changed };
}
