import { onUnmounted, readonly, ref, shallowRef } from 'vue';
import type { GaugeEvent, GaugeView } from '@aspecta/contract/gauge';
import { get, post } from '../shell/api.ts';

/** One gauge in hand: connect, zero, hear what it says, put it down. */
export function useGauge(hear: (event: GaugeEvent) => void) {
  const gauges = shallowRef<readonly GaugeView[]>([]);
  const held = shallowRef<GaugeView | null>(null);
  const battery = ref<number | null>(null);
  const word = ref<string | null>(null);
  const connecting = ref(false);
  let source: EventSource | undefined;

  async function look(): Promise<void> {
    gauges.value = await get<GaugeView[]>('/gauges');
  }
  function putDown(): void {
    source?.close();
    source = undefined;
    held.value = null;
    battery.value = null;
  }
  /** Takes a gauge in hand; resolves when it answers. */
  function connect(gauge: GaugeView): Promise<boolean> {
    putDown();
    connecting.value = true;
    word.value = null;
    return new Promise((resolve) => {
      source = new EventSource(`/api/gauges/${gauge.id}/stream`);
      source.onopen = () => {
        connecting.value = false;
        held.value = gauge;
        resolve(true);
      };
      source.onerror = () => {
        // A refused or lost stream is not tried for ever: the person decides.
        connecting.value = false;
        putDown();
        word.value = `${gauge.name} does not answer, or somebody else has it in hand. Switch it on and connect it again.`;
        void look();
        resolve(false);
      };
      source.onmessage = (message) => take(JSON.parse(message.data as string) as GaugeEvent);
    });
  }
  function take(event: GaugeEvent): void {
    if (event.type === 'battery') battery.value = event.percent;
    else if (event.type === 'zeroed') word.value = 'Zeroed.';
    else if (event.type === 'drift') word.value = event.text;
    else if (event.type === 'nonsense')
      word.value = 'The gauge sent something that cannot be read; take that reading again.';
    else if (event.type === 'gone') {
      putDown();
      word.value = event.text;
    }
    hear(event);
  }
  const say = (verb: 'zero' | 'press' | 'place', body: object = {}) => post(`/gauges/${held.value!.id}/${verb}`, body);
  onUnmounted(putDown);
  return {
    gauges: readonly(gauges),
    held: readonly(held),
    battery: readonly(battery),
    connecting: readonly(connecting),
    word,
    look,
    connect,
    putDown,
    say,
  };
}
