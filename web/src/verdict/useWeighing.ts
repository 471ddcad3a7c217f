import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import type { ZoneView } from '@aspecta/contract/survey';
import type { VerdictView } from '@aspecta/contract/verdict';
import type { OptionId } from '@aspecta/core/verdict';
import { post } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';

/** Weighs the chosen zones of a panel whenever they change; a late answer to an older choice does not count. */
export function useWeighing(vehicle: string, offered: Ref<readonly ZoneView[]>) {
  const form = useForm();
  const zones = ref<string[]>([]);
  /** What a person has chosen; null as long as he goes by the proposal. */
  const picked = ref<OptionId | null>(null);
  const view = shallowRef<VerdictView | null>(null);
  /** What would be decided now: the proposal moves with prices and zones, a choice of one's own stays while it is open. */
  const choice = computed<OptionId | null>({
    get: () => {
      const weighed = view.value?.verdict;
      const stands = weighed?.options.some(({ id, ruledOut }) => id === picked.value && ruledOut === null);
      return weighed && !stands ? weighed.proposed : picked.value;
    },
    set: (value) => (picked.value = value),
  });
  /** The chosen zones as they are now. */
  const asked = computed(() =>
    offered.value
      .filter((zone) => zones.value.includes(zone.id))
      .map((zone) => `${zone.id} ${zone.version}`)
      .join(),
  );
  watch(asked, () => void weigh());

  async function weigh(): Promise<void> {
    const now = asked.value;
    if (now === '') {
      view.value = null;
      return;
    }
    await form.submit(async () => {
      const answer = await post<VerdictView>(`/vehicles/${vehicle}/verdict`, { zoneIds: zones.value });
      if (now !== asked.value) return;
      view.value = answer;
    });
    // Chosen otherwise while it was on its way: that was not asked for yet.
    if (now !== asked.value) await weigh();
  }
  return { form, zones, choice, view, weigh };
}
