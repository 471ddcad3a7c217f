<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, watch } from 'vue';
import { STEP_WORDS, type WeldPlanView } from '@aspecta/contract/weld';
import { panelOf } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { MATERIALS } from '@aspecta/core/weld';
import { crumbsTo } from '../car/crumbs.ts';
import { useVehicle } from '../car/useVehicle.ts';
import ChartView from '../charts/ChartView.vue';
import RunningBar from '../shell/RunningBar.vue';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get } from '../shell/api.ts';
import StationFrame from '../shell/StationFrame.vue';
import { clock, useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import HeatPicture from './HeatPicture.vue';
import HeatTried from './HeatTried.vue';
import { probeChart } from './heatChart.ts';
import PlayBar from './PlayBar.vue';
import { useHeatReplay } from './useHeatReplay.ts';
import WeldSheet from './WeldSheet.vue';

/* The heat of a weld plan over time: where it is warm, when it may go on, and what copper or a pause changes. */
const props = defineProps<{ id: string; repair: string }>();
const units = useUnits();
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan: body }, repair, view] = await Promise.all([
    car.ready(again),
    car.repair(props.repair),
    get<WeldPlanView | null>(`/repairs/${props.repair}/weld`),
  ]);
  return { vehicle, repair, view, panel: panelOf(body, repair.panel) };
});
const view = computed(() => load.data.value?.view ?? null);
const heat = useHeatReplay(
  () => view.value,
  () => load.data.value!.panel.outline,
);
const { replay, plain, frame, playing, probes, tried, time, nextWeld, lastWeld } = heat;
watch(
  () => view.value?.version,
  (version) => version !== undefined && void heat.reckon(),
);
const lookOf = (n: number) =>
  n === lastWeld.value?.n
    ? ('now' as const)
    : n < (nextWeld.value?.n ?? Infinity)
      ? ('done' as const)
      : ('todo' as const);
const text = (celsius: number) =>
  celsius >= MATERIALS[view.value!.sheet.material].melts ? 'molten' : units.heat.text(celsius);
const hottest = computed(() => replay.value?.hottest[frame.value] ?? null);
const stepOf = (n: number) => view.value!.plan.steps[n - 1]!;
const nameOf = (n: number) => `${STEP_WORDS[stepOf(n).kind][0].toLowerCase()} ${n}`;
/** What the place of the next weld is at in this picture. */
const nextAt = computed(() => (nextWeld.value ? heat.celsius(stepOf(nextWeld.value.n).from!) : null));
const ready = computed(() => nextAt.value !== null && nextAt.value <= view.value!.input.handWarm);
function pause(seconds: number): void {
  if (!nextWeld.value) return;
  tried.pauses.push({ before: nextWeld.value.n, seconds });
  void heat.reckon();
}
function without(): void {
  tried.copper = view.value!.input.copper;
  tried.pauses.splice(0);
  void heat.reckon();
}
watch(
  () => tried.copper,
  () => void heat.reckon(),
);
/* Places that are asked. */
const MOST_PROBES = 4;
function probe(place: Point): void {
  if (heat.celsius(place) !== null) probes.value = [...probes.value, place].slice(-MOST_PROBES);
}
const chart = computed(() =>
  replay.value && probes.value.length > 0
    ? probeChart(replay.value, probes.value, { ...view.value!.sheet, handWarm: view.value!.input.handWarm }, units.heat)
    : null,
);
function onKey(event: KeyboardEvent): void {
  if (event.key === ' ' && event.target === document.body) {
    event.preventDefault();
    heat.play();
  }
}
onMounted(() => window.addEventListener('keydown', onKey));
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));
const weldPath = `/vehicles/${props.id}/repairs/${props.repair}/weld`;
</script>

<template>
  <Waiting :of="load" what="The weld plan">
    <StationFrame
      v-if="load.data.value"
      :crumbs="[
        ...crumbsTo(load.data.value.vehicle, load.data.value.panel, load.data.value.repair),
        { text: 'Weld', to: weldPath },
      ]"
      title="Heat of the plan"
      :next="{ text: view ? 'Back to the weld plan' : 'Lay out every weld first', to: weldPath }"
    >
      <template #sheet>
        <WeldSheet
          v-if="view"
          :panel="load.data.value.panel"
          :view="view"
          :look-of="lookOf"
          tapes
          bare
          :label="`How warm ${load.data.value.panel.name} is while it is welded; tap a place to follow its temperature`"
          @tap="probe"
        >
          <template #over="{ place }">
            <g
              v-if="hottest && hottest.celsius > view.input.handWarm"
              :transform="`translate(${place(hottest.at).join(' ')})`"
            >
              <circle class="hottest" r="9" />
              <text class="said" x="14" y="4">{{ text(hottest.celsius) }}</text>
            </g>
            <g v-for="(at, i) in probes" :key="i" :transform="`translate(${place(at).join(' ')})`">
              <circle class="probe" r="10" />
              <text class="letter" y="4">{{ 'ABCD'[i] }}</text>
            </g>
          </template>
          <template v-if="replay" #picture="{ place, scale }">
            <HeatPicture
              :replay="replay"
              :frame="frame"
              :ambient="view.sheet.ambient"
              :hand-warm="view.input.handWarm"
              :place="place"
              :scale="scale"
            />
          </template>
        </WeldSheet>
        <PlayBar
          v-if="replay"
          v-model="frame"
          label="Time"
          what="the heat"
          :playing="playing"
          :max="replay.times.length - 1"
          :said="clock(time)"
          @play="heat.play"
        />
      </template>
      <template #card>
        <div class="stack">
          <h2 class="question">Where is it too warm to go on?</h2>
          <p v-if="!view">Nothing is laid out for this repair yet.</p>
          <RunningBar
            :progress="heat.progress.value"
            :stopped="heat.stopped.value"
            @stop="heat.stop()"
            @again="heat.reckon()"
          />
          <KitNotice v-if="heat.refused.value" bad>{{ units.said(heat.refused.value) }}</KitNotice>
          <template v-if="view && replay && hottest">
            <div>
              <p class="figure">{{ text(hottest.celsius) }}</p>
              <p class="small soft">at the warmest place, {{ clock(time) }} from the beginning</p>
            </div>
            <p v-if="lastWeld" class="small">
              Last: <strong>{{ nameOf(lastWeld.n) }}</strong>, its place at {{ text(lastWeld.celsius) }} when it began.
            </p>
            <p v-if="nextWeld && nextAt !== null">
              Next: <strong>{{ nameOf(nextWeld.n) }}</strong>, its place is at
              <strong class="mono" :class="{ alarm: !ready }">{{ text(nextAt) }}</strong> now:
              {{ ready ? 'cool enough to weld.' : 'wait, it is slashed.' }}
            </p>
            <p v-else class="small">All welds are made; it cools.</p>
            <ul class="plain legend">
              <li><i class="cool" /> warm to the touch</li>
              <li><i class="warm" /> above {{ text(view.input.handWarm) }}: not again yet</li>
              <li><i class="hot" /> {{ text(150) }}</li>
              <li><i class="arc" /> {{ text(400) }} and more</li>
            </ul>
            <KitNotice v-if="replay.warmStarts.length > 0" bad>
              {{ replay.warmStarts.length }} {{ replay.warmStarts.length === 1 ? 'weld starts' : 'welds start' }} on
              metal above {{ text(view.input.handWarm) }}: {{ replay.warmStarts.slice(0, 6).map(nameOf).join(', ')
              }}{{ replay.warmStarts.length > 6 ? ' …' : '' }}. The plan waits as for a large plate; here heat cannot
              leave over edges and the open joint. Pause there, or lay it out to weld again at less.
            </KitNotice>
            <p v-else class="small">No weld starts above {{ text(view.input.handWarm) }}.</p>
            <HeatTried
              v-model:copper="tried.copper"
              :planned="view!.input.copper"
              :pauses="tried.pauses.length"
              :before="nextWeld ? nameOf(nextWeld.n) : null"
              :now="replay"
              :plain="plain"
              :text="text"
              @pause="pause"
              @without="without"
            />
            <template v-if="chart">
              <ChartView :chart="chart" />
              <KitButton small plain @click="probes = []">Take the places away</KitButton>
            </template>
            <p v-else class="small soft">Tap a place on the sheet to follow its temperature.</p>
            <p class="small soft">
              An estimate for a plate in still air around the joints; butted edges conduct where they are welded. Feel
              the metal.
            </p>
          </template>
        </div>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.question {
  font-size: 1.1rem;
  margin: 0;
}
.alarm {
  color: var(--alarm);
}
.hottest {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.said {
  font: 600 13px var(--mono);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: 4px;
}
.probe {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 2;
}
.letter {
  font: 600 11px var(--mono);
  fill: var(--ink);
  text-anchor: middle;
}
.legend li {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  font-size: 0.9rem;
}
.legend i {
  width: 26px;
  height: 16px;
  border: 1px solid var(--line-strong);
}
.cool {
  background: var(--heat-cool);
}
.warm {
  background: repeating-linear-gradient(-45deg, var(--heat-warm) 0 5px, var(--heat-slash) 5px 6px);
}
.hot {
  background: repeating-linear-gradient(-45deg, var(--heat-hot) 0 5px, var(--heat-slash) 5px 6px);
}
.arc {
  background: repeating-linear-gradient(-45deg, var(--heat-arc) 0 5px, var(--heat-slash) 5px 6px);
}
</style>
