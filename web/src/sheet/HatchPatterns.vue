<script setup lang="ts">
import { computed } from 'vue';

/* Hatches of condition, so that it reads without colour. They keep their size on the screen. */
const props = withDefaults(defineProps<{ scale: number; prefix?: string }>(), { prefix: 'hatch' });
const unit = computed(() => 1 / props.scale);
const turn = (angle: number, size: number) => `rotate(${angle}) scale(${unit.value * size})`;
</script>

<template>
  <defs>
    <pattern
      :id="`${prefix}-unmeasured`"
      width="8"
      height="8"
      patternUnits="userSpaceOnUse"
      :patternTransform="turn(0, 1)"
      ><circle cx="2" cy="2" r="0.9" /><circle cx="6" cy="6" r="0.9"
    /></pattern>
    <pattern :id="`${prefix}-worn`" width="9" height="9" patternUnits="userSpaceOnUse" :patternTransform="turn(45, 1)"
      ><path d="M0 0V9"
    /></pattern>
    <pattern :id="`${prefix}-thin`" width="5" height="5" patternUnits="userSpaceOnUse" :patternTransform="turn(45, 1)"
      ><path d="M0 0V5"
    /></pattern>
    <pattern
      :id="`${prefix}-failing`"
      width="6"
      height="6"
      patternUnits="userSpaceOnUse"
      :patternTransform="turn(45, 1)"
      ><path d="M0 0V6M0 0H6"
    /></pattern>
    <pattern :id="`${prefix}-through`" width="9" height="9" patternUnits="userSpaceOnUse" :patternTransform="turn(0, 1)"
      ><path class="light" d="M2 2l4 4M6 2l-4 4"
    /></pattern>
    <pattern :id="`${prefix}-filler`" width="10" height="5" patternUnits="userSpaceOnUse" :patternTransform="turn(0, 1)"
      ><path d="M0 2.5q2.5-2.5 5 0t5 0"
    /></pattern>
    <pattern
      :id="`${prefix}-decided`"
      width="12"
      height="12"
      patternUnits="userSpaceOnUse"
      :patternTransform="turn(-45, 1)"
      ><path class="marked" d="M0 0V12"
    /></pattern>
    <pattern :id="`${prefix}-done`" width="12" height="12" patternUnits="userSpaceOnUse" :patternTransform="turn(90, 1)"
      ><path d="M0 0V12" stroke-opacity="0.4"
    /></pattern>
  </defs>
</template>

<style scoped>
path {
  stroke: var(--metal-line);
  stroke-width: 1;
  fill: none;
  opacity: 0.75;
}
path.light {
  stroke: var(--paper);
  stroke-width: 1.4;
  opacity: 1;
}
path.marked {
  stroke: var(--mark);
  stroke-width: 1.6;
  opacity: 1;
}
circle {
  fill: var(--line-strong);
  opacity: 0.75;
}
</style>
