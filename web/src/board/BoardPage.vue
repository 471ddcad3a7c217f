<script setup lang="ts">
import { computed, ref, type ComponentPublicInstance } from 'vue';
import { useRouter } from 'vue-router';
import type { Board } from '@aspecta/contract/board';
import type { FindView } from '@aspecta/contract/survey';
import { panelOf, pieceName } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { signOf } from '@aspecta/core/survey';
import PartForm from '../body/PartForm.vue';
import { belowVehicle } from '../car/belowVehicle.ts';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import HatchPatterns from '../sheet/HatchPatterns.vue';
import SheetView from '../sheet/SheetView.vue';
import { get } from '../shell/api.ts';
import { useInAddress } from '../shell/inAddress.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { percent } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import FindList from '../survey/FindList.vue';
import ImportDialog from '../survey/ImportDialog.vue';
import { boardScene, STATES, type PanelLook } from './boardScene.ts';
import PanelList from './PanelList.vue';
import NotesText from './NotesText.vue';
import RepairList from './RepairList.vue';
import ReportDialog from './ReportDialog.vue';

const props = defineProps<{ id: string }>();
const router = useRouter();
const session = useSession();
/** Weight of a sign from which a find on load-bearing metal is raised to the top of the card. */
const GRAVE = 0.5;
const importing = ref(false);
const adding = ref(false);
async function partAdded(part: string): Promise<void> {
  adding.value = false;
  await car.ready(true);
  await router.push(`/vehicles/${props.id}/panels/${part}`);
}
const reporting = ref(false);
const sheet = ref<ComponentPublicInstance>();
const drawing = () => (sheet.value?.$el as HTMLElement | undefined)?.querySelector('svg') ?? null;
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan, repairs }, board, finds] = await Promise.all([
    car.ready(again),
    get<Board>(`/vehicles/${props.id}/board`),
    get<FindView[]>(`/vehicles/${props.id}/finds`),
  ]);
  return {
    vehicle,
    board,
    repairs,
    finds: finds.filter((find) => !find.closed && find.structural && signOf(find.sign).weight >= GRAVE),
    plan,
    scene: boardScene(plan, board.panels),
  };
});
const counts = computed(() => {
  const all = new Map<PanelLook, number>();
  for (const panel of load.data.value?.board.panels ?? []) all.set(panel.state, (all.get(panel.state) ?? 0) + 1);
  return all;
});
const coverage = computed(() => {
  const panels = load.data.value?.board.panels ?? [];
  return panels.reduce((sum, panel) => sum + panel.coverage, 0) / Math.max(1, panels.length);
});
const hovered = ref('');
/** On a narrow screen a panel of the whole body is smaller than a fingertip: one side of it at a time. */
const narrow = window.matchMedia?.('(max-width: 640px)').matches ?? false;
const views = computed(() => load.data.value?.scene.views ?? []);
const viewId = useInAddress<string>(
  'view',
  () => (narrow ? (views.value[0]?.view.id ?? 'all') : 'all'),
  () => ['all', ...views.value.map(({ view }) => view.id)],
);
const shown = computed(() => views.value.filter(({ view }) => viewId.value === 'all' || view.id === viewId.value));
const box = computed(() => (viewId.value === 'all' ? load.data.value!.scene.box : shown.value[0]!.box));
const shapes = computed(() =>
  load.data.value!.scene.shapes.filter(({ panel }) => viewId.value === 'all' || panel.view === viewId.value),
);
const viewOptions = computed(() => [
  { value: 'all', label: 'All' },
  ...views.value.map(({ view }) => ({ value: view.id, label: view.name })),
]);
const open = (panel: string) => router.push(`/vehicles/${props.id}/panels/${panel}`);
const awaited = computed(() => load.data.value?.scene.shapes.filter((shape) => shape.awaited) ?? []);
const flags = computed(() => shapes.value.filter((shape) => shape.awaited));
const text = (p: Point, place: (p: Point) => [number, number]) => place(p);
</script>

<template>
  <Waiting :of="load" what="The board">
    <StationFrame
      v-if="load.data.value"
      :crumbs="[{ text: 'Garage', to: '/' }]"
      :title="`${load.data.value.vehicle.nickname}, ${load.data.value.vehicle.year}`"
      :next="
        session.isCustomer
          ? { text: 'Read what was found, panel by panel' }
          : { text: load.data.value.board.next.text, to: belowVehicle(id, load.data.value.board.next.path) }
      "
      @next="reporting = true"
    >
      <template #tools>
        <template v-if="session.isCustomer">
          <KitButton small :to="`/vehicles/${id}/walk`">Walk-round</KitButton>
          <KitButton small :to="`/vehicles/${id}/photos`">Pictures</KitButton>
        </template>
        <KitButton small v-if="session.canWork" @click="importing = true">Import readings</KitButton>
        <KitButton small v-if="session.canWork" @click="adding = true">Add a part</KitButton>
        <KitButton small @click="reporting = true">Report</KitButton>
      </template>
      <template #sheet>
        <SheetView
          ref="sheet"
          :key="viewId"
          :box="box"
          label="The body opened flat. Choose a panel with Tab and Enter, or tap it."
          class="board"
        >
          <g
            v-for="shape in shapes"
            :key="shape.panel.id"
            class="shape"
            role="link"
            tabindex="0"
            :aria-label="shape.label"
            :data-panel="shape.panel.id"
            :data-state="shape.state"
            @click="open(shape.panel.id)"
            @keydown.enter="open(shape.panel.id)"
            @pointerenter="hovered = shape.label"
            @pointerleave="hovered = ''"
            @focus="hovered = shape.label"
          >
            <path
              :d="shape.path"
              :style="{ fill: STATES[shape.state].fill }"
              fill-rule="evenodd"
              class="fill"
              data-own-pointer
            />
            <path
              v-if="STATES[shape.state].hatch"
              :d="shape.path"
              :fill="`url(#hatch-${STATES[shape.state].hatch})`"
              fill-rule="evenodd"
              class="hatch"
            />
            <path :d="shape.creases" class="crease" />
            <path :d="shape.path + shape.holes" class="edge" />
          </g>
          <template #over="{ place }">
            <text
              v-for="{ view, at } in shown"
              :key="view.id + at[0]"
              class="view"
              :x="text(at, place)[0]"
              :y="text(at, place)[1]"
              >{{ view.name }}</text
            >
            <g
              v-for="shape in flags"
              :key="shape.panel.id"
              class="flag"
              :class="{ late: shape.awaited?.late }"
              :transform="`translate(${place(shape.middle).join(' ')})`"
            >
              <circle r="11" /><path d="M-5 -3.5h7v7h-7zM2 -1h3l1.6 2.2v2.3h-4.6" />
            </g>
          </template>
          <template #html
            ><p class="name" aria-live="polite">{{ hovered || 'Tap a panel to open it' }}</p></template
          >
        </SheetView>
      </template>
      <template #card>
        <div class="stack">
          <KitChips
            v-if="narrow || viewId !== 'all'"
            v-model="viewId"
            class="sides"
            legend="Which side"
            hide-legend
            :options="viewOptions"
          />
          <div>
            <p class="eyebrow">How much of this body is known?</p>
            <p class="figure">{{ percent(coverage) }}</p>
            <p class="soft small">of the panels’ area lies within reach of a reading. The rest may hide anything.</p>
          </div>
          <PanelList :vehicle="id" :shapes="load.data.value.scene.shapes" :views="views" />
          <FindList
            :finds="load.data.value.finds"
            :vehicle="id"
            :can-work="session.canWork"
            :name-of="(panel) => panelOf(load.data.value!.plan, panel).name"
            @changed="load.reload()"
            @gone="load.reload()"
          />
          <svg width="0" height="0" aria-hidden="true"><HatchPatterns :scale="1" prefix="legend" /></svg>
          <ul class="legend">
            <li v-for="(look, key) in STATES" :key="key">
              <svg class="swatch" aria-hidden="true" viewBox="0 0 22 16">
                <rect width="22" height="16" :style="{ fill: look.fill }" />
                <rect v-if="look.hatch" width="22" height="16" :fill="`url(#legend-${look.hatch})`" />
              </svg>
              <span class="grow">{{ look.label }}</span><span class="mono">{{ counts.get(key) ?? 0 }}</span>
            </li>
          </ul>
          <div v-if="awaited.length > 0">
            <p class="eyebrow">Awaited</p>
            <ul class="plain-list">
              <li v-for="shape in awaited" :key="shape.panel.id">
                <RouterLink to="/orders">{{ shape.panel.name }}</RouterLink><span
                  class="small"
                  :class="shape.awaited?.late ? 'alarm' : 'soft'"
                  >{{
                    shape.awaited?.late
                      ? `late, was due ${shape.awaited.due}`
                      : shape.awaited?.due
                        ? `due ${shape.awaited.due}`
                        : shape.awaited?.state
                  }}</span
                >
              </li>
            </ul>
          </div>
          <RepairList
            :repairs="load.data.value.repairs"
            :name-of="({ panel, layers }) => pieceName(panelOf(load.data.value!.plan, panel), layers)"
            :vehicle="id"
            @changed="load.reload()"
          />
          <div v-if="load.data.value.vehicle.notes">
            <p class="eyebrow">Notes</p>
            <NotesText :text="load.data.value.vehicle.notes" />
          </div>
        </div>
      </template>
    </StationFrame>
    <ReportDialog
      v-if="reporting && load.data.value"
      :vehicle="id"
      :name="`${load.data.value.vehicle.nickname}, ${load.data.value.vehicle.year}`"
      :drawing="drawing"
      @close="reporting = false"
    />
    <PartForm v-if="adding" :vehicle="id" :part="null" @close="adding = false" @saved="partAdded" />
    <ImportDialog v-if="importing" :vehicle="id" @close="importing = false" @stored="load.reload()" />
  </Waiting>
</template>

<style scoped>
.shape {
  cursor: pointer;
  outline: none;
}
.shape path {
  vector-effect: non-scaling-stroke;
}
.fill {
  stroke: none;
}
.hatch {
  pointer-events: none;
}
.crease {
  fill: none;
  stroke: var(--metal-line);
  stroke-width: 0.6;
  opacity: 0.55;
  pointer-events: none;
}
.edge {
  fill: none;
  stroke: var(--metal-line);
  stroke-width: 1.1;
  pointer-events: none;
}
.shape:hover .edge,
.shape:focus .edge {
  stroke: var(--mark);
  stroke-width: 2.6;
}
.view {
  font: 600 12px var(--narrow);
  letter-spacing: 0.06em;
  fill: var(--ink-soft);
  text-transform: uppercase;
}
.flag circle {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 2;
}
.flag path {
  fill: none;
  stroke: var(--mark);
  stroke-width: 1.5;
}
.flag.late circle {
  stroke: var(--alarm);
}
.flag.late path {
  stroke: var(--alarm);
}
.flag {
  pointer-events: none;
}
.name {
  position: absolute;
  left: 0.8rem;
  bottom: 0.5rem;
  margin: 0;
  padding: 0.25rem 0.6rem;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 6px;
  font-size: 0.9rem;
  pointer-events: none;
  max-width: calc(100% - 5rem);
}
.sides :deep(.group) {
  flex-wrap: nowrap;
  overflow-x: auto;
  padding-bottom: 0.2rem;
}
.sides :deep(.chip) {
  flex: none;
}
.legend {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.25rem;
}
.legend li {
  display: flex;
  gap: 0.6rem;
  align-items: center;
}
.plain-list {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 0.2rem;
}
.plain-list li {
  display: flex;
  gap: 0.6rem;
  justify-content: space-between;
  align-items: baseline;
}
</style>
