<script setup lang="ts">
import { computed } from 'vue';
import type { Panel } from '@aspecta/core/body';
import { linePath, ringPath } from './pathData.ts';

/* One panel as sheet metal: outline with its openings, flanges, creases, holes and mounts. In mm. */
const props = defineProps<{ panel: Panel; plain?: boolean }>();
const openings = computed(() => props.panel.holes.filter((hole) => hole.kind === 'opening'));
const holes = computed(() => props.panel.holes.filter((hole) => hole.kind !== 'opening'));
const body = computed(
  () => ringPath(props.panel.outline) + openings.value.map((hole) => ringPath(hole.outline)).join(''),
);
</script>

<template>
  <g class="panel">
    <path :d="body" class="metal" fill-rule="evenodd" />
    <path v-for="flange in panel.flanges" :key="flange.id" :d="ringPath(flange.outline)" class="flange" />
    <path v-if="!plain" :d="panel.creases.map((crease) => linePath(crease.line)).join('')" class="crease" />
    <slot />
    <path :d="body" class="edge" fill-rule="evenodd" />
    <template v-if="!plain">
      <path v-for="hole in holes" :key="hole.id" :d="ringPath(hole.outline)" class="hole" :class="hole.kind"
        ><title>{{ hole.name }}</title></path
      >
      <path
        v-for="mount in panel.mounts"
        :key="mount.id"
        class="mount"
        :d="`M${mount.at[0] - 12} ${mount.at[1]}h24M${mount.at[0]} ${mount.at[1] - 12}v24M${mount.at[0] - 9} ${mount.at[1]}a9 9 0 1 0 18 0a9 9 0 1 0 -18 0`"
        ><title>{{ mount.name }}</title></path
      >
    </template>
  </g>
</template>

<style scoped>
path {
  vector-effect: non-scaling-stroke;
}
.metal {
  fill: var(--metal);
}
.edge {
  fill: none;
  stroke: var(--metal-line);
  stroke-width: 1.6;
  pointer-events: none;
}
.flange {
  fill: none;
  stroke: var(--crease);
  stroke-width: 0.8;
  stroke-dasharray: 5 3;
}
.crease {
  fill: none;
  stroke: var(--crease);
  stroke-width: 1.1;
}
.hole {
  fill: var(--sheet);
  stroke: var(--metal-line);
  stroke-width: 1;
}
.drain {
  stroke: var(--mark);
}
.mount {
  fill: none;
  stroke: var(--alarm);
  stroke-width: 1.3;
}
</style>
