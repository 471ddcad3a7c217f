<script setup lang="ts">
import { computed, ref } from 'vue';
import { REGION_KINDS, type PhotoView } from '@aspecta/contract/survey';
import type { Panel } from '@aspecta/core/body';
import { area, boxOf, type Point } from '@aspecta/core/geometry';
import KitSelect from '../kit/KitSelect.vue';
import KitSlider from '../kit/KitSlider.vue';
import { ringPath } from '../sheet/pathData.ts';
import { dayOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';
import PhotoOverlay from './PhotoOverlay.vue';

/* Two pictures of the same place, both true to size, with an edge to be drawn across. */
const props = defineProps<{ vehicle: string; panel: Panel; photos: readonly PhotoView[] }>();
const first = ref(props.photos[0]!.id);
const second = ref(props.photos.at(-1)!.id);
const edge = ref(50);
const pick = (id: string) => props.photos.find((photo) => photo.id === id)!;
/** What the known points of both pictures span, with a little around it, mm. */
const frame = computed(() => {
  const box = boxOf(
    [pick(first.value), pick(second.value)].flatMap((photo) => photo.pairs.map(({ u, v }): Point => [u, v])),
  );
  const [w, h] = [box.maxU - box.minU, box.maxV - box.minV];
  return { x: box.minU - w * 0.15, y: box.minV - h * 0.15, width: w * 1.3, height: h * 1.3 };
});
const units = useUnits();
const stroked = (photo: PhotoView) => photo.region?.parts.reduce((sum, part) => sum + area(part), 0) ?? 0;
const outlineOf = (photo: PhotoView) => (photo.region?.parts ?? []).flatMap((part) => part.map(ringPath)).join('');
/** What was stroked on both, and how much more or less of it there is. */
const compared = computed(() => {
  const [before, after] = [pick(first.value), pick(second.value)];
  if (!before.region || !after.region || before.id === after.id) return null;
  const said = (photo: PhotoView) =>
    `${REGION_KINDS[photo.region!.what].word.toLowerCase()} ${units.area(stroked(photo))}`;
  const ratio = stroked(after) / stroked(before);
  const same = before.region.what === after.region.what;
  return {
    areas: `Before: ${said(before)}; after: ${said(after)}`,
    times: same && Number.isFinite(ratio) ? `${ratio.toFixed(ratio < 10 ? 1 : 0)} times as much` : null,
  };
});
const cut = computed(() => frame.value.x + (frame.value.width * edge.value) / 100);
const viewBox = computed(() => {
  const { x, y, width, height } = frame.value;
  return `${x} ${-y - height} ${width} ${height}`;
});
</script>

<template>
  <div class="stack">
    <p class="eyebrow">Before and after</p>
    <svg :viewBox="viewBox" role="img" :aria-label="`${dayOf(pick(first).takenAt)} and ${dayOf(pick(second).takenAt)}`">
      <defs>
        <clipPath id="before"><rect :x="frame.x - 1e4" y="-1e5" :width="cut - frame.x + 1e4" height="2e5" /></clipPath>
        <clipPath id="after"><rect :x="cut" y="-1e5" width="1e5" height="2e5" /></clipPath>
      </defs>
      <g transform="scale(1 -1)">
        <path :d="ringPath(panel.outline)" class="panel" />
        <g clip-path="url(#before)">
          <PhotoOverlay :photo="pick(first)" :vehicle="vehicle" />
          <path :d="outlineOf(pick(first))" class="stroked" />
        </g>
        <g clip-path="url(#after)">
          <PhotoOverlay :photo="pick(second)" :vehicle="vehicle" />
          <path :d="outlineOf(pick(second))" class="stroked" />
        </g>
        <path :d="`M${cut} ${frame.y}v${frame.height}`" class="edge" />
      </g>
    </svg>
    <p v-if="compared">
      {{ compared.areas
      }}<template v-if="compared.times"
        >: <strong>{{ compared.times }}</strong></template
      >.
    </p>
    <p v-else class="small soft">Stroke the same kind of damage on both pictures, and its area is compared.</p>
    <KitSlider v-model="edge" label="Draw the edge across" :max="100" />
    <div class="row small">
      <KitSelect v-model="first" aria-label="Before">
        <option v-for="photo in photos" :key="photo.id" :value="photo.id">{{ dayOf(photo.takenAt) }}</option>
      </KitSelect>
      <KitSelect v-model="second" aria-label="After">
        <option v-for="photo in photos" :key="photo.id" :value="photo.id">{{ dayOf(photo.takenAt) }}</option>
      </KitSelect>
    </div>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 8px;
}
.panel {
  fill: var(--metal);
  stroke: var(--metal-line);
  vector-effect: non-scaling-stroke;
}
.stroked {
  fill: none;
  stroke: var(--mark);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.edge {
  stroke: var(--mark);
  stroke-width: 3;
  vector-effect: non-scaling-stroke;
}
.row .select {
  width: auto;
  flex: 1;
}
</style>
