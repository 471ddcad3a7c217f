<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { CLIMATES } from '@aspecta/contract/garage';
import type { FindInput, FindView, WalkPlaceView, WalkView } from '@aspecta/contract/survey';
import { panelOf } from '@aspecta/core/body';
import { boxOf } from '@aspecta/core/geometry';
import { SIGNS, signOf, type SignId } from '@aspecta/core/survey';
import CarLocator from '../car/CarLocator.vue';
import { crumbsTo } from '../car/crumbs.ts';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitUpload from '../kit/KitUpload.vue';
import { useOutbox } from '../outbox/useOutbox.ts';
import { sendPhoto } from '../photo/takePhoto.ts';
import PanelSheet from '../sheet/PanelSheet.vue';
import SheetView from '../sheet/SheetView.vue';
import { merged } from '../live/listen.ts';
import CautionList from '../shell/CautionList.vue';
import { get } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { percent } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import FindList from '../survey/FindList.vue';

/* The guided first pass: one place at a time, where to look, for what; a find is one tap. */
const props = defineProps<{ id: string }>();
const session = useSession();
const form = useForm();
const outbox = useOutbox();
const seenWalk = shallowRef<WalkView | null>(null);
const walk = computed(() => seenWalk.value && shown(seenWalk.value));
interface Look {
  place: string;
  state: 'looked' | 'skipped' | 'open';
}
const index = ref(0);
const note = ref('');
const photoId = ref<string | null>(null);
const showAll = ref(false);
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan }, seen] = await Promise.all([car.ready(again), get<WalkView>(`/vehicles/${props.id}/walk`)]);
  seenWalk.value = seen;
  const open = shown(seen).places.findIndex((place) => place.state === 'open');
  index.value = open < 0 ? seen.places.length : open;
  return { vehicle, plan };
});
const setFinds = (finds: readonly FindView[]) =>
  (seenWalk.value = seenWalk.value && { ...seenWalk.value, finds: [...finds] });
const places = computed(() => walk.value?.places ?? []);
const place = computed<WalkPlaceView | null>(() => places.value[index.value] ?? null);
const panel = computed(() =>
  place.value && load.data.value ? panelOf(load.data.value.plan, place.value.panel) : null,
);
const here = computed(() => (walk.value?.finds ?? []).filter((find) => find.place === place.value?.id));
const nameOf = (id: string) => (load.data.value ? panelOf(load.data.value.plan, id).name : id);
const offered = computed(() => SIGNS.filter((sign) => showAll.value || place.value?.lookFor.includes(sign.id)));
const counts = computed(() => ({
  looked: places.value.filter((entry) => entry.state === 'looked').length,
  skipped: places.value.filter((entry) => entry.state === 'skipped').length,
}));
watch(index, () => {
  note.value = '';
  photoId.value = null;
  showAll.value = false;
});

/** What is recorded here but not yet with the server, as it will be. */
function shown(seen: WalkView): WalkView {
  const looks = new Map(
    outbox.keptOf('look', props.id).map(({ body }) => {
      const { place: id, state } = body as unknown as Look;
      return [id, state];
    }),
  );
  const finds = outbox
    .keptOf('find', props.id)
    .map(({ body }) => body as unknown as FindInput)
    .filter((find) => !seen.finds.some((known) => known.id === find.id));
  return {
    ...seen,
    finds: [
      ...seen.finds,
      ...finds.map((find) => ({ ...find, by: 'on this device', closed: null, version: 0 }) as unknown as FindView),
    ],
    places: seen.places.map((entry) => ({ ...entry, state: looks.get(entry.id) ?? entry.state })),
  };
}
async function look(state: Look['state'], go = true): Promise<void> {
  const { id, title } = place.value!;
  await form.submit(() => noteLook({ place: id, state }, title));
  if (go && !form.rest()) onward();
}
async function noteLook(body: Look, title: string): Promise<void> {
  const { answer } = await outbox.record<WalkView>({
    // The last word on a place counts: a newer one takes the place of one that is still here.
    id: `look ${props.id} ${body.place}`,
    vehicle: props.id,
    kind: 'look',
    title: `${title}: ${body.state}`,
    path: `/vehicles/${props.id}/walk`,
    body: { ...body },
  });
  if (answer) seenWalk.value = answer;
}
async function found(sign: SignId): Promise<void> {
  const { id, panel: onto, layer, at, title } = place.value!;
  await form.submit(async () => {
    const find = {
      id: newId(),
      panel: onto,
      layer,
      u: at[0],
      v: at[1],
      sign,
      note: note.value,
      place: id,
      photoId: photoId.value,
    };
    await outbox.record<FindView>(
      {
        id: find.id,
        vehicle: props.id,
        kind: 'find',
        title: `Find “${signOf(sign).title.toLowerCase()}” at ${title}`,
        path: `/vehicles/${props.id}/finds`,
        body: find,
      },
      true,
    );
    await noteLook({ place: id, state: 'looked' }, title);
    note.value = '';
    photoId.value = null;
  });
}
async function take([file]: readonly File[]): Promise<void> {
  if (!file || !place.value) return;
  const { panel: onto, layer, at, title } = place.value;
  await form.submit(async () => {
    photoId.value = await sendPhoto(props.id, file, { panel: onto, layer, u: at[0], v: at[1], note: title });
  });
}
/** On to the next place that nobody has looked at; past the end when there is none. */
function onward(): void {
  const after = places.value.findIndex((entry, i) => i > index.value && entry.state === 'open');
  const before = places.value.findIndex((entry) => entry.state === 'open');
  index.value = after >= 0 ? after : before >= 0 ? before : places.value.length;
}
const again = () =>
  (index.value = Math.max(
    0,
    places.value.findIndex((entry) => entry.state === 'skipped'),
  ));
</script>

<template>
  <Waiting :of="load" what="The walk-round">
    <StationFrame
      v-if="load.data.value && walk"
      :crumbs="crumbsTo(load.data.value.vehicle)"
      title="Walk-round"
      :next="place ? null : { text: 'Measure what you have found', to: `/vehicles/${id}` }"
    >
      <template #sheet>
        <SheetView
          v-if="panel && place"
          :key="panel.id"
          :box="boxOf(panel.outline)"
          tapes
          :label="`${panel.name}: ${place.title}`"
        >
          <PanelSheet :panel="panel" />
          <template #over="{ place: at }">
            <g class="spot" :transform="`translate(${at(place.at).join(' ')})`">
              <circle r="26" /><path d="M-38 0h18M20 0h18M0 -38v18M0 20v18" />
            </g>
          </template>
          <template #html><CarLocator :plan="load.data.value!.plan" :panel="panel" :place="place.at" /></template>
        </SheetView>
        <div v-else class="done">
          <p class="figure">{{ percent(walk.coverage) }}</p>
        </div>
      </template>
      <template #card>
        <div class="stack">
          <div class="row spread progress">
            <span class="mono">{{ percent(walk.coverage) }}</span>
            <span class="small soft"
              >of the risky places looked at; {{ counts.looked }} of {{ places.length }},
              {{ counts.skipped }} skipped</span
            >
          </div>
          <div class="track" role="presentation"><i :style="{ width: `${(100 * walk.coverage).toFixed(1)}%` }" /></div>
          <KitNotice bad v-if="form.rest()">
            {{ form.rest() }}
          </KitNotice>
          <template v-if="place">
            <div>
              <p class="eyebrow">Look here</p>
              <h2>{{ place.title }}</h2>
              <p class="soft">
                {{ place.why }} Risk here: {{ percent(place.risk) }}, for
                {{ CLIMATES[load.data.value.vehicle.climate].toLowerCase() }}.
              </p>
              <p v-if="place.structural" class="small alarm">
                Load-bearing: what is found here goes to the top of the list.
              </p>
              <p v-if="place.state !== 'open'" class="small">
                <strong>{{ place.state === 'looked' ? 'Looked at' : 'Skipped' }}</strong> by {{ place.by }}.
              </p>
            </div>
            <template v-if="session.canWork">
              <KitButton main :disabled="form.busy.value" @click="look('looked')" class="big">
                {{ here.length > 0 ? 'Next place' : 'Nothing shows: next place' }}
              </KitButton>
              <p class="eyebrow">Or what is there? One tap each</p>
              <div class="signs">
                <KitButton
                  v-for="sign in offered.filter((entry) => entry.id !== 'sound')"
                  :key="sign.id"
                  :disabled="form.busy.value"
                  @click="found(sign.id)"
                >
                  {{ sign.title }}
                </KitButton>
                <KitButton plain v-if="!showAll" @click="showAll = true">Something else …</KitButton>
              </div>
              <div class="row">
                <KitUpload class="grow" label="Picture first" accept="image/*" capture @files="take">{{
                  photoId ? 'Picture taken' : 'Picture first'
                }}</KitUpload>
                <KitButton @click="look('skipped')" class="grow">Skip it</KitButton>
              </div>
              <KitCollapse>
                <template #title>Note to the next find</template>
                <KitField v-slot="{ bind }" label="Note"><KitInput v-bind="bind" v-model="note" /></KitField>
              </KitCollapse>
            </template>
            <ul v-if="here.length > 0" class="here">
              <li v-for="find in here" :key="find.id">
                <strong>{{ signOf(find.sign).title }}.</strong> {{ signOf(find.sign).meaning }}
              </li>
            </ul>
            <div class="row spread">
              <KitButton small plain :disabled="index === 0" @click="index--">← before</KitButton>
              <span class="small soft mono">{{ index + 1 }} / {{ places.length }}</span>
              <KitButton small plain @click="index++">after →</KitButton>
            </div>
          </template>
          <template v-else>
            <h2>{{ counts.skipped > 0 ? 'Once around; some places were skipped.' : 'Once around.' }}</h2>
            <p class="soft">What does not show may still be there. Next: measure where something was found.</p>
            <KitButton v-if="counts.skipped > 0" @click="again">Go to the skipped places</KitButton>
          </template>
          <FindList
            :finds="walk.finds"
            :vehicle="id"
            :can-work="session.canWork"
            :name-of="nameOf"
            @changed="setFinds(merged(walk.finds, [$event]))"
            @gone="setFinds(walk.finds.filter((find) => find.id !== $event.id))"
          />
          <KitCollapse>
            <template #title>Before you crawl under it</template>
            <CautionList step="survey" />
          </KitCollapse>
        </div>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.spot circle,
.spot path {
  fill: none;
  stroke: var(--alarm);
  stroke-width: 3;
}
.done {
  display: grid;
  place-items: center;
  height: 100%;
}
.progress .mono {
  font-size: 1.3rem;
}
.track {
  height: 8px;
  background: var(--mark-soft);
  border-radius: 4px;
  overflow: hidden;
}
.track i {
  display: block;
  height: 100%;
  background: var(--mark);
}
.big {
  min-height: 60px;
  font-size: 1.1rem;
}
.signs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.4rem;
}
.signs .btn {
  padding: 0.3rem 0.5rem;
  min-height: 56px;
  line-height: 1.15;
}
.here {
  margin: 0;
  padding-left: 1.1rem;
}
</style>
