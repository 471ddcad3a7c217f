<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { Redo2, Undo2 } from 'lucide-vue-next';
import { REGION_KINDS, type PhotoView, type ReadingView, type ZoneView } from '@aspecta/contract/survey';
import { layerOf } from '@aspecta/core/body';
import { inRing, type Point, type Polygon } from '@aspecta/core/geometry';
import { zoneClassFrom, type NextReading } from '@aspecta/core/survey';
import CarLocator from '../car/CarLocator.vue';
import { crumbsTo } from '../car/crumbs.ts';
import { weighAhead, weighedTogether } from '../car/weighAhead.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { takeTraced } from '../photo/traced.ts';
import { useOutbox } from '../outbox/useOutbox.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { useForm } from '../shell/useForm.ts';
import Waiting from '../shell/Waiting.vue';
import { asReading } from './asReading.ts';
import { CALLED } from './called.ts';
import ConflictDialog from './ConflictDialog.vue';
import FindForm from './FindForm.vue';
import LookCard from './LookCard.vue';
import ReadingEntry from './ReadingEntry.vue';
import { nextOnPanel, openOf } from './nextStep.ts';
import { readingAt } from './surveyScene.ts';
import SurveySheet from './SurveySheet.vue';
import { shownFinds } from './useMaps.ts';
import { useSurvey } from './useSurvey.ts';
import { useZoneDraft } from './useZoneDraft.ts';
import ZoneCard from './ZoneCard.vue';
import type { ZoneDraft } from './ZoneForm.vue';
import type { SizedKind } from './sizedKind.ts';

/* One panel: look at it, read it, note finds, draw zones. Each mode has its own card. */
const GaugeEntry = defineAsyncComponent(() => import('../gauge/GaugeEntry.vue'));
const props = defineProps<{ id: string; panel: string }>();
const session = useSession();
const outbox = useOutbox();
const survey = useSurvey(props.id, props.panel);
const { load, layer, maps, proposed, zones, counting, history } = survey;
/** Where a coating was read, the paint was on: the zone is known from the readings, not from bare metal. */
const draft = useZoneDraft((ring) =>
  counting.value.some(({ u, v, coatingUm }) => coatingUm !== null && inRing([u, v], ring)) ? 'map' : 'stripped',
);
const form = useForm();
type Mode = 'look' | 'read' | 'gauge' | 'find' | 'zone';
const mode = ref<Mode>('look');
const marked = shallowRef<readonly Point[]>([]);
const picked = shallowRef<ReadingView | null>(null);
const photo = shallowRef<PhotoView | null>(null);
const expected = shallowRef<{ p50: readonly Polygon[]; p90: readonly Polygon[] } | null>(null);
const sectionAt = ref<number | null>(null);
const panelLayer = computed(() => layerOf(load.data.value!.panel, layer.value));
const onLayer = computed(() => zones.value.filter((zone) => zone.layer === layer.value));
/** What the evidence inside the outline makes of it; coatings that came off since do not count. */
const told = computed(() => {
  if (!draft.closed.value || draft.crossing.value) return () => null;
  const evidence = {
    polygon: [draft.ring.value, ...draft.holes.value],
    asBuilt: panelLayer.value.thickness,
    readings: counting.value.map(asReading),
    finds: survey.finds.value.filter((find) => find.layer === layer.value),
  };
  return (isBare: boolean) => zoneClassFrom({ ...evidence, bareSince: isBare ? Date.now() : undefined }) ?? null;
});

function setMode(wanted: Mode): void {
  mode.value = mode.value === wanted ? 'look' : wanted;
  draft.clear();
  picked.value = null;
  if (mode.value !== 'read' && mode.value !== 'gauge' && mode.value !== 'find') marked.value = [];
}
function tap(place: Point): void {
  if (mode.value === 'read' || mode.value === 'gauge') marked.value = [...marked.value, place];
  else if (mode.value === 'find') marked.value = [place];
  else if (mode.value === 'zone') draft.tap(place);
  else picked.value = readingAt(counting.value, place, 18) ?? null;
}
function readNext({ u, v }: NextReading): void {
  if (mode.value !== 'gauge') mode.value = 'read';
  marked.value = [...marked.value, [u, v]];
}
function takeProposed(): void {
  if (!proposed.value) return;
  mode.value = 'zone';
  const through = (maps.surveyMap.value?.map.summary.byClass.through ?? 0) > 0;
  draft.take(proposed.value.ring, { class: through ? 'through' : 'thin', layer: layer.value, evidence: 'map' });
}
/** A zone of a typed size: what it is, is a guess until the person says it. */
function takeSized(ring: Point[], kind: SizedKind): void {
  mode.value = 'zone';
  draft.take(ring, { class: kind, layer: layer.value });
}
/** Outlines from a picture wait for this panel to be open; one after the other becomes a zone. */
function nextTraced(): void {
  // One that is being drawn is not replaced because the page was fetched again.
  if (draft.ring.value.length > 0) return;
  const part = takeTraced(props.id, props.panel);
  if (!part) return;
  const kind = part.what ? REGION_KINDS[part.what] : null;
  const [ring, ...holes] = part.polygon;
  mode.value = 'zone';
  draft.take(
    ring!,
    { layer: layer.value, ...(kind?.class ? { class: kind.class, evidence: kind.evidence } : {}) },
    holes,
  );
}
watch(load.data, nextTraced);
function openZone(id: string): void {
  const zone = zones.value.find((candidate) => candidate.id === id);
  if (!zone || mode.value === 'read' || mode.value === 'gauge') return;
  mode.value = 'zone';
  layer.value = zone.layer;
  draft.open(zone);
}
function leaveZone(): void {
  draft.clear();
  mode.value = 'look';
}
async function saveZone(what: ZoneDraft): Promise<void> {
  const shape = { ...what, ...draft.shape() };
  const before = draft.editing.value;
  const done = await form.submit(async () => {
    if (before) await survey.changeZone(before, { ...before, ...shape });
    else await survey.addZone(shape);
  });
  if (!done) return;
  layer.value = what.layer;
  leaveZone();
  nextTraced();
}
async function removeZone(): Promise<void> {
  if (draft.editing.value) await form.submit(() => survey.removeZone(draft.editing.value!));
  leaveZone();
}
async function join(op: 'merge' | 'subtract', other: ZoneView): Promise<void> {
  const zone = draft.editing.value!;
  const done = await form.submit(() =>
    survey.operate({ op, zone: zone.id, version: zone.version, other: other.id, otherVersion: other.version }),
  );
  if (done) leaveZone();
}
async function split(): Promise<void> {
  const zone = draft.editing.value!;
  const line = [...draft.pen.value];
  if (await form.submit(() => survey.operate({ op: 'split', zone: zone.id, version: zone.version, line }))) leaveZone();
}
const settle = (keepMine: boolean) => form.submit(() => survey.settle(keepMine));
async function withdraw(id: string): Promise<void> {
  await form.submit(() => survey.withdrawOne(id));
  picked.value = null;
}

function onKey(event: KeyboardEvent): void {
  const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !typing) {
    event.preventDefault();
    void (event.shiftKey ? history.redo() : history.undo());
  } else if (typing || event.ctrlKey || event.metaKey) return;
  else if (event.key === 'r' && session.canWork) setMode('read');
  else if (event.key === 'g' && session.canWork) setMode('gauge');
  else if (event.key === 'f' && session.canWork) setMode('find');
  else if (event.key === 'z' && session.canWork) setMode('zone');
  else if (event.key === 'Enter' && mode.value === 'zone' && !draft.closed.value) draft.close(layer.value);
  else if (event.key === 'Escape') setMode('look');
}
onMounted(() => window.addEventListener('keydown', onKey));
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));

/** Who draws a zone has its card before him: another step would lead away from what is not kept yet. */
const next = computed(() =>
  mode.value === 'zone'
    ? null
    : nextOnPanel({
        vehicle: props.id,
        panel: props.panel,
        zones: zones.value,
        repairs: survey.repairs.value,
        readings: counting.value.length,
        called: maps.called.value,
        proposes: proposed.value !== null,
        advised: (maps.advice.value?.next ?? []).length > 0,
        canWork: session.canWork,
        isCustomer: session.isCustomer,
      }),
);
/* What is weighed next is weighed ahead, so that its page has nothing to wait for. */
watch(
  [
    () => openOf({ panel: props.panel, zones: zones.value, repairs: survey.repairs.value }),
    () => outbox.keptOf('zone', props.id).length,
  ],
  ([open, onTheWay]) => session.canWork && onTheWay === 0 && weighAhead(props.id, weighedTogether(open)),
);
function doNext(): void {
  const [first] = maps.advice.value?.next ?? [];
  if (next.value?.does === 'take') takeProposed();
  else if (next.value?.does === 'mark' && first) readNext(first);
  else if (session.canWork) setMode('read');
}
const keptPlaces = computed(() => survey.kept.value.map((reading): Point => [reading.u, reading.v]));
const advised = computed(() =>
  mode.value === 'zone' || !session.canWork || maps.called.value >= CALLED
    ? []
    : (maps.advice.value?.next ?? []).filter(
        (place) => !marked.value.some(([u, v]) => Math.hypot(u - place.u, v - place.v) < 5),
      ),
);
const TOOLS = [
  { mode: 'read', label: 'Take readings' },
  { mode: 'gauge', label: 'By gauge' },
  { mode: 'find', label: 'Note a find' },
  { mode: 'zone', label: 'Draw a zone' },
] as const;
</script>

<template>
  <Waiting :of="load" what="The panel">
    <StationFrame
      v-if="load.data.value"
      :crumbs="crumbsTo(load.data.value.vehicle)"
      :title="load.data.value.panel.name"
      :next="next"
      @next="doNext"
    >
      <template #tools>
        <template v-if="session.canWork">
          <KitButton
            small
            v-for="tool in TOOLS"
            :key="tool.mode"
            :aria-pressed="mode === tool.mode"
            @click="setMode(tool.mode)"
          >
            {{ tool.label }}
          </KitButton>
          <KitButton
            small
            :disabled="!history.canUndo.value"
            :aria-label="history.canUndo.value ? `Undo: ${history.canUndo.value}` : 'Nothing to undo'"
            @click="history.undo()"
          >
            <Undo2 :size="18" />
          </KitButton>
          <KitButton
            small
            :disabled="!history.canRedo.value"
            :aria-label="history.canRedo.value ? `Redo: ${history.canRedo.value}` : 'Nothing to redo'"
            @click="history.redo()"
          >
            <Redo2 :size="18" />
          </KitButton>
        </template>
      </template>
      <template #sheet>
        <SurveySheet
          :panel="load.data.value.panel"
          :vehicle="id"
          :layer="panelLayer"
          :readings="counting"
          :kept-places="keptPlaces"
          :map="maps.surveyMap.value?.map ?? null"
          :coating="maps.kind.value === 'coating' ? maps.coatingMap.value : null"
          :zones="onLayer"
          :proposed="mode === 'zone' ? null : (proposed?.ring ?? null)"
          :expected="mode === 'look' ? expected : null"
          :finds="shownFinds(survey.finds.value, layer)"
          :next="advised"
          :outliers="mode === 'zone' ? [] : (maps.surveyMap.value?.map.outliers ?? [])"
          :photo="photo"
          :marked="marked"
          :picked="picked ? [picked.u, picked.v] : null"
          :draft="draft.ring.value"
          :draft-holes="draft.holes.value"
          :draft-closed="draft.closed.value"
          :pen="draft.pen.value"
          :editing="draft.editing.value?.id ?? null"
          :crosshair="mode !== 'look' && !(mode === 'zone' && draft.closed.value && draft.drawing.value === 'outline')"
          :section-at="mode === 'look' ? sectionAt : null"
          @tap="tap"
          @zone="openZone"
          @move="draft.move"
          @add="draft.add"
          @close="draft.close(layer)"
          @next="readNext"
          ><CarLocator :plan="load.data.value.plan" :panel="load.data.value.panel" :place="marked[0] ?? null"
        /></SurveySheet>
      </template>
      <template #card>
        <KitNotice bad v-if="survey.problem.value ?? form.rest('overruled', 'note', 'ring', 'other', 'line')">
          {{ survey.problem.value ?? form.rest('overruled', 'note', 'ring', 'other', 'line') }}
        </KitNotice>
        <ReadingEntry
          v-if="mode === 'read'"
          v-model:layer="layer"
          :places="marked"
          :layers="load.data.value.panel.layers"
          :store="survey.enter"
          @stored="marked = marked.slice(1)"
          @drop="marked = marked.slice(1)"
        />
        <GaugeEntry
          v-else-if="mode === 'gauge'"
          v-model:layer="layer"
          :panel="load.data.value.panel"
          :places="marked"
          :advice="advised"
          :store="survey.enter"
          @places="marked = $event"
        />
        <FindForm
          v-else-if="mode === 'find'"
          :place="marked[0] ?? null"
          :layers="load.data.value.panel.layers"
          :layer="layer"
          :add="survey.addFind"
          @done="marked = []"
        />
        <ZoneCard
          v-else-if="mode === 'zone'"
          :vehicle="id"
          :draft="draft"
          :layers="load.data.value.panel.layers"
          :layer="layer"
          :form="form"
          :told="told"
          :others="onLayer.filter((zone) => zone.id !== draft.editing.value?.id)"
          :proposed="proposed !== null"
          :can-work="session.canWork"
          @save="saveZone"
          @cancel="(leaveZone(), nextTraced())"
          @remove="removeZone"
          @take-proposed="takeProposed"
          @join="join"
          @split="split"
          @layer="layer = $event"
        />
        <LookCard
          v-else
          v-model:layer="layer"
          v-model:section-at="sectionAt"
          v-model:photo="photo"
          v-model:expected="expected"
          :vehicle="load.data.value.vehicle"
          :plan="load.data.value.plan"
          :panel="load.data.value.panel"
          :survey="survey"
          :picked="picked"
          :can-work="session.canWork"
          @take="takeProposed"
          @sized="takeSized"
          @zone="openZone"
          @next="readNext"
          @withdraw="withdraw"
          @pick="picked = $event"
        />
      </template>
    </StationFrame>
    <ConflictDialog
      v-if="survey.conflict.value"
      :mine="survey.conflict.value.mine"
      :theirs="survey.conflict.value.theirs"
      @choose="settle"
    />
  </Waiting>
</template>
