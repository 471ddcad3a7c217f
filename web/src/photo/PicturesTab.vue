<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import type { PhotoView } from '@aspecta/contract/survey';
import type { Panel } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitUpload from '../kit/KitUpload.vue';
import { get } from '../shell/api.ts';
import { dayOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import BeforeAfter from './BeforeAfter.vue';
import { sendPhotos } from './takePhoto.ts';

/* Pictures of this panel: take one, lay one over the sheet true to size, hold two against each other. */
const props = defineProps<{ vehicle: string; panel: Panel; layer: string; canWork: boolean }>();
const photo = defineModel<PhotoView | null>('photo', { required: true });
const form = useForm();
const units = useUnits();
const photos = shallowRef<readonly PhotoView[] | null>(null);
const list = () => get<PhotoView[]>(`/vehicles/${props.vehicle}/photos?panel=${props.panel.id}`);
const load = () =>
  form.submit(async () => {
    photos.value = await list();
  });
watch(() => props.panel.id, load, { immediate: true });
async function take(files: readonly File[]): Promise<void> {
  const place = { panel: props.panel.id, layer: props.layer, u: null, v: null, note: '' };
  const all = await form.submit(() => sendPhotos(props.vehicle, files, place));
  // What was refused stays readable; what was stored is shown.
  if (all) await load();
  else photos.value = await list().catch(() => photos.value);
}
const lying = computed(() => (photos.value ?? []).filter((entry) => entry.matrix !== null));
const small = (entry: PhotoView) => `/api/vehicles/${props.vehicle}/photos/${entry.id}/picture?small=1`;
</script>

<template>
  <div class="stack">
    <p class="eyebrow">Pictures of this panel</p>
    <KitUpload
      v-if="canWork"
      main
      class="take"
      label="Take or choose a picture"
      accept="image/*"
      capture
      multiple
      @files="take"
    />
    <p v-if="form.busy.value" class="soft" role="status">One moment …</p>
    <KitNotice bad v-if="form.rest()">
      {{ form.rest() }}
    </KitNotice>
    <p v-if="photos && photos.length === 0" class="soft">
      None yet. Tape a rectangle of known size beside the damage and take it as squarely as you can: it can then be laid
      over the sheet true to size.
    </p>
    <ul>
      <li v-for="entry in photos ?? []" :key="entry.id">
        <RouterLink :to="`/vehicles/${vehicle}/photos/${entry.id}`"
          ><img :src="small(entry)" loading="lazy" :alt="entry.note || `Picture of ${dayOf(entry.takenAt)}`"
        /></RouterLink>
        <div>
          <p class="small">
            {{ dayOf(entry.takenAt) }}{{ entry.note ? ` – ${entry.note}` : '' }}<br /><span
              v-if="entry.rms !== null"
              class="soft"
              >{{
                entry.pairs.length > 4
                  ? `true to size within ${units.length(Math.max(entry.rms, 0.5))}`
                  : 'true to size by four points, not checked'
              }}</span
            ><span v-else class="soft">not yet true to size: mark four known points</span>
          </p>
          <div class="row">
            <KitButton
              small
              v-if="entry.matrix"
              :aria-pressed="photo?.id === entry.id"
              @click="photo = photo?.id === entry.id ? null : entry"
            >
              Lay over
            </KitButton>
            <KitButton small :to="`/vehicles/${vehicle}/photos/${entry.id}`">{{
              entry.matrix ? 'Trace' : 'Mark points'
            }}</KitButton>
          </div>
        </div>
      </li>
    </ul>
    <BeforeAfter v-if="lying.length >= 2" :vehicle="vehicle" :panel="panel" :photos="lying" />
    <KitButton small :to="`/vehicles/${vehicle}/photos`">All pictures of this car</KitButton>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.75rem;
}
li {
  display: grid;
  grid-template-columns: 104px 1fr;
  gap: 0.75rem;
}
img {
  width: 104px;
  height: 78px;
  object-fit: cover;
  border-radius: 6px;
  border: 1px solid var(--line-strong);
}
.take:focus-within {
  outline: 3px solid var(--mark);
  outline-offset: 2px;
}
</style>
