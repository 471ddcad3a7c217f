<script setup lang="ts">
import { computed } from 'vue';
import type { FaceView } from '@aspecta/contract/close';
import { boxOf, type Point } from '@aspecta/core/geometry';
import { linePath } from '../sheet/pathData.ts';

/* A hollow in section: a wall is drawn whole where a coat is recorded on it, and broken where it is bare. */
const props = defineProps<{
  walls: readonly { id: string; state: FaceView['state']; line: Point[] }[];
  title: string;
}>();
const PAD = 14;
const box = computed(() => boxOf(props.walls.flatMap(({ line }) => line)));
const frame = computed(() => {
  const { minU, minV, maxU, maxV } = box.value;
  return `${minU - PAD} ${-maxV - PAD} ${maxU - minU + 2 * PAD} ${maxV - minV + 2 * PAD}`;
});
</script>

<template>
  <svg :viewBox="frame" role="img" :aria-label="`${title} in section`">
    <g transform="scale(1 -1)">
      <path v-for="(wall, i) in walls" :key="i" :d="linePath(wall.line)" :class="wall.state" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 90px;
  height: 120px;
  flex: none;
}
path {
  fill: none;
  stroke-width: 4;
  vector-effect: non-scaling-stroke;
  stroke: var(--alarm);
  stroke-dasharray: 7 5;
}
.coated,
.shut {
  stroke: var(--good);
  stroke-dasharray: none;
}
</style>
