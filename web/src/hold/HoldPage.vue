<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { CORNER_TAPES, type HoldView } from '@aspecta/contract/hold';
import { panelOf } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';
import { gapPlaces } from '@aspecta/core/hold';
import { crumbsTo } from '../car/crumbs.ts';
import { useVehicle } from '../car/useVehicle.ts';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTabs from '../kit/KitTabs.vue';
import CautionList from '../shell/CautionList.vue';
import { get } from '../shell/api.ts';
import { useInAddress } from '../shell/inAddress.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import PanelSheet from '../sheet/PanelSheet.vue';
import SheetView from '../sheet/SheetView.vue';
import BracesCard from './BracesCard.vue';
import CornersSheet from './CornersSheet.vue';
import FigureSheet from './FigureSheet.vue';
import GapsCard from './GapsCard.vue';
import { CORNERS } from './holdScene.ts';
import MeasureTab from './MeasureTab.vue';
import { useHold } from './useHold.ts';

/* Is it square, and has it moved: tapes, braces and gaps of a car. */
const props = defineProps<{ id: string }>();
const session = useSession();
const car = useVehicle(props.id);
const hold = useHold(props.id);
const { view } = hold;
const load = useLoad(async (again) => {
  const [{ vehicle, plan }, held] = await Promise.all([car.ready(again), get<HoldView>(`/vehicles/${props.id}/hold`)]);
  view.value = held;
  return { vehicle, plan };
});
car.keepFresh(load);
type Tab = 'tapes' | 'braces' | 'gaps';
const tab = useInAddress<Tab>(
  'tab',
  () => 'tapes',
  () => ['tapes', 'braces', 'gaps'],
);
const figureId = useInAddress('figure', () => view.value?.figures[0]?.id ?? '');
const figure = computed(
  () => view.value?.figures.find(({ id }) => id === figureId.value) ?? view.value?.figures[0] ?? null,
);
const roundId = useInAddress('round', () => view.value?.rounds.at(-1)?.id ?? '');
const round = computed(
  () => view.value?.rounds.find(({ id }) => id === roundId.value) ?? view.value?.rounds.at(-1) ?? null,
);
/* An opening by its four corners; what the Bench book was told of one comes with the address. */
const opening = useInAddress('opening', () => round.value?.corners[0]?.name ?? '');
const { query } = useRoute();
const gapsGiven = Object.fromEntries(
  Object.entries(query).filter((one): one is [string, string] => typeof one[1] === 'string'),
);
const typed = (name: string): string => gapsGiven[name] ?? '';
const cornersGiven = Object.fromEntries(CORNER_TAPES.map((tape) => [tape, typed(tape)]));
const now = computed(() => round.value?.figures.find((one) => one.figure === figure.value?.id) ?? null);
const braces = computed(() => {
  const inside = (view.value?.braces ?? []).filter((one) => one.outAt === null && one.figure === figure.value?.id);
  const wanted = (view.value?.proposals ?? [])
    .filter((one) => one.figure === figure.value?.id)
    .flatMap((one) => one.braces)
    .filter(({ ends }) => !inside.some((brace) => ends.every((end) => brace.ends.includes(end))));
  return [
    ...inside.map(({ ends }) => ({ ends, fitted: true })),
    ...wanted.map(({ ends }) => ({ ends, fitted: false })),
  ];
});
/* A point of one's own: named, then tapped on the drawing. */
const adding = ref<string | null>(null);
async function tap(at: Point): Promise<void> {
  if (adding.value === null || !figure.value) return;
  const name = adding.value.trim();
  if (name.length < 2) return;
  if (await hold.addPoint({ id: newId(), name, figure: figure.value.id, at: [at[0], at[1]] })) adding.value = null;
}
/* The part whose gaps are read. */
const part = ref<string | null>(null);
const gapPanel = computed(() => {
  const plan = load.data.value?.plan;
  const hung = plan?.frame?.hung.find(({ id }) => id === part.value) ?? plan?.frame?.hung[0];
  return plan && hung ? panelOf(plan, hung.panel) : null;
});
const ROOM = 90;
const gapBox = computed(() => {
  const { minU, minV, maxU, maxV } = boxOf(gapPanel.value!.outline);
  return { minU: minU - ROOM, minV: minV - ROOM, maxU: maxU + ROOM, maxV: maxV + ROOM };
});
</script>

<template>
  <Waiting :of="load" what="How it holds its shape">
    <StationFrame v-if="load.data.value && view" :crumbs="crumbsTo(load.data.value.vehicle)" title="Hold">
      <template #sheet>
        <SheetView
          v-if="tab === 'gaps' && gapPanel"
          :box="gapBox"
          tapes
          :label="`${gapPanel.name}, with the places where its gaps are read.`"
        >
          <PanelSheet :panel="gapPanel" plain />
          <template #over="{ place }">
            <g v-for="one in gapPlaces(gapPanel)" :key="one.id" :transform="`translate(${place(one.at).join(' ')})`">
              <circle r="6" class="dot" /><title>{{ one.name }}</title>
              <text
                class="name"
                :x="one.normal[0] * -14"
                :y="one.normal[1] * 16 + 4"
                :text-anchor="one.normal[0] < -0.5 ? 'start' : one.normal[0] > 0.5 ? 'end' : 'middle'"
                >{{ one.name.split(', ')[1] }}</text
              >
            </g>
          </template>
        </SheetView>
        <CornersSheet
          v-else-if="tab === 'tapes' && figureId === CORNERS"
          :key="opening"
          :name="opening"
          :found="round?.corners.find(({ name }) => name === opening)?.found ?? null"
        />
        <FigureSheet
          v-else-if="figure"
          :key="figure.id"
          :view="view"
          :plan="load.data.value.plan"
          :figure="figure"
          :now="now"
          :braces="braces"
          :adding="adding !== null && adding.trim().length >= 2"
          @tap="tap"
        />
      </template>
      <template #card>
        <h2 class="question">Is it square, and has it moved?</h2>
        <KitTabs
          v-model="tab"
          legend="What is looked at"
          :options="[
            { value: 'tapes', label: 'Tapes' },
            { value: 'braces', label: 'Braces' },
            { value: 'gaps', label: 'Gaps' },
          ]"
        />
        <KitNotice v-if="view.figures.length === 0">
          <p>This body has no measuring points. Heights and measures of your own can still be kept.</p>
        </KitNotice>
        <MeasureTab
          v-if="tab === 'tapes'"
          v-model:figure-id="figureId"
          v-model:round-id="roundId"
          v-model:opening="opening"
          v-model:adding="adding"
          :corners="cornersGiven"
          :hold="hold"
          :view="view"
          :plan="load.data.value.plan"
          :round="round"
          :figure="figure"
        />
        <BracesCard
          v-else-if="tab === 'braces'"
          :hold="hold"
          :view="view"
          :can-work="session.canWork"
          @show="figureId = $event"
        />
        <GapsCard
          v-else-if="load.data.value.plan.frame"
          :hold="hold"
          :view="view"
          :plan="load.data.value.plan"
          :given="gapsGiven"
          :can-work="session.canWork"
          @part="part = $event"
        />
        <KitCollapse title="Before you cut">
          <CautionList step="cut" />
        </KitCollapse>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.question {
  font-size: 1.15rem;
  margin: 0 0 0.5rem;
}
.dot {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 2.5;
}
.name {
  font: 11px var(--mono);
  fill: var(--ink-soft);
}
</style>
