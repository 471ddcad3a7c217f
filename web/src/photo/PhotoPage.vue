<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { REGION_KINDS, type PhotoChange, type PhotoView, type RegionKind } from '@aspecta/contract/survey';
import { OPTION_WORDS } from '@aspecta/contract/verdict';
import type { PatternView } from '@aspecta/contract/pattern';
import { panelOf, pieceName, sheetOf, type Panel } from '@aspecta/core/body';
import { anticlockwise, area, boxOf, type Point, type Polygon } from '@aspecta/core/geometry';
import { keepsPanel } from '@aspecta/core/verdict';
import { crumbsTo } from '../car/crumbs.ts';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';
import { get, put, remove } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { overTheirs } from '../shell/theirs.ts';
import { dayOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import KnownPoints from './KnownPoints.vue';
import RegionTool from './RegionTool.vue';
import TraceTool from './TraceTool.vue';
import { onPanel } from './photoTiles.ts';
import { keepTraced } from './traced.ts';
import { usePhotoPoints } from './usePhotoPoints.ts';
import { usePictureRegion } from './usePictureRegion.ts';

/* One picture: mark what is known on it, and it becomes true to size; stroke or trace the damage on it. */
const props = defineProps<{ id: string; photo: string }>();
const session = useSession();
const router = useRouter();
const units = useUnits();
const form = useForm();
const points = usePhotoPoints();
const { pairs, waiting, corners, lies } = points;
const mode = ref<'points' | 'region' | 'trace'>('points');
const traced = shallowRef<readonly Point[]>([]);
const panelId = ref('');
const note = ref('');
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan, repairs }, photos] = await Promise.all([
    car.ready(again),
    get<PhotoView[]>(`/vehicles/${props.id}/photos`),
  ]);
  const photo = photos.find((entry) => entry.id === props.photo);
  if (!photo) throw new Error('This picture does not exist any more, or belongs to another car.');
  // What is being marked and written stays when the server has come back; a newer version is told at saving.
  if (seen === 0) take(photo);
  const made = repairs
    .filter(({ choice, done }) => !keepsPanel(choice) && !done)
    .map((repair) => ({
      repair,
      name: `${pieceName(panelOf(plan, repair.panel), repair.layers)}: ${OPTION_WORDS[repair.choice].name.toLowerCase()}`,
    }));
  return { vehicle, photo, plan, repairs: made };
});
/** Version on which the marks rest; 0 while the stored ones are to be taken. */
let seen = 0;
function take(photo: PhotoView): void {
  seen = photo.version;
  pairs.value = photo.pairs;
  panelId.value = photo.panel ?? '';
  note.value = photo.note;
}
const data = computed(() => load.data.value!);
const region = usePictureRegion(() => ({
  href: `/api/vehicles/${props.id}/photos/${props.photo}/picture`,
  matrix: lies.value.matrix,
  sheet: panel.value ? sheetOf(panel.value) : null,
}));
const panel = computed<Panel | null>(() => (panelId.value === '' ? null : panelOf(data.value.plan, panelId.value)));
const size = computed(() => (panel.value ? boxOf(panel.value.outline) : null));
/** On the sheet the picture stands upright: x right, and up is height − y. */
const box = computed(() => ({ minU: 0, minV: 0, maxU: data.value.photo.width, maxV: data.value.photo.height }));
const upright = ([x, y]: Point): Point => [x, data.value.photo.height - y];
const outline = computed(() => (panel.value ? ringPath(points.outlineOn(panel.value).map(upright)) : ''));
const tracedPath = computed(() => (traced.value.length > 2 ? ringPath : linePath)(traced.value.map(upright)));

function tap(place: Point): void {
  if (!session.canWork) return;
  if (mode.value === 'points') points.tap(upright(place));
  else if (mode.value === 'trace') traced.value = [...traced.value, upright(place)];
}
const regionPath = computed(() =>
  region.outlines.value.flatMap((polygon) => polygon.map((ring) => ringPath(ring.map(upright)))).join(''),
);
const strokesShown = computed(() => [
  ...region.strokes.value,
  ...(region.drawing.value ? [{ inside: region.adds.value, places: region.drawing.value }] : []),
]);
const drawStroke = (places: readonly Point[] | null, done: boolean) =>
  region.stroke(places?.map(upright) ?? null, done);
function change(): PhotoChange {
  const { photo } = data.value;
  const stays = panelId.value === photo.panel;
  return {
    panel: panelId.value || null,
    layer: panel.value ? (photo.layer ?? panel.value.layers[0]!.id) : null,
    u: stays ? photo.u : null,
    v: stays ? photo.v : null,
    note: note.value,
    pairs: [...pairs.value],
    region:
      region.kept.value ?? (stays && JSON.stringify(pairs.value) === JSON.stringify(photo.pairs) ? photo.region : null),
    version: seen,
  };
}
async function save(): Promise<boolean> {
  return form.submit(async () => {
    await overTheirs<PhotoView>(
      'this picture',
      ({ version }) => (seen = version),
      () => put(`/vehicles/${props.id}/photos/${props.photo}`, change()),
    );
    seen = 0;
    await load.reload();
  });
}
async function takeAway(): Promise<void> {
  if (await form.submit(() => remove(`/vehicles/${props.id}/photos/${props.photo}`))) router.back();
}
/** What was traced, at its true size, mm. */
function tracedRing(): Point[] {
  const { matrix } = lies.value;
  return traced.value.flatMap(([x, y]) => {
    const place = matrix && onPanel(matrix, x, y);
    return place ? [place as Point] : [];
  });
}
/** Carries what was traced over to the panel and goes on there with the zone. */
async function useTraced(): Promise<void> {
  if (panel.value) await toPanel([[tracedRing()]], null);
}
/** A card or a cut-out that was traced is cut for a repair, and one goes on there. */
async function usePattern(repair: string): Promise<void> {
  const at = `/repairs/${repair}/pattern`;
  const kept = await form.submit(async () => {
    const { settings, version } = await get<PatternView>(at);
    const ring = anticlockwise(tracedRing()).map(([u, v]): [number, number] => [u, v]);
    await put(at, { ...settings, traced: { ring, from: `picture of ${dayOf(data.value.photo.takenAt)}` }, version });
  });
  if (kept) await router.push(`/vehicles/${props.id}${at}`);
}
async function useRegion(): Promise<void> {
  await toPanel(region.parts.value, region.what.value);
}
async function toPanel(parts: readonly Polygon[], what: RegionKind | null): Promise<void> {
  // Without the network the picture is stored later; the zone goes its own way.
  if (!(await save()) && Object.keys(form.errors).length > 0) return;
  keepTraced({ vehicle: props.id, panel: panelId.value, parts: [...parts], what });
  await router.push(`/vehicles/${props.id}/panels/${panelId.value}`);
}
</script>

<template>
  <Waiting :of="load" what="The picture">
    <StationFrame
      v-if="load.data.value"
      :crumbs="[...crumbsTo(data.vehicle), { text: 'Pictures', to: `/vehicles/${id}/photos` }]"
      :title="dayOf(data.photo.takenAt)"
    >
      <template #sheet>
        <SheetView
          :box="box"
          label="The picture. Tap it to mark a point, or draw on it."
          crosshair
          :draws="mode === 'region' && session.canWork"
          @tap="tap"
          @stroke="drawStroke"
        >
          <image
            :href="`/api/vehicles/${id}/photos/${photo}/picture`"
            :width="data.photo.width"
            :height="data.photo.height"
            :transform="`translate(0 ${data.photo.height}) scale(1 -1)`"
          />
          <path v-if="outline" :d="outline" class="outline" />
          <path v-if="traced.length > 0" :d="tracedPath" class="traced" />
          <template v-if="mode === 'region'">
            <path v-if="regionPath" :d="regionPath" class="traced" fill-rule="evenodd" />
            <path
              v-for="(stroke, i) in strokesShown"
              :key="`s${i}`"
              :d="linePath(stroke.places.map(upright))"
              class="stroke"
              :class="{ away: !stroke.inside }"
            />
          </template>
          <template #over="{ place: at }">
            <g
              v-for="(pair, i) in pairs"
              :key="i"
              class="point"
              :transform="`translate(${at(upright([pair.x, pair.y])).join(' ')})`"
              ><path d="M-12 0h8M4 0h8M0 -12v8M0 4v8" /><text x="8" y="-8">{{ i + 1 }}</text></g
            >
            <g
              v-for="(p, i) in corners ?? []"
              :key="`r${i}`"
              class="point"
              :transform="`translate(${at(upright(p)).join(' ')})`"
              ><circle r="8" /><text x="10" y="-8">{{ i + 1 }}</text></g
            >
            <circle v-if="waiting" class="waiting" :cx="at(upright(waiting))[0]" :cy="at(upright(waiting))[1]" r="11" />
          </template>
        </SheetView>
      </template>
      <template #card>
        <div class="stack">
          <div>
            <p class="eyebrow">Is it true to size?</p>
            <p v-if="lies.rms !== null && pairs.length > 4" class="figure">
              ± {{ units.length(Math.max(lies.rms, 0.5)) }}
              <small>worst {{ units.length(Math.max(lies.worst!, 0.5)) }}</small>
            </p>
            <p v-else-if="lies.rms !== null">
              <strong>By four points, and not checked.</strong>
              <span class="soft"> Four points always fit; mark a fifth one, and it shows how good they are.</span>
            </p>
            <KitNotice bad v-else-if="lies.problem">{{ lies.problem }}</KitNotice>
            <p v-else class="soft">
              {{ pairs.length }} of 4 points are known. Mark a taped rectangle, or holes and edges whose place you have
              measured.
            </p>
          </div>
          <p v-if="data.photo.region" class="small">
            {{ REGION_KINDS[data.photo.region.what].word }} stroked on it:
            <strong>{{ units.area(data.photo.region.parts.reduce((sum, part) => sum + area(part), 0)) }}</strong>
          </p>
          <KitField v-slot="{ bind }" label="On which panel?" :error="form.errors['panel']">
            <KitSelect v-bind="bind" v-model="panelId">
              <option value="">not pinned</option>
              <option v-for="entry in data.plan.panels" :key="entry.id" :value="entry.id">{{ entry.name }}</option>
            </KitSelect>
          </KitField>
          <p v-if="size" class="small soft">
            {{ panel!.name }} is {{ units.length(size.maxU) }} wide and {{ units.length(size.maxV) }} high.
          </p>
          <template v-if="session.canWork">
            <div class="row">
              <KitButton small :aria-pressed="mode === 'points'" @click="mode = 'points'"> Known points </KitButton>
              <KitButton
                small
                :aria-pressed="mode === 'region'"
                :disabled="!lies.matrix || !panel"
                @click="mode = 'region'"
              >
                Stroke damage
              </KitButton>
              <KitButton small :aria-pressed="mode === 'trace'" :disabled="!lies.matrix" @click="mode = 'trace'">
                Trace
              </KitButton>
            </div>
            <p v-if="!lies.matrix || !panel" class="small soft">
              Once it is true to size on a panel, one stroke on the damage outlines it; a card or a cut-out is traced
              without a panel.
            </p>
            <KnownPoints v-if="mode === 'points'" :points="points" />
            <RegionTool
              v-else-if="mode === 'region'"
              :tool="region"
              :busy="form.busy.value"
              @keep="save"
              @zone="useRegion"
            />
            <TraceTool
              v-else
              :corners="traced.length"
              :pinned="panel !== null"
              :repairs="data.repairs"
              :busy="form.busy.value"
              @back="traced = traced.slice(0, -1)"
              @zone="useTraced"
              @pattern="usePattern"
            />
            <KitField v-slot="{ bind }" label="Note" :error="form.errors['note']"
              ><KitInput v-bind="bind" v-model="note"
            /></KitField>
            <KitNotice bad v-if="form.rest('panel', 'note')">
              {{ form.rest('panel', 'note') }}
            </KitNotice>
            <div class="row">
              <KitButton main :disabled="form.busy.value" @click="save">Save</KitButton>
              <KitButton plain @click="takeAway">Remove the picture</KitButton>
            </div>
          </template>
        </div>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.outline {
  fill: none;
  stroke: var(--mark);
  stroke-width: 1.5;
  stroke-dasharray: 8 5;
  vector-effect: non-scaling-stroke;
}
.traced {
  fill: var(--mark);
  fill-opacity: 0.18;
  stroke: var(--mark);
  stroke-width: 2.6;
  vector-effect: non-scaling-stroke;
}
.stroke {
  fill: none;
  stroke: var(--mark);
  stroke-width: 6;
  stroke-linecap: round;
  stroke-linejoin: round;
  vector-effect: non-scaling-stroke;
}
.stroke.away {
  stroke: var(--sound);
  stroke-dasharray: 2 9;
}
.point path,
.point circle,
.waiting {
  fill: none;
  stroke: var(--mark);
  stroke-width: 3;
}
.point text {
  font: 600 14px var(--mono);
  fill: var(--mark);
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: 4px;
}
</style>
