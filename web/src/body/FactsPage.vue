<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { CURVATURE_WORDS, METALS } from '@aspecta/contract/body';
import type { Vehicle } from '@aspecta/contract/garage';
import {
  areasOf,
  bodyPlans,
  edgesOf,
  panelOf,
  runsAlong,
  type Material,
  type PanelFacts,
  type SaidEdge,
} from '@aspecta/core/body';
import { lineLength, pointAt, toLine, type Point } from '@aspecta/core/geometry';
import { crumbsTo } from '../car/crumbs.ts';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitChips from '../kit/KitChips.vue';
import KitNotice from '../kit/KitNotice.vue';
import AreasOnSheet from '../sheet/AreasOnSheet.vue';
import PanelSheet from '../sheet/PanelSheet.vue';
import { linePath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';
import { put, remove } from '../shell/api.ts';
import { useInAddress } from '../shell/inAddress.ts';
import SheetField from '../shell/SheetField.vue';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { overTheirs } from '../shell/theirs.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import BesideList from './BesideList.vue';
import EdgeList from './EdgeList.vue';
import PartForm from './PartForm.vue';
import PieceForm from './PieceForm.vue';

/* What a panel is on this car, where it is not as the plan has it: its sheets, what it does, and what each stretch of its edge is. */
const props = defineProps<{ id: string; panel: string }>();
const router = useRouter();
const session = useSession();
const units = useUnits();
const form = useForm();
const car = useVehicle(props.id);
const seen = ref<PanelFacts | null>(null);
const load = useLoad(async (again) => {
  const { vehicle, plan } = await car.ready(again);
  seen.value = vehicle.facts?.panels[props.panel] ?? null;
  return { vehicle, plan };
});
const panel = computed(() => panelOf(load.data.value!.plan, props.panel));
const part = computed(() => load.data.value?.vehicle.facts?.parts.find(({ id }) => id === props.panel) ?? null);
/** Which of its sheets the edges are those of. */
const layer = ref<string | null>(null);
const sheetOfEdges = computed(() => layer.value ?? panel.value.layers[0]!.id);
const edges = computed(() => edgesOf(load.data.value!.plan, panel.value, sheetOfEdges.value));
/** Said of this sheet, or of all of them. */
const ofSheet = (own: SaidEdge) => own.layer === undefined || own.layer === sheetOfEdges.value;
const said = (line: readonly Point[]) =>
  (seen.value?.edges ?? []).some((own) => ofSheet(own) && runsAlong(line, own.line));
const picked = ref<number | null>(null);
function pickSheet(id: string): void {
  layer.value = id;
  picked.value = null;
}
const changing = ref(false);
/** Panels with which this one is joined to one piece, where another page proposes it. */
const others = useInAddress<string>('joining', () => '')
  .value.split(',')
  .filter(Boolean);
const joining = ref(others.length > 0);
/** The piece in whose place this panel stands, or that it is itself. */
const pieceOf = computed(
  () =>
    load.data.value?.vehicle.facts?.pieces?.find(
      ({ id, panels }) => id === props.panel || panels.includes(props.panel),
    ) ?? null,
);
const nameOf = (panelId: string) => panelOf(load.data.value!.plan, panelId).name;
/** The car is asked for again first: the panel is only now part of it. */
async function pieceMade(piece: string): Promise<void> {
  await car.ready(true);
  await router.push(`/vehicles/${props.id}/panels/${piece}`);
}
async function apart(piece: string): Promise<void> {
  const first = pieceOf.value!.panels[0]!;
  if (!(await form.submit(() => remove(`/vehicles/${props.id}/pieces/${piece}`)))) return;
  await car.ready(true);
  await router.push(`/vehicles/${props.id}/panels/${first}`);
}
const box = computed(() => {
  const us = panel.value.outline.map(([u]) => u);
  const vs = panel.value.outline.map(([, v]) => v);
  const pad = 60;
  return {
    minU: Math.min(...us) - pad,
    minV: Math.min(...vs) - pad,
    maxU: Math.max(...us) + pad,
    maxV: Math.max(...vs) + pad,
  };
});
/** Says all of it again; what is as it was is left out. */
async function say(facts: PanelFacts): Promise<boolean> {
  const stands = Object.fromEntries(Object.entries(facts).filter(([, value]) => value !== undefined)) as PanelFacts;
  return form.submit(() =>
    overTheirs<PanelFacts>(
      'what this panel is',
      (stored) => (seen.value = stored),
      async () => {
        await put<Vehicle>(`/vehicles/${props.id}/panels/${props.panel}/facts`, { facts: stands, seen: seen.value });
        const { vehicle, plan } = await car.ready(true);
        seen.value = vehicle.facts?.panels[props.panel] ?? null;
        load.data.value = { vehicle, plan };
      },
    ),
  );
}
const sheet = (layer: string, change: Partial<{ thickness: number; material: Material }>) => {
  const { thickness, material } = panel.value.layers.find(({ id }) => id === layer)!;
  return say({ ...seen.value, layers: { ...seen.value?.layers, [layer]: { thickness, material, ...change } } });
};
/** What was said of the same metal before is replaced. */
async function keepEdge(edge: SaidEdge): Promise<void> {
  const others = (seen.value?.edges ?? []).filter((own) => !ofSheet(own) || !runsAlong(own.line, edge.line));
  const several = panel.value.layers.length > 1;
  const own = several ? { ...edge, layer: sheetOfEdges.value } : edge;
  if (await say({ ...seen.value, edges: [own, ...others] })) picked.value = null;
}
async function usual(line: readonly Point[]): Promise<void> {
  const edges = (seen.value?.edges ?? []).filter((own) => !ofSheet(own) || !runsAlong(line, own.line));
  if (await say({ ...seen.value, edges: edges.length > 0 ? edges : undefined })) picked.value = null;
}
function tap(place: Point): void {
  const [near] = edges.value.map(({ line }, i) => ({ i, far: toLine(place, line) })).sort((a, b) => a.far - b.far);
  if (near) picked.value = near.i;
}
async function changed(): Promise<void> {
  changing.value = false;
  await load.reload();
}
const own = computed(() => seen.value !== null && Object.keys(seen.value).length > 0);
const sentence = computed(() => {
  if (part.value) return 'A part that the plan lacks.';
  if (panel.value.members) return `One piece in place of ${panel.value.members.length} panels.`;
  return own.value ? 'Not as the plan has it.' : `As the ${planName.value} has it.`;
});
const planName = computed(() => {
  const { plan, vehicle } = load.data.value!;
  return bodyPlans().find(({ id }) => id === vehicle.planId)?.name ?? plan.name;
});
</script>

<template>
  <Waiting :of="load" what="The panel">
    <StationFrame
      v-if="load.data.value"
      :crumbs="crumbsTo(load.data.value.vehicle, panel)"
      title="On this car"
      :next="{ text: 'Look at it and measure it', to: `/vehicles/${id}/panels/${props.panel}` }"
    >
      <template #sheet>
        <SheetView :box="box" tapes :label="`${panel.name} with the stretches of its edge.`" @tap="tap">
          <PanelSheet :panel="panel"
            ><AreasOnSheet :panel="panel" :areas="areasOf(load.data.value.plan, panel, sheetOfEdges)"
          /></PanelSheet>
          <path
            v-for="(edge, i) in edges"
            :key="i"
            :d="linePath(edge.line)"
            class="edge"
            :class="{ said: said(edge.line), picked: picked === i }"
          />
          <template #over="{ place }">
            <g
              v-for="(edge, i) in edges"
              :key="i"
              class="number"
              :transform="`translate(${place(pointAt(edge.line, lineLength(edge.line) / 2)).join(' ')})`"
            >
              <circle r="11" :class="{ on: picked === i }" />
              <text y="4">{{ i + 1 }}</text>
            </g>
          </template>
        </SheetView>
      </template>
      <template #card>
        <div class="stack">
          <h2 class="question">What is this panel on this car?</h2>
          <p class="large">{{ sentence }}</p>
          <p class="small soft">
            What is said here counts for this car alone, and for all that follows: hours, lines, fasteners, welds.
          </p>
          <KitNotice v-if="form.rest()" bad>{{ units.said(form.rest()!) }}</KitNotice>
          <h3>Its edges</h3>
          <KitChips
            v-if="panel.layers.length > 1"
            :model-value="sheetOfEdges"
            legend="Of which sheet"
            :options="panel.layers.map(({ id: value, name: label }) => ({ value, label }))"
            @update:model-value="pickSheet"
          />
          <EdgeList
            v-model:picked="picked"
            :panel="panel"
            :edges="edges"
            :said="said"
            :locked="!session.canWork"
            :busy="form.busy.value"
            :stored="seen"
            @keep="keepEdge"
            @usual="usual"
          />
          <BesideList
            :plan="load.data.value.plan"
            :panel="panel"
            :layer="sheetOfEdges"
            :locked="!session.canWork"
            :busy="form.busy.value"
            @say="say({ ...seen, without: $event.length > 0 ? $event : undefined })"
          />
          <template v-for="layer in panel.layers" :key="layer.id">
            <h3>{{ layer.name }}</h3>
            <template v-if="session.canWork">
              <SheetField
                :label="`As built, ${units.word.value}`"
                :mm="layer.thickness"
                :busy="form.busy.value"
                @say="sheet(layer.id, { thickness: $event })"
              />
              <KitChips
                :model-value="layer.material"
                legend="Metal"
                :options="METALS"
                @update:model-value="sheet(layer.id, { material: $event })"
              />
            </template>
            <p v-else>{{ units.sheet(layer.thickness) }} {{ layer.material }}</p>
          </template>
          <template v-if="session.canWork">
            <h3>What it does</h3>
            <KitCheckbox :model-value="panel.structural" @update:model-value="say({ ...seen, structural: $event })"
              >It carries load</KitCheckbox
            >
            <KitCheckbox :model-value="panel.visible" @update:model-value="say({ ...seen, visible: $event })"
              >It is seen on the finished car</KitCheckbox
            >
            <KitCheckbox
              :model-value="panel.fixing === 'bolted'"
              @update:model-value="say({ ...seen, fixing: $event ? 'bolted' : 'welded' })"
              >It comes off by its bolts</KitCheckbox
            >
            <KitChips
              :model-value="panel.curvature"
              legend="Its face"
              :options="
                (['flat', 'single', 'double'] as const).map((value) => ({ value, label: CURVATURE_WORDS[value] }))
              "
              @update:model-value="say({ ...seen, curvature: $event })"
            />
            <KitButton v-if="own" :disabled="form.busy.value" @click="say({})">All as the plan has it</KitButton>
            <KitButton v-if="part" @click="changing = true">Change its size, or take it off the body</KitButton>
            <template v-if="pieceOf">
              <h3>In one piece</h3>
              <p>
                {{ pieceOf.name }} takes the place of {{ pieceOf.panels.map(nameOf).join(', ') }}: damage is drawn and
                decided on it.
              </p>
              <KitButton v-if="pieceOf.id !== panel.id" :to="`/vehicles/${id}/panels/${pieceOf.id}`"
                >Go to {{ pieceOf.name }}</KitButton
              >
              <KitButton :disabled="form.busy.value" @click="apart(pieceOf.id)">Several panels after all</KitButton>
            </template>
            <KitButton v-else-if="!part" @click="joining = true">It comes in one piece with its neighbours</KitButton>
          </template>
        </div>
        <PartForm
          v-if="changing && part"
          :vehicle="id"
          :part="part"
          @close="changing = false"
          @saved="changed"
          @gone="router.push(`/vehicles/${id}`)"
        />
        <PieceForm
          v-if="joining"
          :vehicle="id"
          :plan="load.data.value.plan"
          :panel="panel"
          :others="others"
          @close="joining = false"
          @saved="pieceMade"
        />
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.question {
  font-size: 1.15rem;
  margin: 0;
}
.large {
  font-size: 1.2rem;
  font-weight: 600;
  margin: 0;
}
h3 {
  font-size: 1.05rem;
  margin: 0.5rem 0 0;
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
  vector-effect: non-scaling-stroke;
}
.edge.said {
  stroke: var(--mark);
}
.edge.picked {
  stroke-width: 8;
}
.number circle {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.number circle.on {
  stroke: var(--mark);
  stroke-width: 4;
}
.number text {
  font: 600 11px var(--mono);
  text-anchor: middle;
  fill: var(--ink);
}
</style>
