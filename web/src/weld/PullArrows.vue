<script setup lang="ts">
import { computed } from 'vue';
import type { Point } from '@aspecta/core/geometry';
import type { SeamPull } from '@aspecta/core/weld';
import { useUnits } from '../shell/units.ts';

/* How the seams draw the sheet together: two arrows towards each run, the longer the more, with the figure beside them. */
const props = defineProps<{ pulls: readonly SeamPull[]; place: (p: Point) => [number, number] }>();
const units = useUnits();
/** px */
const [SHORTEST, LONGEST, CLEAR] = [14, 44, 7];
const most = computed(() => Math.max(...props.pulls.map(({ across }) => across)));
const arrows = computed(() =>
  props.pulls.map(({ at, along, across }) => {
    const [x, y] = props.place(at);
    const [ax, ay] = props.place([at[0] + along[0], at[1] + along[1]]);
    const size = Math.hypot(ax - x, ay - y) || 1;
    const [nx, ny] = [-(ay - y) / size, (ax - x) / size];
    const reach = SHORTEST + (LONGEST - SHORTEST) * (across / most.value);
    const one = (way: 1 | -1) => {
      const to = [x + nx * CLEAR * way, y + ny * CLEAR * way] as const;
      const from = [x + nx * (CLEAR + reach) * way, y + ny * (CLEAR + reach) * way] as const;
      const head = (side: 1 | -1) =>
        `L${to[0] + nx * 9 * way + ny * 5 * side} ${to[1] + ny * 9 * way - nx * 5 * side}M${to[0]} ${to[1]}`;
      return `M${from[0]} ${from[1]}L${to[0]} ${to[1]}${head(1)}${head(-1)}`;
    };
    // The figure stands at the tail of the outer arrow.
    const off = CLEAR + reach + 10 + 26 * Math.abs(nx);
    return { path: one(1) + one(-1), at: [x + nx * off, y + ny * off] as const, text: units.sheet(across) };
  }),
);
</script>

<template>
  <g v-for="(arrow, i) in arrows" :key="i" class="pull">
    <path :d="arrow.path" />
    <text :x="arrow.at[0]" :y="arrow.at[1]">{{ arrow.text }}</text>
  </g>
</template>

<style scoped>
.pull path {
  fill: none;
  stroke: var(--alarm);
  stroke-width: 2.6;
  stroke-linecap: round;
}
.pull text {
  font: 600 12px var(--mono);
  fill: var(--alarm);
  stroke: var(--sheet);
  stroke-width: 4;
  paint-order: stroke;
  text-anchor: middle;
  dominant-baseline: central;
}
</style>
