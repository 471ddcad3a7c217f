<script setup lang="ts">
import { computed, useId } from 'vue';
import type { BodyPlan } from '@aspecta/core/body';
import HatchPatterns from '../sheet/HatchPatterns.vue';
import { boardScene, STATES, type PanelLook } from '../board/boardScene.ts';

/* The left side of the body, small, with what is known of it. */
const props = defineProps<{ plan: BodyPlan; states: Readonly<Record<string, PanelLook>> }>();
const view = computed(() => props.plan.views[0]!);
const shapes = computed(() => boardScene(props.plan, []).shapes.filter((shape) => shape.panel.view === view.value.id));
const fill = (panel: string) => STATES[props.states[panel] ?? 'unmeasured'].fill;
const prefix = useId();
const hatch = (panel: string) => {
  const name = STATES[props.states[panel] ?? 'unmeasured'].hatch;
  return name ? `url(#${prefix}-${name})` : null;
};
const viewBox = computed(
  () =>
    `${view.value.at[0] - 40} ${-view.value.at[1] - view.value.height - 40} ${view.value.width + 80} ${view.value.height + 320}`,
);
</script>

<template>
  <svg :viewBox="viewBox" role="img" aria-label="The left side of the body">
    <g :transform="`translate(${view.at[0]} ${-view.at[1]})`" class="wheels">
      <g v-for="u in plan.wheels.at" :key="u" :transform="`translate(${u} ${-plan.wheels.v})`">
        <circle :r="plan.wheels.radius" />
        <circle :r="plan.wheels.radius * 0.66" class="rim" />
        <circle :r="plan.wheels.radius * 0.16" class="rim" />
      </g>
    </g>
    <HatchPatterns :scale="0.16" :prefix="prefix" />
    <g transform="scale(1 -1)">
      <g v-for="shape in shapes" :key="shape.panel.id">
        <path :d="shape.path" :style="{ fill: fill(shape.panel.id) }" fill-rule="evenodd" class="panel" />
        <path v-if="hatch(shape.panel.id)" :d="shape.path" :fill="hatch(shape.panel.id)!" fill-rule="evenodd" />
        <path :d="shape.creases" class="crease" />
      </g>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.panel {
  stroke: var(--metal-line);
  stroke-width: 12;
  stroke-linejoin: round;
}
.crease {
  fill: none;
  stroke: var(--crease);
  stroke-width: 7;
}
.wheels circle {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 10;
  stroke-dasharray: 40 26;
}
.wheels .rim {
  stroke-dasharray: none;
  stroke-width: 7;
  stroke: var(--line);
}
</style>
