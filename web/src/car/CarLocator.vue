<script setup lang="ts">
import { computed } from 'vue';
import type { BodyPlan, Panel } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';
import { ringPath } from '../sheet/pathData.ts';

/* Where on the car is this? The side of the body on which the panel lies, small, with the panel and the place marked. */
const props = defineProps<{ plan: BodyPlan; panel: Panel; place?: Point | null }>();
const onBody =
  (panel: Panel) =>
  (p: Point): Point => [p[0] + panel.placement[0], p[1] + panel.placement[1]];
const others = computed(() => props.plan.panels.filter((panel) => panel.view === props.panel.view));
const path = (panel: Panel) => ringPath(panel.outline.map(onBody(panel)));
const frame = computed(() => {
  const box = boxOf(others.value.flatMap((panel) => panel.outline.map(onBody(panel))));
  const around = (box.maxU - box.minU) * 0.03;
  return `${box.minU - around} ${-box.maxV - around} ${box.maxU - box.minU + 2 * around} ${box.maxV - box.minV + 2 * around}`;
});
const view = computed(() => props.plan.views.find((entry) => entry.id === props.panel.view)?.name ?? '');
const at = computed(() => (props.place ? onBody(props.panel)(props.place) : null));
</script>

<template>
  <svg class="locator" :viewBox="frame" role="img" :aria-label="`${panel.name} on the car: ${view}`">
    <g transform="scale(1 -1)">
      <path v-for="other in others" :key="other.id" :d="path(other)" class="other" />
      <path :d="path(panel)" class="this" />
      <circle v-if="at" :cx="at[0]" :cy="at[1]" r="60" class="place" />
    </g>
  </svg>
</template>

<style scoped>
.locator {
  position: absolute;
  left: 32px;
  bottom: 0.5rem;
  width: 132px;
  height: 66px;
  padding: 3px;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 6px;
  pointer-events: none;
}
.other,
.this {
  stroke: var(--line-strong);
  stroke-width: 0.8;
  fill: none;
  vector-effect: non-scaling-stroke;
}
.this {
  fill: var(--mark);
  stroke: var(--mark);
}
.place {
  fill: var(--alarm);
  stroke: var(--card);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
@media (max-width: 640px), (max-height: 600px) {
  .locator {
    width: 92px;
    height: 46px;
  }
}
</style>
