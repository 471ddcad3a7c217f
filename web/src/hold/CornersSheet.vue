<script setup lang="ts">
import { computed } from 'vue';
import type { Square } from '@aspecta/core/hold';
import { boxOf, type Point } from '@aspecta/core/geometry';
import SheetView from '../sheet/SheetView.vue';
import { MAGNIFIED } from './holdScene.ts';

/* An opening by its four corners, drawn to scale; where a corner has to go, enlarged. */
const props = defineProps<{ name: string; found: Square | null }>();
/** As long as tapes lack: any opening, to tell which corner is which. */
const UNKNOWN: readonly Point[] = [
  [0, 0],
  [1200, 0],
  [1150, 900],
  [50, 900],
];
// A and B stand at the top, as the front of a car does on this sheet.
const corners = computed(() => (props.found?.at ?? UNKNOWN).map(([u, v]): Point => [u, -v]));
const box = computed(() => {
  const { minU, minV, maxU, maxV } = boxOf(corners.value);
  const pad = 0.14 * Math.max(maxU - minU, maxV - minV);
  return { minU: minU - pad, minV: minV - pad, maxU: maxU + pad, maxV: maxV + pad };
});
const moves = computed(() =>
  props.found?.closes
    ? ([2, 3] as const).map((i) => {
        const [along, away] = props.found!.moves[i === 2 ? 'c' : 'd'];
        const from = corners.value[i]!;
        return { from, to: [from[0] + along * MAGNIFIED, from[1] - away * MAGNIFIED] as Point };
      })
    : [],
);
const path = (place: (p: Point) => readonly number[], points: readonly Point[], closed = false) =>
  `M${points.map((p) => place(p).join(' ')).join('L')}${closed ? 'Z' : ''}`;
</script>

<template>
  <SheetView :box="box" tapes :label="`${name || 'An opening'} with its corners A to D and both diagonals.`">
    <template #over="{ place }">
      <path class="side" :class="{ guessed: !found }" :d="path(place, corners, true)" />
      <path class="across" :d="path(place, [corners[0]!, corners[2]!])" />
      <path class="across" :d="path(place, [corners[1]!, corners[3]!])" />
      <path v-for="(move, i) in moves" :key="i" class="move" :d="path(place, [move.from, move.to])" />
      <circle
        v-for="(move, i) in moves"
        :key="`to${i}`"
        class="to"
        r="4"
        :cx="place(move.to)[0]"
        :cy="place(move.to)[1]"
      />
      <g v-for="(corner, i) in corners" :key="`c${i}`" :transform="`translate(${place(corner).join(' ')})`">
        <circle r="11" class="corner" />
        <text y="4">{{ 'ABCD'[i] }}</text>
      </g>
    </template>
  </SheetView>
</template>

<style scoped>
path {
  fill: none;
}
.side {
  stroke: var(--ink);
  stroke-width: 3;
}
.side.guessed {
  stroke: var(--line-strong);
  stroke-dasharray: 8 6;
}
.across {
  stroke: var(--line-strong);
  stroke-width: 1.5;
}
.move {
  stroke: var(--alarm);
  stroke-width: 3;
}
.to {
  fill: var(--alarm);
}
.corner {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 2;
}
text {
  font: 600 12px var(--mono);
  fill: var(--ink);
  text-anchor: middle;
}
</style>
