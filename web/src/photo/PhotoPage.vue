<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import type { Vehicle } from '@aspecta/contract/garage';
import type { PhotoChange, PhotoView } from '@aspecta/contract/survey';
import { panelOf, type Panel } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';
import { rectifyPhoto, type PhotoPair } from '@aspecta/core/survey';
import { ApiProblem, get, put, remove } from '../shell/api.ts';
import Field from '../shell/Field.vue';
import { planOf } from '../shell/plans.ts';
import StationFrame from '../shell/StationFrame.vue';
import { useSession } from '../shell/session.ts';
import { dayOf, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import SheetView from '../sheet/SheetView.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import { onPanel } from './photoTiles.ts';
import { keepTraced } from './traced.ts';

/* One picture: mark what is known on it, and it becomes true to size; trace the damage on it. */
const props = defineProps<{ id: string; photo: string }>();
const session = useSession();
const router = useRouter();
const units = useUnits();
const form = useForm();
type Mode = 'points' | 'trace';
const mode = ref<Mode>('points');
const pairs = shallowRef<readonly PhotoPair[]>([]);
const waiting = shallowRef<Point | null>(null);
const known = ref({ u: '', v: '' });
const traced = shallowRef<readonly Point[]>([]);
const panelId = ref('');
const note = ref('');
const load = useLoad(async () => {
  const [vehicle, photos] = await Promise.all([
    get<Vehicle>(`/vehicles/${props.id}`),
    get<PhotoView[]>(`/vehicles/${props.id}/photos`),
  ]);
  const photo = photos.find((entry) => entry.id === props.photo);
  if (!photo) throw new Error('This picture does not exist any more, or belongs to another car.');
  pairs.value = photo.pairs;
  panelId.value = photo.panel ?? '';
  note.value = photo.note;
  return { vehicle, photo, plan: await planOf(vehicle.planId) };
});
const data = computed(() => load.data.value!);
const panel = computed<Panel | null>(() => (panelId.value === '' ? null : panelOf(data.value.plan, panelId.value)));
/** On the sheet the picture stands upright: x right, and up is height − y. */
const box = computed(() => ({ minU: 0, minV: 0, maxU: data.value.photo.width, maxV: data.value.photo.height }));
const toPicture = ([u, v]: Point): Point => [u, data.value.photo.height - v];
const toSheet = ([x, y]: Point): Point => [x, data.value.photo.height - y];

const lies = computed(() => {
  if (pairs.value.length < 4) return { matrix: null, problem: null, rms: null, worst: null, residuals: [] as number[] };
  try {
    return { ...rectifyPhoto({ pairs: pairs.value, points: [] }), problem: null };
  } catch (error) {
    return { matrix: null, problem: (error as Error).message, rms: null, worst: null, residuals: [] as number[] };
  }
});
function tap(place: Point): void {
  if (!session.canWork) return;
  if (mode.value === 'points') waiting.value = toPicture(place);
  else traced.value = [...traced.value, toPicture(place)];
}
function keepPoint(): void {
  const [u, v] = [known.value.u, known.value.v].map((text) =>
    text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')),
  );
  form.errors['u'] = Number.isFinite(u) ? '' : 'Write how far from the left end of the panel, in mm.';
  form.errors['v'] = Number.isFinite(v) ? '' : 'Write how far up from its lower edge, in mm.';
  if (!waiting.value || form.errors['u'] || form.errors['v']) return;
  pairs.value = [...pairs.value, { x: waiting.value[0], y: waiting.value[1], u: u!, v: v! }];
  waiting.value = null;
  known.value = { u: '', v: '' };
}
/** A taped rectangle: four taps from its lower left corner anticlockwise, and its size. */
const rectangle = ref({ u: '', v: '', width: '', height: '' });
const corners = shallowRef<readonly Point[]>([]);
function change(): PhotoChange {
  const { photo } = data.value;
  const layer = panel.value ? (photo.layer ?? panel.value.layers[0]!.id) : null;
  return {
    panel: panelId.value || null,
    layer,
    u: panelId.value === photo.panel ? photo.u : null,
    v: panelId.value === photo.panel ? photo.v : null,
    note: note.value,
    pairs: [...pairs.value],
    version: photo.version,
  };
}
async function save(): Promise<boolean> {
  return form.submit(async () => {
    try {
      await put(`/vehicles/${props.id}/photos/${props.photo}`, change());
    } catch (error) {
      if (error instanceof ApiProblem && error.code === 'conflict') await load.reload();
      throw error;
    }
    await load.reload();
  });
}
async function takeAway(): Promise<void> {
  if (await form.submit(() => remove(`/vehicles/${props.id}/photos/${props.photo}`))) await router.back();
}
/** Carries what was traced over to the panel and goes on there with the zone. */
async function useTraced(): Promise<void> {
  const { matrix } = lies.value;
  if (!matrix || !panel.value) return;
  const ring = traced.value.flatMap(([x, y]) => {
    const place = onPanel(matrix, x, y);
    return place ? [place as Point] : [];
  });
  if (!(await save())) return;
  keepTraced({ vehicle: props.id, panel: panelId.value, ring });
  await router.push(`/vehicles/${props.id}/panels/${panelId.value}`);
}
/** The panel's outline as the picture would show it: a check by eye. */
const outline = computed(() => {
  if (!lies.value.matrix || !panel.value) return '';
  const back = rectifyBack(pairs.value);
  if (!back) return '';
  return ringPath(
    panel.value.outline.flatMap((p) => {
      const q = onPanel(back, p[0], p[1]);
      return q ? [toSheet(q as Point)] : [];
    }),
  );
});
function rectifyBack(known: readonly PhotoPair[]): number[] | null {
  try {
    return rectifyPhoto({ pairs: known.map(({ x, y, u, v }) => ({ x: u, y: v, u: x, v: y })), points: [] }).matrix;
  } catch {
    return null;
  }
}
function tapCorner(): void {
  corners.value = [];
}
const place = (text: string) => Number(text.replace(',', '.'));
function fromRectangle(): void {
  const [u, v, w, h] = [rectangle.value.u, rectangle.value.v, rectangle.value.width, rectangle.value.height].map(place);
  if (![u, v, w, h].every(Number.isFinite) || !(w! > 0 && h! > 0)) {
    form.errors['rectangle'] = 'Write where its lower left corner lies, its width and its height, all in mm.';
    return;
  }
  form.errors['rectangle'] = '';
  const at: Point[] = [
    [u!, v!],
    [u! + w!, v!],
    [u! + w!, v! + h!],
    [u!, v! + h!],
  ];
  pairs.value = corners.value.slice(0, 4).map(([x, y], i) => ({ x, y, u: at[i]![0], v: at[i]![1] }));
  corners.value = [];
}
const collecting = ref(false);
function tapAny(p: Point): void {
  if (mode.value === 'points' && collecting.value && corners.value.length < 4)
    corners.value = [...corners.value, toPicture(p)];
  else tap(p);
}
const size = computed(() => (panel.value ? boxOf(panel.value.outline) : null));
</script>

<template>
  <Waiting :of="load" what="The picture">
    <StationFrame
      v-if="load.data.value"
      :crumbs="[
        { text: 'Garage', to: '/' },
        { text: data.vehicle.nickname, to: `/vehicles/${id}` },
        { text: 'Pictures', to: `/vehicles/${id}/photos` },
      ]"
      :title="dayOf(data.photo.takenAt)"
    >
      <template #sheet>
        <SheetView :box="box" label="The picture. Tap it to mark a point." crosshair @tap="tapAny">
          <image
            :href="`/api/vehicles/${id}/photos/${photo}/picture`"
            :width="data.photo.width"
            :height="data.photo.height"
            :transform="`translate(0 ${data.photo.height}) scale(1 -1)`"
          />
          <path v-if="outline" :d="outline" class="outline" />
          <path
            v-if="traced.length > 0"
            :d="traced.length > 2 ? ringPath(traced.map(toSheet)) : linePath(traced.map(toSheet))"
            class="traced"
          />
          <template #over="{ place: at }">
            <g
              v-for="(pair, i) in pairs"
              :key="i"
              class="point"
              :transform="`translate(${at(toSheet([pair.x, pair.y])).join(' ')})`"
              ><path d="M-12 0h8M4 0h8M0 -12v8M0 4v8" /><text x="8" y="-8">{{ i + 1 }}</text></g
            >
            <g
              v-for="(p, i) in corners"
              :key="`r${i}`"
              class="point"
              :transform="`translate(${at(toSheet(p)).join(' ')})`"
              ><circle r="8" /><text x="10" y="-8">{{ i + 1 }}</text></g
            >
            <circle v-if="waiting" class="waiting" :cx="at(toSheet(waiting))[0]" :cy="at(toSheet(waiting))[1]" r="11" />
          </template>
        </SheetView>
      </template>
      <template #card>
        <div class="stack">
          <div>
            <p class="eyebrow">Is it true to size?</p>
            <p v-if="lies.rms !== null" class="figure">
              ± {{ units.length(Math.max(lies.rms, 0.5)) }}
              <small>worst {{ units.length(Math.max(lies.worst!, 0.5)) }}</small>
            </p>
            <p v-else-if="lies.problem" class="notice bad" role="alert">{{ lies.problem }}</p>
            <p v-else class="soft">
              {{ pairs.length }} of 4 points are known. Mark a taped rectangle, or holes and edges whose place you have
              measured.
            </p>
            <p v-if="pairs.length === 4 && lies.rms !== null" class="small soft">
              Four points always fit; a fifth one shows how good they are.
            </p>
          </div>
          <Field v-slot="{ bind }" label="On which panel?" :error="form.errors['panel']">
            <select v-bind="bind" v-model="panelId" class="input">
              <option value="">not pinned</option>
              <option v-for="entry in data.plan.panels" :key="entry.id" :value="entry.id">{{ entry.name }}</option>
            </select>
          </Field>
          <p v-if="size" class="small soft">
            {{ panel!.name }} is {{ units.length(size.maxU) }} wide and {{ units.length(size.maxV) }} high.
          </p>
          <template v-if="session.canWork">
            <div class="row">
              <button class="btn small-btn" :aria-pressed="mode === 'points'" @click="mode = 'points'">
                Known points
              </button>
              <button
                class="btn small-btn"
                :aria-pressed="mode === 'trace'"
                :disabled="!lies.matrix || !panel"
                @click="mode = 'trace'"
              >
                Trace damage
              </button>
            </div>
            <template v-if="mode === 'points'">
              <details :open="collecting">
                <summary @click.prevent="((collecting = !collecting), tapCorner())">A taped rectangle</summary>
                <div class="stack">
                  <p class="small">
                    Tap its corners on the picture from the lower left one, anticlockwise: {{ corners.length }} of 4.
                    Then write where it is.
                  </p>
                  <div class="pair">
                    <Field v-slot="{ bind }" label="Corner from the left, mm"
                      ><input v-bind="bind" v-model="rectangle.u" class="input mono" inputmode="decimal"
                    /></Field>
                    <Field v-slot="{ bind }" label="Corner up, mm"
                      ><input v-bind="bind" v-model="rectangle.v" class="input mono" inputmode="decimal"
                    /></Field>
                    <Field v-slot="{ bind }" label="Width, mm"
                      ><input v-bind="bind" v-model="rectangle.width" class="input mono" inputmode="decimal"
                    /></Field>
                    <Field v-slot="{ bind }" label="Height, mm"
                      ><input v-bind="bind" v-model="rectangle.height" class="input mono" inputmode="decimal"
                    /></Field>
                  </div>
                  <p v-if="form.errors['rectangle']" class="notice bad" role="alert">{{ form.errors['rectangle'] }}</p>
                  <button class="btn" :disabled="corners.length < 4" @click="fromRectangle">Use the rectangle</button>
                </div>
              </details>
              <div v-if="waiting" class="stack">
                <p class="small">Where is this point on the panel?</p>
                <div class="pair">
                  <Field v-slot="{ bind }" label="From the left, mm" :error="form.errors['u']"
                    ><input
                      v-bind="bind"
                      v-model="known.u"
                      class="input mono"
                      inputmode="decimal"
                      @keydown.enter="keepPoint"
                  /></Field>
                  <Field v-slot="{ bind }" label="Up, mm" :error="form.errors['v']"
                    ><input
                      v-bind="bind"
                      v-model="known.v"
                      class="input mono"
                      inputmode="decimal"
                      @keydown.enter="keepPoint"
                  /></Field>
                </div>
                <button class="btn" @click="keepPoint">Keep the point</button>
              </div>
              <p v-else-if="!collecting" class="soft small">
                Tap a point on the picture whose place on the panel you know.
              </p>
              <table v-if="pairs.length > 0" class="plain">
                <tbody>
                  <tr v-for="(pair, i) in pairs" :key="i">
                    <td>{{ i + 1 }}</td>
                    <td class="num">{{ units.length(pair.u) }} / {{ units.length(pair.v) }}</td>
                    <td class="num" :class="{ alarm: (lies.residuals[i] ?? 0) > 5 }">
                      {{ lies.residuals[i] === undefined ? '' : `off ${units.length(lies.residuals[i]!)}` }}
                    </td>
                    <td>
                      <button
                        class="btn plain small-btn"
                        :aria-label="`Drop point ${i + 1}`"
                        @click="pairs = pairs.filter((_, k) => k !== i)"
                      >
                        ✕
                      </button>
                    </td>
                  </tr>
                </tbody>
              </table>
            </template>
            <div v-else class="stack">
              <p>Tap around the damage: {{ traced.length }} corners.</p>
              <div class="row">
                <button class="btn main" :disabled="traced.length < 3" @click="useTraced">Make it a zone</button>
                <button class="btn" :disabled="traced.length === 0" @click="traced = traced.slice(0, -1)">
                  Take one back
                </button>
              </div>
            </div>
            <Field v-slot="{ bind }" label="Note" :error="form.errors['note']"
              ><input v-bind="bind" v-model="note" class="input"
            /></Field>
            <p v-if="form.general.value ?? form.errors['pairs']" class="notice bad" role="alert">
              {{ form.general.value ?? form.errors['pairs'] }}
            </p>
            <div class="row">
              <button class="btn main" :disabled="form.busy.value" @click="save">Save</button>
              <button class="btn plain" @click="takeAway">Remove the picture</button>
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
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.6rem;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
</style>
