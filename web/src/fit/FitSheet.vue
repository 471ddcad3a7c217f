<script setup lang="ts">
import { computed } from 'vue';
import type { FitRoundView, FitView } from '@aspecta/contract/fit';
import type { Panel } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';
import PanelSheet from '../sheet/PanelSheet.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';

/* The piece with the places where its gaps are read: what is trimmed there, and which way the piece is moved. */
const props = defineProps<{ view: FitView; panel: Panel; round: FitRoundView | null; picked: string | null }>();
const emit = defineEmits<{ pick: [place: string] }>();
const PAD = 90;
const box = computed(() => {
  const { minU, minV, maxU, maxV } = boxOf(props.view.piece);
  return { minU: minU - PAD, minV: minV - PAD, maxU: maxU + PAD, maxV: maxV + PAD };
});
const middle = computed((): Point => {
  const { minU, minV, maxU, maxV } = boxOf(props.view.piece);
  return [(minU + maxU) / 2, (minV + maxV) / 2];
});
const trimAt = (place: string): number =>
  props.round?.result.joints.flatMap(({ trim }) => trim).find((one) => one.place === place)?.mm ?? 0;
const gapAt = (place: string) => props.round?.readings.find((one) => one.place === place)?.gap;
/** px a millimetre of the move is drawn. */
const LONG = 14;
function arrow(place: (p: Point) => readonly [number, number]): string {
  const move = props.round?.result.move;
  if (!move) return '';
  const [x, y] = place(middle.value);
  const [dx, dy] = [move.u * LONG, -move.v * LONG];
  const far = Math.hypot(dx, dy);
  if (far < 4) return '';
  const [nx, ny] = [dx / far, dy / far];
  const head = (turn: 1 | -1) => `L${x + dx - nx * 10 - ny * 7 * turn} ${y + dy - ny * 10 + nx * 7 * turn}`;
  return `M${x} ${y}L${x + dx} ${y + dy}${head(1)}M${x + dx} ${y + dy}${head(-1)}`;
}
function tap(place: Point): void {
  const near = props.view.places
    .map((one) => ({ one, far: Math.hypot(one.at[0] - place[0], one.at[1] - place[1]) }))
    .sort((a, b) => a.far - b.far)[0];
  if (near) emit('pick', near.one.id);
}
</script>

<template>
  <SheetView :box="box" tapes :label="`${panel.name}: ${view.places.length} places where gaps are read.`" @tap="tap">
    <PanelSheet :panel="panel" plain />
    <path :d="ringPath(view.piece)" class="piece" />
    <path
      v-for="(joint, i) in view.joints"
      :key="i"
      :d="linePath(joint.line)"
      class="joint"
      :class="{ open: joint.open }"
    />
    <template #over="{ place }">
      <path v-if="round" class="move" :d="arrow(place)" />
      <g
        v-for="(one, i) in view.places"
        :key="one.id"
        class="place"
        :class="{ picked: picked === one.id, read: gapAt(one.id) !== undefined, trim: trimAt(one.id) > 0 }"
        :transform="`translate(${place(one.at).join(' ')})`"
      >
        <circle r="10" />
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
  stroke: var(--ink-soft);
  stroke-width: 4;
  stroke-dasharray: 8 6;
  vector-effect: non-scaling-stroke;
}
.joint.open {
  stroke: var(--ink);
  stroke-dasharray: none;
}
.move {
  fill: none;
  stroke: var(--mark);
  stroke-width: 4;
}
.place circle {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.place.read circle {
  fill: var(--sound);
}
.place.trim circle {
  fill: var(--alarm-soft);
  stroke: var(--alarm);
  stroke-width: 2.5;
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
