<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import { Redo2, Undo2 } from 'lucide-vue-next';
import type { ReadingView, ZoneView } from '@aspecta/contract/survey';
import { layerOf } from '@aspecta/core/body';
import { firstCrossing, type Point } from '@aspecta/core/geometry';
import { cautionsFor } from '@aspecta/core/safety';
import StationFrame from '../shell/StationFrame.vue';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import Waiting from '../shell/Waiting.vue';
import ConflictDialog from './ConflictDialog.vue';
import ReadingEntry from './ReadingEntry.vue';
import ReadingList from './ReadingList.vue';
import SurveyCard from './SurveyCard.vue';
import SurveySheet from './SurveySheet.vue';
import ZoneForm, { type ZoneDraft } from './ZoneForm.vue';
import { readingAt } from './surveyScene.ts';
import { useSurvey } from './useSurvey.ts';

const props = defineProps<{ id: string; panel: string }>();
const session = useSession();
const survey = useSurvey(props.id, props.panel);
const { load, layer, surveyMap, proposed, zones, counting, history } = survey;
const form = useForm();
type Mode = 'look' | 'read' | 'zone';
const mode = ref<Mode>('look');
const marked = shallowRef<readonly Point[]>([]);
const picked = shallowRef<ReadingView | null>(null);
const ring = shallowRef<readonly Point[]>([]);
const closed = ref(false);
const editing = shallowRef<ZoneView | null>(null);
const fresh = ref<ZoneDraft>({ class: 'thin', layer: '', evidence: 'stripped', note: '' });
const panelLayer = computed(() => layerOf(load.data.value!.panel, layer.value));
const onLayer = computed(() => zones.value.filter((zone) => zone.layer === layer.value));
const crossing = computed(() => {
  const at = closed.value && ring.value.length > 3 ? firstCrossing(ring.value) : undefined;
  return at ? `The outline crosses itself: side ${at[0] + 1} meets side ${at[1] + 1}. Move a corner.` : null;
});

function setMode(wanted: Mode): void {
  mode.value = mode.value === wanted ? 'look' : wanted;
  leaveZone();
  picked.value = null;
}
function tap(place: Point): void {
  if (mode.value === 'read') marked.value = [...marked.value, place];
  else if (mode.value === 'zone' && !closed.value)
    ring.value = [...ring.value, [Math.round(place[0]), Math.round(place[1])]];
  else if (mode.value === 'look') picked.value = readingAt(counting.value, place, 18) ?? null;
}
function closeRing(): void {
  if (ring.value.length < 3) return;
  closed.value = true;
  fresh.value = { class: 'thin', layer: layer.value, evidence: 'stripped', note: '' };
}
function takeProposed(): void {
  if (!proposed.value) return;
  mode.value = 'zone';
  editing.value = null;
  ring.value = proposed.value.ring.map(([u, v]): Point => [Math.round(u * 10) / 10, Math.round(v * 10) / 10]);
  closed.value = true;
  fresh.value = {
    class: (surveyMap.value?.map.summary.byClass.through ?? 0) > 0 ? 'through' : 'thin',
    layer: layer.value,
    evidence: 'map',
    note: '',
  };
}
function openZone(id: string): void {
  const zone = zones.value.find((candidate) => candidate.id === id);
  if (!zone || mode.value === 'read') return;
  mode.value = 'zone';
  editing.value = zone;
  ring.value = zone.ring;
  closed.value = true;
  fresh.value = { class: zone.class, layer: zone.layer, evidence: zone.evidence, note: zone.note };
}
function leaveZone(): void {
  ring.value = [];
  closed.value = false;
  editing.value = null;
}
const moveCorner = (index: number, to: Point) =>
  (ring.value = ring.value.map((p, i) =>
    i === index ? ([Math.round(to[0] * 10) / 10, Math.round(to[1] * 10) / 10] as Point) : p,
  ));
const addCorner = (index: number, at: Point) =>
  (ring.value = [...ring.value.slice(0, index), at, ...ring.value.slice(index)]);

async function saveZone(draft: ZoneDraft): Promise<void> {
  const shape = { ...draft, ring: ring.value.map(([u, v]): [number, number] => [u, v]) };
  const before = editing.value;
  const done = await form.submit(async () => {
    if (before) await survey.changeZone(before, { ...before, ...shape });
    else await survey.addZone(shape);
  });
  if (!done) return;
  layer.value = draft.layer;
  leaveZone();
  mode.value = 'look';
}
async function removeZone(): Promise<void> {
  if (editing.value) await form.submit(() => survey.removeZone(editing.value!));
  leaveZone();
  mode.value = 'look';
}
async function settle(keepMine: boolean): Promise<void> {
  await form.submit(() => survey.settle(keepMine));
}
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
  else if (event.key === 'z' && session.canWork) setMode('zone');
  else if (event.key === 'Enter' && mode.value === 'zone' && !closed.value) closeRing();
  else if (event.key === 'Escape') {
    leaveZone();
    mode.value = 'look';
  }
}
onMounted(() => window.addEventListener('keydown', onKey));
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));

const next = computed(() => {
  if (zones.value.length > 0)
    return {
      text: `Weigh treat, patch or whole panel for ${zones.value.length} ${zones.value.length === 1 ? 'zone' : 'zones'}`,
      to: `/vehicles/${props.id}/panels/${props.panel}/verdict`,
    };
  if (proposed.value) return { text: 'Take the zone that the map proposes' };
  return {
    text:
      counting.value.length === 0
        ? 'Take the first reading: lower edge and seams first'
        : 'Take more readings where the sheet is still dotted',
  };
});
function doNext(): void {
  if (proposed.value && zones.value.length === 0) takeProposed();
  else if (session.canWork) setMode('read');
}
const keptPlaces = computed(() => survey.kept.value.map((entry): Point => [entry.reading.u, entry.reading.v]));
</script>

<template>
  <Waiting :of="load" what="The panel">
    <StationFrame
      v-if="load.data.value"
      :crumbs="[
        { text: 'Garage', to: '/' },
        { text: load.data.value.vehicle.nickname, to: `/vehicles/${id}` },
      ]"
      :title="load.data.value.panel.name"
      :next="next"
      @next="doNext"
    >
      <template #tools>
        <template v-if="session.canWork">
          <button class="btn small-btn" :aria-pressed="mode === 'read'" @click="setMode('read')">Take readings</button>
          <button class="btn small-btn" :aria-pressed="mode === 'zone'" @click="setMode('zone')">Draw a zone</button>
          <button
            class="btn small-btn"
            :disabled="!history.canUndo.value"
            :aria-label="history.canUndo.value ? `Undo: ${history.canUndo.value}` : 'Nothing to undo'"
            @click="history.undo()"
          >
            <Undo2 :size="18" />
          </button>
          <button
            class="btn small-btn"
            :disabled="!history.canRedo.value"
            :aria-label="history.canRedo.value ? `Redo: ${history.canRedo.value}` : 'Nothing to redo'"
            @click="history.redo()"
          >
            <Redo2 :size="18" />
          </button>
        </template>
      </template>
      <template #sheet>
        <SurveySheet
          :panel="load.data.value.panel"
          :layer="panelLayer"
          :readings="counting"
          :kept-places="keptPlaces"
          :map="surveyMap?.map ?? null"
          :zones="onLayer"
          :proposed="mode === 'zone' ? null : (proposed?.ring ?? null)"
          :marked="mode === 'read' ? marked : []"
          :picked="picked ? [picked.u, picked.v] : null"
          :draft="ring"
          :draft-closed="closed"
          :editing="editing?.id ?? null"
          :crosshair="mode !== 'look' && !closed"
          @tap="tap"
          @zone="openZone"
          @move="moveCorner"
          @add="addCorner"
          @close="closeRing"
        />
      </template>
      <template #card>
        <p v-if="survey.problem.value ?? form.general.value" class="notice bad" role="alert">
          {{ survey.problem.value ?? form.general.value }}
        </p>
        <ReadingEntry
          v-if="mode === 'read'"
          v-model:layer="layer"
          :places="marked"
          :layers="load.data.value.panel.layers"
          :store="survey.enter"
          @stored="marked = marked.slice(1)"
          @drop="marked = marked.slice(1)"
        />
        <div v-else-if="mode === 'zone' && !closed" class="stack">
          <p class="eyebrow">Draw the damage</p>
          <p>Tap its corners on the sheet. Tap the first corner again, or close it here.</p>
          <p class="figure">
            {{ ring.length }} <small>{{ ring.length === 1 ? 'corner' : 'corners' }}</small>
          </p>
          <div class="row">
            <button class="btn main" :disabled="ring.length < 3" @click="closeRing">Close the zone</button
            ><button class="btn" :disabled="ring.length === 0" @click="ring = ring.slice(0, -1)">
              Take the last corner back
            </button>
          </div>
          <button v-if="proposed" class="btn" @click="takeProposed">Take the proposed zone instead</button>
        </div>
        <ZoneForm
          v-else-if="mode === 'zone'"
          :draft="fresh"
          :layers="load.data.value.panel.layers"
          :errors="form.errors"
          :busy="form.busy.value"
          :crossing="crossing"
          :existing="editing !== null"
          :can-work="session.canWork"
          @save="saveZone"
          @cancel="((mode = 'look'), leaveZone())"
          @remove="removeZone"
        />
        <SurveyCard
          v-else
          :layer="panelLayer"
          :readings="counting"
          :survey-map="surveyMap"
          :mapping="survey.mapping.value"
          :proposed="proposed"
          :zones="zones"
          :can-work="session.canWork"
          @take="takeProposed"
          @zone="openZone"
        >
          <div v-if="load.data.value.panel.layers.length > 1" class="row" role="group" aria-label="Layer shown">
            <button
              v-for="entry in load.data.value.panel.layers"
              :key="entry.id"
              class="btn small-btn"
              :aria-pressed="layer === entry.id"
              @click="layer = entry.id"
            >
              {{ entry.name }}
            </button>
          </div>
          <ReadingList
            :readings="counting"
            :picked="picked"
            :can-work="session.canWork"
            @withdraw="withdraw"
            @pick="picked = $event"
          />
          <details>
            <summary>Before you scrape and probe</summary>
            <ul class="small">
              <li v-for="caution in cautionsFor('survey')" :key="caution.id">
                <strong>{{ caution.title }}.</strong> {{ caution.text }}
              </li>
            </ul>
          </details>
        </SurveyCard>
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

<style scoped>
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
ul {
  padding-left: 1.1rem;
  margin: 0;
}
</style>
