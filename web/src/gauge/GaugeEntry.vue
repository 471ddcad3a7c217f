<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import type { GaugeEvent, GaugeView } from '@aspecta/contract/gauge';
import type { ReadingInput } from '@aspecta/contract/survey';
import { layerOf, sheetOf, type Panel } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import type { NextReading } from '@aspecta/core/survey';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useUnits } from '../shell/units.ts';
import { alongLine, overGrid } from './rows.ts';
import { useGauge } from './useGauge.ts';

/* Readings from a gauge: one at the tapped place, or a whole row or grid by pressing its button only. */
const props = defineProps<{
  panel: Panel;
  places: readonly Point[];
  advice: readonly NextReading[];
  store: (reading: Omit<ReadingInput, 'id' | 'panel'>) => Promise<boolean>;
}>();
const emit = defineEmits<{ places: [places: readonly Point[]] }>();
const layer = defineModel<string>('layer', { required: true });
const units = useUnits();
const gauge = useGauge((event) => void hear(event));
const error = ref<string | null>(null);
const last = ref('');
const stored = ref(0);
const step = ref(units.typed(60));
type Pattern = 'single' | 'line' | 'grid' | 'advice';
const pattern = ref<Pattern>('single');
const patterns = [
  { value: 'single', label: 'Where I tap' },
  { value: 'line', label: 'A row' },
  { value: 'grid', label: 'A grid' },
  { value: 'advice', label: 'Where advised' },
] as const;
const layers = computed(() => props.panel.layers.map(({ id, name }) => ({ value: id, label: name })));
const current = computed(() => layerOf(props.panel, layer.value));
const stepMm = computed(() => Math.min(500, Math.max(5, units.read(step.value) || 60)));
/** Places that are still to be read; a row or grid starts from two taps. */
const queue = ref<Point[]>([]);
const here = computed<Point | null>(() => queue.value[0] ?? null);
const wrongMaterial = computed(() => gauge.held.value?.kind === 'coating' && current.value.material === 'aluminium');

onMounted(() => gauge.look().catch((problem: Error) => (error.value = problem.message)));
watch(
  () => props.places,
  (places) => {
    if (pattern.value === 'single') queue.value = [...places];
    else if ((pattern.value === 'line' || pattern.value === 'grid') && places.length >= 2) {
      const [from, to] = places.slice(-2) as [Point, Point];
      queue.value =
        pattern.value === 'line'
          ? alongLine(from, to, stepMm.value)
          : overGrid(from, to, stepMm.value, sheetOf(props.panel));
      emit('places', queue.value);
      pattern.value = 'single';
    }
  },
);
watch(
  [pattern, () => props.advice],
  ([wanted, advice]) => {
    if (wanted !== 'advice' || queue.value.length > 0 || !advice[0]) return;
    queue.value = [[advice[0].u, advice[0].v]];
  },
  { immediate: true },
);
watch([here, () => gauge.held.value, layer], async ([place, held]) => {
  if (!place || !held) return;
  const told = { panel: props.panel.id, layer: layer.value, u: place[0], v: place[1] };
  await gauge.say('place', told).catch((problem: Error) => (error.value = problem.message));
});
async function connect(one: GaugeView): Promise<void> {
  error.value = null;
  if (await gauge.connect(one)) last.value = '';
}
async function hear(event: GaugeEvent): Promise<void> {
  if (event.type !== 'reading') return;
  error.value = null;
  const place = here.value;
  if (!place) {
    error.value = 'The gauge read something, but no place is marked. Tap the place first; that reading is not stored.';
    return;
  }
  if (event.value === null) {
    last.value = '';
    error.value =
      event.kind === 'thickness'
        ? 'No coupling: gel on, paint off, probe flat – or the sheet is gone there. Press again, or note a hole with the probe.'
        : 'No reading: hold it flat on steel and press again.';
    return;
  }
  const values =
    event.kind === 'coating'
      ? { coatingUm: event.value, coatingOver: event.censored === 'above' }
      : { metalMm: event.value, metalUnder: event.censored === 'below' };
  last.value = `${event.censored === 'above' ? 'more than ' : event.censored === 'below' ? 'less than ' : ''}${event.kind === 'coating' ? units.coating.text(event.value) : units.sheet(event.value)}`;
  try {
    await props.store({
      ...values,
      layer: layer.value,
      u: place[0],
      v: place[1],
      note: '',
      instrument: gauge.held.value?.name ?? '',
    });
    stored.value++;
    queue.value = queue.value.slice(1);
    emit('places', queue.value);
  } catch (problem) {
    error.value = (problem as Error).message;
  }
}
const press = () => gauge.say('press').catch((problem: Error) => (error.value = problem.message));
const zero = () => gauge.say('zero').catch((problem: Error) => (error.value = problem.message));
function forget(): void {
  queue.value = [];
  emit('places', []);
}
</script>

<template>
  <div class="stack">
    <p class="eyebrow">Read by gauge</p>
    <template v-if="!gauge.held.value">
      <p v-if="gauge.gauges.value.length === 0" class="soft">
        No gauge is known. Start Aspecta with <span class="mono small">ASPECTA_GAUGES</span> set to where its serial
        line can be reached, or type the readings.
      </p>
      <div v-for="one in gauge.gauges.value" :key="one.id" class="row">
        <KitButton :disabled="gauge.connecting.value" @click="connect(one)" class="grow">
          Connect {{ one.name }}
        </KitButton>
        <span v-if="one.inUseBy" class="small soft">in the hands of {{ one.inUseBy }}</span>
      </div>
    </template>
    <template v-else>
      <div class="row spread">
        <strong>{{ gauge.held.value.name }}</strong>
        <span v-if="gauge.battery.value !== null" class="small" :class="gauge.battery.value < 20 ? 'alarm' : 'soft'"
          >battery {{ gauge.battery.value }} %{{ gauge.battery.value < 20 ? ': charge it soon' : '' }}</span
        >
      </div>
      <KitChips v-if="layers.length > 1" v-model="layer" legend="Layer" :options="layers" />
      <KitNotice bad v-if="wrongMaterial">
        {{ current.name }} is aluminium: a magnetic gauge says nothing there. Choose a steel layer or the thickness
        gauge.
      </KitNotice>
      <KitChips v-model="pattern" legend="Where?" :options="patterns" />
      <KitField
        v-if="pattern === 'line' || pattern === 'grid'"
        v-slot="{ bind }"
        :label="`Step, ${units.word.value}`"
        hint="Now tap its two ends or corners on the sheet"
      >
        <KitInput mono v-bind="bind" v-model="step" inputmode="decimal" />
      </KitField>
      <p v-if="here || last" class="figure" aria-live="polite">
        {{ last || '– –' }} <small v-if="queue.length > 0">{{ queue.length }} to go</small>
      </p>
      <p v-if="!here" class="soft">Tap the place on the sheet, then press the button of the gauge.</p>
      <p v-if="here" class="small soft">
        Now at {{ units.length(here[0]) }} from the left, {{ units.length(here[1]) }} up.
      </p>
      <KitButton main v-if="gauge.held.value.standIn" :disabled="!here || wrongMaterial" @click="press" class="press">
        Press the gauge’s button
      </KitButton>
      <div class="row">
        <KitButton small @click="zero">Zero it</KitButton>
        <KitButton small v-if="queue.length > 0" @click="forget">Forget the places</KitButton>
        <KitButton small @click="gauge.putDown()">Put it down</KitButton>
      </div>
    </template>
    <KitNotice bad v-if="error">{{ error }}</KitNotice>
    <KitNotice v-if="gauge.word.value">{{ gauge.word.value }}</KitNotice>
    <p class="small soft" role="status">{{ stored === 0 ? '' : `${stored} stored.` }}</p>
  </div>
</template>

<style scoped>
.press {
  min-height: 72px;
  font-size: 1.15rem;
}
</style>
