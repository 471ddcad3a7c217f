<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import type { OutlineFileView, OwnPlan } from '@aspecta/contract/body';
import type { PhotoView } from '@aspecta/contract/survey';
import { bodyPlans, panelOf } from '@aspecta/core/body';
import { boxOf, firstCrossing, simplifyRing, type Point, type Ring } from '@aspecta/core/geometry';
import { crumbsTo } from '../car/crumbs.ts';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitUpload from '../kit/KitUpload.vue';
import PhotoOverlay from '../photo/PhotoOverlay.vue';
import PanelSheet from '../sheet/PanelSheet.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';
import { get, postBytes, put } from '../shell/api.ts';
import StationFrame from '../shell/StationFrame.vue';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import CornerHandles from '../sheet/CornerHandles.vue';

/* Another outline for a panel: drag its corners, read a drawing, or trace a picture; kept as the shop's own body plan. */
const props = defineProps<{ id: string; panel: string }>();
const router = useRouter();
const units = useUnits();
const form = useForm();
const ring = shallowRef<Ring>([]);
const name = ref('');
const notes = shallowRef<readonly string[]>([]);
const photo = shallowRef<PhotoView | null>(null);
const tracing = ref(false);
/** mm. Corners of the shipped outline are thinned to so few that they can be dragged. */
const HANDLES = 3;
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan }, photos] = await Promise.all([
    car.ready(again),
    get<PhotoView[]>(`/vehicles/${props.id}/photos?panel=${props.panel}`),
  ]);
  const shipped = bodyPlans().some((entry) => entry.id === vehicle.planId);
  const version = shipped ? 0 : (await get<OwnPlan>(`/plans/${vehicle.planId}`)).version;
  const panel = panelOf(plan, props.panel);
  ring.value = simplifyRing(panel.outline, HANDLES);
  name.value = shipped ? `${plan.name}, ${vehicle.nickname}` : plan.name;
  return { vehicle, plan, panel, version, shipped, photos: photos.filter((entry) => entry.matrix !== null) };
});
const crossing = computed(() => {
  const at = ring.value.length > 3 ? firstCrossing(ring.value) : undefined;
  return at ? `The outline crosses itself: side ${at[0] + 1} meets side ${at[1] + 1}. Move a corner.` : null;
});
const box = computed(() => boxOf([...load.data.value!.panel.outline, ...ring.value]));
const size = computed(() => boxOf(ring.value.length > 0 ? ring.value : [[0, 0]]));
const tenth = ([u, v]: Point): Point => [Math.round(u * 10) / 10, Math.round(v * 10) / 10];
function tap(place: Point): void {
  if (tracing.value) ring.value = [...ring.value, tenth(place)];
}
function startTracing(): void {
  tracing.value = true;
  ring.value = [];
}
async function pick([file]: readonly File[]): Promise<void> {
  if (!file) return;
  await form.submit(async () => {
    const path = `/plans/outline-from-drawing?name=${encodeURIComponent(file.name)}`;
    const read = await postBytes<OutlineFileView>(path, await file.text(), 'text/plain');
    ring.value = simplifyRing(read.outline, 0.5);
    notes.value = read.notes;
    tracing.value = false;
  });
}
async function save(): Promise<void> {
  const outline = ring.value.map(([u, v]): [number, number] => [u, v]);
  const done = await form.submit(async () => {
    await put(`/vehicles/${props.id}/panels/${props.panel}/outline`, {
      outline,
      name: name.value,
      version: load.data.value!.version,
    });
    await car.ready(true);
  });
  if (done) await router.push(`/vehicles/${props.id}/panels/${props.panel}`);
}
</script>

<template>
  <Waiting :of="load" what="The panel">
    <StationFrame
      v-if="load.data.value"
      :crumbs="crumbsTo(load.data.value.vehicle, load.data.value.panel)"
      title="Outline"
    >
      <template #sheet>
        <SheetView :box="box" tapes :crosshair="tracing" label="The outline of the panel. Drag its corners." @tap="tap">
          <PanelSheet :panel="load.data.value.panel" class="faint" />
          <PhotoOverlay v-if="photo" :photo="photo" :vehicle="id" />
          <path :d="tracing && ring.length < 3 ? linePath(ring) : ringPath(ring)" class="ring" />
          <template #over="{ place, sheetAt }">
            <CornerHandles
              :ring="ring"
              :place="place"
              :sheet-at="sheetAt"
              :closed="!tracing"
              @move="(i, to) => (ring = ring.map((p, k) => (k === i ? tenth(to) : p)))"
              @add="(i, p) => (ring = [...ring.slice(0, i), p, ...ring.slice(i)])"
              @close="tracing = false"
            />
          </template>
        </SheetView>
      </template>
      <template #card>
        <div class="stack">
          <div>
            <p class="eyebrow">How large is this panel on your car?</p>
            <p class="figure small-figure">
              {{ units.length(size.maxU - size.minU) }} × {{ units.length(size.maxV - size.minV) }}
            </p>
            <p class="small soft">{{ ring.length }} corners. Drag one; tap the middle of a side to add one.</p>
          </div>
          <KitUpload label="Read a DXF or SVG drawing" accept=".dxf,.svg" @files="pick" />
          <KitNotice quiet v-for="text in notes" :key="text" class="small">{{ text }}</KitNotice>
          <div v-if="load.data.value.photos.length > 0" class="stack">
            <p class="eyebrow">Trace a picture</p>
            <div class="row">
              <KitButton
                small
                v-for="entry in load.data.value.photos"
                :key="entry.id"
                :aria-pressed="photo?.id === entry.id"
                @click="photo = photo?.id === entry.id ? null : entry"
              >
                {{ entry.note || 'Picture' }}
              </KitButton>
            </div>
            <KitButton :disabled="!photo" @click="startTracing">Start a new outline on it</KitButton>
          </div>
          <div v-if="tracing" class="row">
            <KitButton main :disabled="ring.length < 3" @click="tracing = false">Close the outline</KitButton>
            <KitButton :disabled="ring.length === 0" @click="ring = ring.slice(0, -1)">Take one back</KitButton>
          </div>
          <KitField
            v-slot="{ bind }"
            label="Name of your body plan"
            :hint="
              load.data.value.shipped
                ? 'Saving makes this shop’s own plan, and this car moves onto it'
                : 'This shop’s own plan'
            "
            :error="form.errors['name']"
            ><KitInput v-bind="bind" v-model="name"
          /></KitField>
          <KitNotice
            bad
            v-if="crossing ?? form.errors['outline'] ?? form.errors['file'] ?? form.rest('file', 'name', 'outline')"
          >
            {{ crossing ?? form.errors['outline'] ?? form.errors['file'] ?? form.rest('file', 'name', 'outline') }}
          </KitNotice>
          <div class="row">
            <KitButton
              main
              :disabled="form.busy.value || crossing !== null || tracing || ring.length < 3"
              @click="save"
            >
              Save the outline
            </KitButton>
            <KitButton :to="`/vehicles/${id}/panels/${panel}`">Cancel</KitButton>
          </div>
          <p class="small soft">
            Readings and zones keep their places. What no longer lies on the sheet is dropped from the plan.
          </p>
        </div>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.ring {
  fill: var(--mark);
  fill-opacity: 0.08;
  stroke: var(--mark);
  stroke-width: 2.4;
  vector-effect: non-scaling-stroke;
}
.faint {
  opacity: 0.55;
}
.small-figure {
  font-size: 1.7rem;
}
</style>
