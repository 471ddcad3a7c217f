<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { PhotoView } from '@aspecta/contract/survey';
import { useVehicle } from '../car/useVehicle.ts';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import KitUpload from '../kit/KitUpload.vue';
import { get } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { dayOf } from '../shell/days.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import { sendPhotos } from './takePhoto.ts';

/* All pictures of a car, newest first, by panel. Only those in sight are fetched. */
const props = defineProps<{ id: string }>();
const session = useSession();
const router = useRouter();
const form = useForm();
const panel = ref('');
const dragging = ref(false);
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan }, photos] = await Promise.all([
    car.ready(again),
    get<PhotoView[]>(`/vehicles/${props.id}/photos`),
  ]);
  return { vehicle, photos: [...photos].reverse(), names: new Map(plan.panels.map((entry) => [entry.id, entry.name])) };
});
const shown = computed(() =>
  (load.data.value?.photos ?? []).filter((photo) => panel.value === '' || photo.panel === panel.value),
);
const panels = computed(() => [
  ...new Set((load.data.value?.photos ?? []).flatMap((photo) => (photo.panel ? [photo.panel] : []))),
]);
/** One listener for all pictures: five hundred links that each watch the route take half a second to make. */
function go(event: MouseEvent): void {
  const link = (event.target as HTMLElement).closest('a');
  if (!link || event.ctrlKey || event.metaKey || event.shiftKey || event.button !== 0) return;
  event.preventDefault();
  void router.push(link.getAttribute('href')!);
}
const sent = ref(0);
async function take(files: Iterable<File> | null): Promise<void> {
  sent.value = 0;
  const place = { panel: panel.value || null, layer: null, u: null, v: null, note: '' };
  await form.submit(() => sendPhotos(props.id, [...(files ?? [])], place, () => sent.value++));
  await load.reload();
}
</script>

<template>
  <Waiting :of="load" what="The pictures">
    <main
      v-if="load.data.value"
      class="page"
      :class="{ dragging }"
      @dragover.prevent="dragging = true"
      @dragleave="dragging = false"
      @drop.prevent="((dragging = false), take($event.dataTransfer?.files ?? null))"
    >
      <nav class="small" aria-label="Where you are">
        <RouterLink to="/">Garage</RouterLink> ›
        <RouterLink :to="`/vehicles/${id}`">{{ load.data.value.vehicle.nickname }}</RouterLink>
      </nav>
      <div class="row spread head">
        <h1>Pictures, {{ load.data.value.photos.length }}</h1>
        <div class="row">
          <KitSelect v-model="panel" aria-label="Panel">
            <option value="">all panels</option>
            <option v-for="entry in panels" :key="entry" :value="entry">
              {{ load.data.value.names.get(entry) ?? entry }}
            </option>
          </KitSelect>
          <KitUpload v-if="session.canWork" main label="Add pictures" accept="image/*" multiple @files="take" />
        </div>
      </div>
      <p v-if="form.busy.value" role="status">Sending; {{ sent }} stored …</p>
      <KitNotice bad v-if="form.rest()">
        {{ form.rest() }}
      </KitNotice>
      <p v-if="shown.length === 0" class="soft">
        None yet. Take pictures before, during and after: drop them here, or add them at a panel so that they are pinned
        to it.
      </p>
      <ul @click="go">
        <li v-for="photo in shown" :key="photo.id">
          <a :href="`/vehicles/${id}/photos/${photo.id}`">
            <img
              :src="`/api/vehicles/${id}/photos/${photo.id}/picture?small=1`"
              loading="lazy"
              :alt="photo.note || `Picture of ${dayOf(photo.takenAt)}`"
            />
            <span>{{ dayOf(photo.takenAt) }}</span>
            <span class="soft small">{{ photo.panel ? load.data.value.names.get(photo.panel) : 'not pinned' }}</span>
          </a>
        </li>
      </ul>
    </main>
  </Waiting>
</template>

<style scoped>
.head {
  margin: 0.5rem 0 1rem;
}
.head .select {
  width: auto;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 1rem;
}
li {
  content-visibility: auto;
  contain-intrinsic-size: 170px 180px;
}
li a {
  display: grid;
  color: inherit;
  text-decoration: none;
}
img {
  width: 100%;
  aspect-ratio: 4 / 3;
  object-fit: cover;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  background: var(--sheet);
}
.dragging {
  outline: 4px dashed var(--mark);
  outline-offset: -10px;
}
</style>
