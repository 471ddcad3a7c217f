<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { LEVEL_WORDS } from '@aspecta/contract/practice';
import { bodyPlan, bodyPlans, panelOf } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { LEVELS, type Level, type PracticeChoice, type PracticeGauge } from '@aspecta/core/practice';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { useInAddress } from '../shell/inAddress.ts';
import StationFrame from '../shell/StationFrame.vue';
import { useUnits } from '../shell/units.ts';
import PracticeSheet from './PracticeSheet.vue';
import ScoreCard from './ScoreCard.vue';
import { usePractice } from './usePractice.ts';

/* A made-up car: look at what shows, read with a limited number of readings, mark what has to come out, decide; then see the truth. */
const units = useUnits();
const plan = useInAddress<string>(
  'body',
  () => 'saloon',
  () => bodyPlans().map(({ id }) => id),
);
const level = useInAddress<string>(
  'level',
  () => '1',
  () => LEVELS.map(String),
);
/** Of whom one has the number, the car is the same. */
const seed = useInAddress<string>('car', () => '1');
const game = usePractice();
const { view, run, result, form } = game;
const looked = ref('');
/** The one that is looked at, as long as this car has it. */
const panelId = computed({
  get: () => {
    const all = view.value?.panels ?? [];
    return (all.find((one) => one.panel === looked.value) ?? all[0])?.panel ?? '';
  },
  set: (id) => (looked.value = id),
});
const tool = ref<PracticeGauge | 'mark'>('metal');
const drawing = ref<Point[]>([]);
const number = () => {
  const n = Math.round(Number(seed.value));
  return Number.isFinite(n) && n >= 0 && n <= 1e9 ? n : 1;
};
async function begin(): Promise<void> {
  drawing.value = [];
  await game.begin({ plan: plan.value, level: Number(level.value) as Level, seed: number() });
}
watch([plan, level, seed], begin, { immediate: true });
const body = computed(() => bodyPlan(view.value?.plan ?? 'saloon'));
const panel = computed(() => panelOf(body.value, panelId.value));
const sign = computed(() => view.value?.panels.find((one) => one.panel === panelId.value)?.sign ?? '');
const own = computed(() => run.value.readings.filter((one) => one.panel === panelId.value));
const zones = computed(() => run.value.zones[panelId.value] ?? []);
const truth = computed(() => result.value?.truth.find((one) => one.panel === panelId.value)?.gone ?? null);
const choice = computed<PracticeChoice | ''>({
  get: () => run.value.choices[panelId.value] ?? '',
  set: (value) => {
    if (value) run.value.choices = { ...run.value.choices, [panelId.value]: value };
  },
});
async function tap(at: Point): Promise<void> {
  if (result.value) return;
  if (tool.value === 'mark') drawing.value = [...drawing.value, at];
  else await game.read(panelId.value, [Math.round(at[0]), Math.round(at[1])], tool.value);
}
function closeZone(): void {
  run.value.zones = { ...run.value.zones, [panelId.value]: [...zones.value, drawing.value] };
  drawing.value = [];
  if (!choice.value) choice.value = 'patch';
}
const clearZones = () => (run.value.zones = { ...run.value.zones, [panelId.value]: [] });
watch([panelId, tool], () => (drawing.value = []));
const CHOICES: { value: PracticeChoice | ''; label: string }[] = [
  { value: 'sound', label: 'Leave it' },
  { value: 'patch', label: 'Patch what is marked' },
  { value: 'whole', label: 'Whole panel' },
];
const TOOLS: { value: PracticeGauge | 'mark'; label: string }[] = [
  { value: 'metal', label: 'Metal left' },
  { value: 'coating', label: 'Coating' },
  { value: 'mark', label: 'Mark an area' },
];
const undecided = computed(() => (view.value?.panels ?? []).filter(({ panel: id }) => !run.value.choices[id]));
/** Another panel that waits, once this one is decided. */
const elsewhere = computed(() =>
  run.value.choices[panelId.value] ? undecided.value.find((one) => one.panel !== panelId.value) : undefined,
);
const nameOf = (id: string) => panelOf(body.value, id).name;
const another = () => (seed.value = String((number() * 7919 + 104_729) % 1_000_003));
const next = computed(() => {
  if (result.value) return { text: 'Try another car' };
  const open = elsewhere.value;
  if (open) return { text: `Go on with ${nameOf(open.panel)}` };
  if (undecided.value.length > 0) return { text: `Say what is done on ${nameOf(panelId.value)}` };
  return { text: 'See the truth' };
});
/** The choices of this panel, for whoever is sent there. */
const decide = ref<HTMLElement | null>(null);
async function goOn(): Promise<void> {
  if (result.value) return void another();
  const open = elsewhere.value;
  if (open) panelId.value = open.panel;
  else if (undecided.value.length > 0) decide.value?.querySelector('input')?.focus();
  else await game.end();
}
</script>

<template>
  <main v-if="!view" class="page">
    <h1>Practice</h1>
    <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
    <p v-else class="soft">Making a car up …</p>
  </main>
  <StationFrame v-else :crumbs="[{ text: 'Garage', to: '/' }]" title="Practice" :next="next" @next="goOn">
    <template #sheet>
      <PracticeSheet
        :panel="panel"
        :readings="own"
        :zones="zones"
        :drawing="drawing"
        :truth="truth"
        :cross="!result"
        @tap="tap"
      />
    </template>
    <template #card>
      <div class="stack">
        <h2 class="question">What would you have found?</h2>
        <p class="small soft">
          A made-up car whose damage is known. It is never mixed with real ones; who has its number plays the same.
        </p>
        <ScoreCard v-if="result" :result="result" :name-of="nameOf" @look="panelId = $event" />
        <template v-else>
          <p class="figure">
            {{ Math.max(0, game.left.value) }} <small>{{ game.left.value === 1 ? 'reading' : 'readings' }} left</small>
          </p>
          <p v-if="game.left.value < 0" class="small alarm">More than allowed: each of them costs.</p>
        </template>
        <KitField v-slot="{ bind }" label="Panel"
          ><KitSelect v-bind="bind" v-model="panelId">
            <option v-for="one in view.panels" :key="one.panel" :value="one.panel">
              {{ nameOf(one.panel) }}{{ run.choices[one.panel] ? ' – decided' : '' }}
            </option>
          </KitSelect></KitField
        >
        <p><strong>What shows:</strong> {{ sign }}.</p>
        <p class="small soft">
          As built: {{ units.sheet(panel.layers[0]!.thickness) }} {{ panel.layers[0]!.material }}.
        </p>
        <template v-if="!result">
          <KitChips v-model="tool" legend="A tap on the sheet" :options="TOOLS" />
          <div v-if="tool === 'mark'" class="row">
            <KitButton main :disabled="drawing.length < 3" @click="closeZone">Close this area</KitButton>
            <KitButton :disabled="drawing.length === 0" @click="drawing = drawing.slice(0, -1)"
              >Take a corner back</KitButton
            >
            <KitButton v-if="zones.length > 0" @click="clearZones">Wipe the areas</KitButton>
          </div>
          <div ref="decide">
            <KitChips v-model="choice" legend="What is done here" :options="CHOICES" />
          </div>
          <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
          <KitButton :main="undecided.length === 0" :disabled="form.busy.value" @click="game.end()"
            >See the truth</KitButton
          >
        </template>
        <KitButton v-else @click="game.again()">Play this car once more</KitButton>
        <h3>Which car</h3>
        <KitField v-slot="{ bind }" label="Body"
          ><KitSelect v-bind="bind" v-model="plan">
            <option v-for="one in bodyPlans()" :key="one.id" :value="one.id">{{ one.name }}</option>
          </KitSelect></KitField
        >
        <KitChips
          v-model="level"
          legend="How much it hides"
          :options="LEVELS.map((one) => ({ value: String(one), label: LEVEL_WORDS[one] }))"
        />
        <p class="row spread">
          <span
            >Number <span class="mono">{{ view.seed }}</span><template v-if="view.best"
              >; your best {{ view.best.points }}</template
            ></span
          >
          <KitButton @click="another">Another car</KitButton>
        </p>
      </div>
    </template>
  </StationFrame>
</template>

<style scoped>
.question {
  font-size: 1.15rem;
  margin: 0;
}
h3 {
  font-size: 1.05rem;
  margin: 0.5rem 0 0;
}
</style>
