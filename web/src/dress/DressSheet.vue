<script setup lang="ts">
import { computed } from 'vue';
import type { DressRoundView, DressView } from '@aspecta/contract/dress';
import type { Panel } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';
import PanelSheet from '../sheet/PanelSheet.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';

/* The piece with the places where a straight edge is laid across its welds: filled circles are low, rings with a cross are proud. */
const props = defineProps<{ view: DressView; panel: Panel; round: DressRoundView | null; picked: string | null }>();
const emit = defineEmits<{ pick: [place: string] }>();
const PAD = 90;
const box = computed(() => {
  const { minU, minV, maxU, maxV } = boxOf(props.view.piece);
  return { minU: minU - PAD, minV: minV - PAD, maxU: maxU + PAD, maxV: maxV + PAD };
});
const actAt = (place: string) => props.round?.result.places.find((one) => one.place === place)?.act ?? 'unread';
function tap(place: Point): void {
  const near = props.view.places
    .map((one) => ({ one, far: Math.hypot(one.at[0] - place[0], one.at[1] - place[1]) }))
    .sort((a, b) => a.far - b.far)[0];
  if (near) emit('pick', near.one.id);
}
</script>

<template>
  <SheetView :box="box" tapes :label="`${panel.name}: ${view.places.length} places across its welds.`" @tap="tap">
    <PanelSheet :panel="panel" plain />
    <path :d="ringPath(view.piece)" class="piece" />
    <path v-for="(joint, i) in view.joints" :key="i" :d="linePath(joint.line)" class="joint" />
    <template #over="{ place }">
      <g
        v-for="(one, i) in view.places"
        :key="one.id"
        class="place"
        :class="[actAt(one.id), { picked: picked === one.id }]"
        :transform="`translate(${place(one.at).join(' ')})`"
      >
        <circle r="11" />
        <path v-if="actAt(one.id) === 'shrink'" d="M-8 -8L8 8M-8 8L8 -8" class="cross" />
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
.place circle {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.place.unread circle {
  stroke-dasharray: 3 3;
}
.place.level circle {
  fill: var(--sound);
}
.place.fill circle {
  fill: var(--line);
  stroke-width: 3;
}
.place.stretch circle,
.place.build circle,
.place.again circle {
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
