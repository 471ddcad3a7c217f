import { computed, reactive, ref, shallowRef } from 'vue';
import {
  POSITION_WORDS,
  PROCESS_WORDS,
  weldDefaults,
  type UsualWeld,
  type WeldPlanView,
  type WeldSettingsInput,
} from '@aspecta/contract/weld';
import { ApiProblem, put } from '../shell/api.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/** Lengths of the settings as they stand in their fields; empty for as the sheet and the process say. */
const LENGTHS = ['other', 'pitch', 'stitch', 'hole'] as const;
type LengthField = (typeof LENGTHS)[number];

const isOneOf = <T extends string>(words: Readonly<Record<T, string>>, said: unknown): said is T =>
  typeof said === 'string' && Object.hasOwn(words, said);

/** The weld plan of a repair, the settings that are being chosen for it, and laying it out. */
export function useWeldPlan(repairId: string) {
  const units = useUnits();
  const form = useForm();
  const view = shallowRef<WeldPlanView | null>(null);
  const input = reactive<WeldSettingsInput>(structuredClone(weldDefaults));
  const warm = ref(units.heat.typed(weldDefaults.handWarm));
  const lengths = reactive<Record<LengthField, string>>({ other: '', pitch: '', stitch: '', hole: '' });
  const reason = ref('');
  const asLast = shallowRef<UsualWeld | null>(null);
  const begun = computed(() => (view.value?.done.length ?? 0) > 0);

  const settings = () => JSON.stringify([input, warm.value, lengths]);
  /** The settings as they stood when the plan was shown. */
  let shown = '';
  function show(plan: WeldPlanView): void {
    view.value = plan;
    take(plan.input);
    reason.value = '';
    shown = settings();
  }
  /** Puts settings into their fields. */
  function take(settings: WeldSettingsInput): void {
    Object.assign(input, structuredClone(settings));
    warm.value = units.heat.typed(settings.handWarm);
    for (const field of LENGTHS) {
      const mm = settings[field];
      lengths[field] = mm === null ? '' : units.typed(mm);
    }
  }
  /** What a first plan begins with: by the house rules, else as this shop welded last. */
  function usual(last: UsualWeld | null): void {
    if (view.value || asLast.value || !last) return;
    asLast.value = last;
    take(last.input);
  }
  /** Settings that come from elsewhere, by the names of their fields; what is none of them stays as it is. */
  function given(said: Readonly<Record<string, unknown>>): void {
    const { process, position } = said;
    if (isOneOf(PROCESS_WORDS, process)) input.process = process;
    if (isOneOf(POSITION_WORDS, position)) input.position = position;
    for (const field of LENGTHS) if (typeof said[field] === 'string') lengths[field] = said[field];
  }
  /** The plan as it is stored. Settings that are being chosen stay when the server has come back with the same one. */
  function stored(plan: WeldPlanView | null): void {
    if (plan && plan.version === view.value?.version) view.value = plan;
    // Settings that are being chosen stay: laying out then tells of the other plan.
    else if (plan && (!view.value || settings() === shown)) show(plan);
  }
  /** Lays it out by the settings as they are chosen, some of them changed. */
  async function layOut(change: Partial<WeldSettingsInput> = {}): Promise<boolean> {
    return form.submit(async () => {
      const typed: Partial<Record<LengthField, number | string | null>> = {};
      // What is no length goes on as it was typed: the server refuses it at its field.
      for (const field of LENGTHS)
        typed[field] = lengths[field].trim() === '' ? null : (units.read(lengths[field]) ?? lengths[field]);
      try {
        show(
          await put<WeldPlanView>(`/repairs/${repairId}/weld`, {
            ...input,
            ...typed,
            handWarm: units.heat.read(warm.value),
            ...change,
            reason: reason.value,
            version: view.value?.version ?? 0,
          }),
        );
      } catch (error) {
        if (error instanceof ApiProblem && error.code === 'conflict') {
          show(error.body.current as WeldPlanView);
          throw new Error('Somebody else has laid the plan out anew; it is shown as it is now.', { cause: error });
        }
        throw error;
      }
    });
  }
  return { view, input, warm, lengths, reason, begun, form, asLast, stored, usual, given, layOut };
}
