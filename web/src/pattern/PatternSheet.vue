<script setup lang="ts">
import { computed } from 'vue';
import type { PatternView } from '@aspecta/contract/pattern';
import { along, boxOf, lineLength, pointAt, toLine, type Point } from '@aspecta/core/geometry';
import { linePath, ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';

/* The blank as it lies on the sheet: what is cut, where it is bent and slit, its edges numbered as the list beside it. */
const props = defineProps<{ view: PatternView; picked: number | null; label: string }>();
const emit = defineEmits<{ pick: [joint: number] }>();
const PAD = 70;
const box = computed(() => {
  const { minU, minV, maxU, maxV } = boxOf(props.view.blank.blank[0]!);
  return { minU: minU - PAD, minV: minV - PAD, maxU: maxU + PAD, maxV: maxV + PAD };
});
const numbers = computed(() =>
  props.view.joints.map(({ line }, i) => ({ i, at: pointAt(line, lineLength(line) / 2) })),
);
function tap(place: Point): void {
  const near = props.view.joints
    .map(({ line }, i) => ({ i, far: toLine(place, line) }))
    .sort((a, b) => a.far - b.far)[0];
  if (near) emit('pick', near.i);
}
</script>

<template>
  <SheetView :box="box" tapes :label="label" @tap="tap">
    <path :d="view.blank.blank.map(ringPath).join('')" class="blank" fill-rule="evenodd" />
    <path :d="ringPath(view.piece)" class="piece" />
    <path v-for="(bend, i) in view.blank.bends" :key="`b${i}`" :d="linePath(bend.line)" class="bend" />
    <path v-for="(slit, i) in view.blank.slits" :key="`s${i}`" :d="linePath(slit)" class="slit" />
    <path v-if="picked !== null && view.joints[picked]" :d="linePath(view.joints[picked]!.line)" class="picked" />
    <path v-for="(step, i) in view.blank.steps" :key="`d${i}`" :d="linePath(step.line)" class="step" />
    <path :d="linePath(view.blank.grain)" class="grain" />
    <template #over="{ place }">
      <g v-for="one in numbers" :key="one.i" class="number" :transform="`translate(${place(one.at).join(' ')})`">
        <circle r="11" :class="{ on: picked === one.i }" />
        <text y="4">{{ one.i + 1 }}</text>
      </g>
      <g
        v-for="(fitting, i) in view.blank.fittings"
        :key="`f${i}`"
        class="arrow fitting"
        :transform="`translate(${place(fitting.at).join(' ')})`"
        ><path d="M-9 0h18M0 -9v18" /><text y="-12">{{ fitting.name }}</text></g
      >
      <g
        :transform="`translate(${place(along(view.blank.grain[0], view.blank.grain[1], 0.5)).join(' ')})`"
        class="arrow"
      >
        <text y="18">grain, face up</text>
      </g>
    </template>
  </SheetView>
</template>

<style scoped>
path {
  vector-effect: non-scaling-stroke;
  fill: none;
}
.blank {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 2.4;
}
.piece {
  stroke: var(--ink-soft);
  stroke-width: 1;
  stroke-dasharray: 3 4;
}
.bend {
  stroke: var(--mark);
  stroke-width: 2;
  stroke-dasharray: 10 5 2 5;
}
.slit {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.step {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 2 3;
}
.fitting path {
  stroke: var(--ink);
  stroke-width: 1.4;
}
.picked {
  stroke: var(--mark);
  stroke-width: 5;
  stroke-opacity: 0.6;
}
.grain {
  stroke: var(--ink-soft);
  stroke-width: 1.5;
}
.number circle {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.number circle.on {
  stroke: var(--mark);
  stroke-width: 4;
}
.number text {
  font: 600 11px var(--mono);
  text-anchor: middle;
  fill: var(--ink);
}
.arrow text {
  text-anchor: middle;
  font: 11px var(--mono);
  fill: var(--ink-soft);
}
</style>
