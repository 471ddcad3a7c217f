<script setup lang="ts">
import { computed } from 'vue';
import type { Panel } from '@aspecta/core/body';
import { boxOf, type Point, type Ring } from '@aspecta/core/geometry';
import PanelSheet from './PanelSheet.vue';
import { linePath, ringPath } from './pathData.ts';
import SheetView from './SheetView.vue';

/* A piece with the places on its joints where something is read, numbered as the list beside it; a tap picks the nearest. */
const props = defineProps<{
  panel: Panel;
  piece: Ring;
  /** Those whose sheets lie on each other are dashed. */
  joints: readonly { line: readonly Point[]; dashed?: boolean }[];
  /** plain: nothing to say; unread: asked for; good, some, bad: what was read; crossed: it stands proud. */
  places: readonly { id: string; at: Point; look: 'plain' | 'unread' | 'good' | 'some' | 'bad' | 'crossed' }[];
  picked: string | null;
  label: string;
}>();
const emit = defineEmits<{ pick: [place: string] }>();
const PAD = 90;
const box = computed(() => {
  const { minU, minV, maxU, maxV } = boxOf(props.piece);
  return { minU: minU - PAD, minV: minV - PAD, maxU: maxU + PAD, maxV: maxV + PAD };
});
function tap(place: Point): void {
  const near = props.places
    .map((one) => ({ one, far: Math.hypot(one.at[0] - place[0], one.at[1] - place[1]) }))
    .sort((a, b) => a.far - b.far)[0];
  if (near) emit('pick', near.one.id);
}
</script>

<template>
  <SheetView :box="box" tapes :label="label" @tap="tap">
    <PanelSheet :panel="panel" plain />
    <path :d="ringPath(piece)" class="piece" />
    <path
      v-for="(joint, i) in joints"
      :key="i"
      :d="linePath(joint.line)"
      class="joint"
      :class="{ dashed: joint.dashed }"
    />
    <template #over="{ place }">
      <slot :place="place" />
      <g
        v-for="(one, i) in places"
        :key="one.id"
        class="place"
        :class="[one.look, { picked: picked === one.id }]"
        :transform="`translate(${place(one.at).join(' ')})`"
      >
        <circle r="11" />
        <path v-if="one.look === 'crossed'" d="M-8 -8L8 8M-8 8L8 -8" class="cross" />
        <text y="4">{{ i + 1 }}</text>
      </g>
    </template>
  </SheetView>
</template>

<style scoped>
.piece {
  fill: var(--mark);
  fill-opacity: 0.08;
}
.joint {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
  vector-effect: non-scaling-stroke;
}
.joint.dashed {
  stroke: var(--ink-soft);
  stroke-dasharray: 8 6;
}
.place circle {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.place.unread circle {
  stroke-dasharray: 3 3;
}
.place.good circle {
  fill: var(--sound);
}
.place.some circle {
  fill: var(--line);
  stroke-width: 3;
}
.place.bad circle {
  fill: var(--alarm-soft);
  stroke: var(--alarm);
  stroke-width: 2.5;
}
.cross {
  stroke: var(--alarm);
  stroke-width: 1.5;
  opacity: 0.6;
}
.place.picked circle {
  stroke: var(--mark);
  stroke-width: 4;
}
.place text {
  font: 600 11px var(--mono);
  text-anchor: middle;
  fill: var(--ink);
}
</style>
