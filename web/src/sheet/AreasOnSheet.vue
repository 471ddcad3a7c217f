<script setup lang="ts">
import { computed, useId } from 'vue';
import { sheetOf, type Panel, type PanelArea } from '@aspecta/core/body';
import { ringPath } from './pathData.ts';

/* What lies over and beside the sheet: trim hatched, what heat spoils barred, a face that turns both ways dotted. */
const props = defineProps<{ panel: Panel; areas: readonly PanelArea[] }>();
/** Only on metal: nothing is drawn over an opening. */
const metal = useId();
const sheet = computed(() => sheetOf(props.panel).map(ringPath).join(''));
</script>

<template>
  <clipPath :id="metal"><path :d="sheet" clip-rule="evenodd" /></clipPath>
  <g :clip-path="`url(#${metal})`">
    <path v-for="(area, i) in areas" :key="i" :d="ringPath(area.outline)" class="area" :class="area.kind"
      ><title>{{ area.name }}</title></path
    >
  </g>
</template>

<style scoped>
.area {
  vector-effect: non-scaling-stroke;
  fill: var(--ink);
  fill-opacity: 0.05;
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.trim {
  fill-opacity: 0.16;
  stroke-dasharray: 10 4;
}
.heat {
  fill: var(--alarm);
  fill-opacity: 0.14;
  stroke: var(--alarm);
  stroke-dasharray: 3 3;
}
.double {
  stroke-dasharray: 1 5;
  stroke-linecap: round;
  stroke-width: 2;
}
</style>
