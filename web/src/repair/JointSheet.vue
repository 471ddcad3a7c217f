<script setup lang="ts">
import { computed } from 'vue';
import type { FastenerView, JointsView } from '@aspecta/contract/repair';
import type { Panel } from '@aspecta/core/body';
import { between, boxOf, offset, type Point } from '@aspecta/core/geometry';
import PanelSheet from '../sheet/PanelSheet.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';
import { lookOf } from './jointLooks.ts';

/* The piece with its joints and every fastener in its place: a drill map. */
const props = defineProps<{ view: JointsView; panel: Panel; picked: number | null }>();
const emit = defineEmits<{ fastener: [fastener: FastenerView] }>();
const box = computed(() => {
  const near = boxOf(offset([[props.view.piece]], 80).polygons.flat(2) as unknown as Point[]);
  const whole = boxOf(props.panel.outline);
  return props.view.whole
    ? whole
    : {
        minU: Math.max(whole.minU, near.minU),
        minV: Math.max(whole.minV, near.minV),
        maxU: Math.min(whole.maxU, near.maxU),
        maxV: Math.min(whole.maxV, near.maxV),
      };
});
/** mm. Farther than that from every fastener a tap means none of them. */
const REACH = 40;
function tap(place: Point): void {
  const near = props.view.fasteners
    .map((fastener) => ({ fastener, far: between(fastener.at, place) }))
    .sort((a, b) => a.far - b.far)[0];
  if (near && near.far <= REACH) emit('fastener', near.fastener);
}
/** Every number where there is room for it, else every fifth. */
const numbered = (n: number, scale: number) => scale * 38 > 26 || n % 5 === 0 || n === 1;
</script>

<template>
  <SheetView :box="box" tapes crosshair :label="`The joints of ${panel.name}. Tap a fastener to mark it.`" @tap="tap">
    <PanelSheet :panel="panel" plain />
    <path :d="ringPath(view.piece)" class="piece" />
    <path
      v-for="(joint, i) in view.joints"
      :key="i"
      :d="linePath(joint.line)"
      class="joint"
      :class="{ picked: picked === i }"
      :style="{ stroke: lookOf(joint.kind).stroke, strokeDasharray: lookOf(joint.kind).dash }"
    />
    <template #over="{ place, scale }">
      <g
        v-for="fastener in view.fasteners"
        :key="fastener.id"
        class="fastener"
        :class="[fastener.state, { hidden: fastener.hidden, faint: picked !== null && picked !== fastener.joint }]"
        :transform="`translate(${place(fastener.at).join(' ')})`"
      >
        <circle r="5.5" />
        <path v-if="fastener.state === 'opened'" d="M-4 0l3 3.5l5 -7" />
        <path v-else-if="fastener.state === 'loose'" d="M-4 -4l8 8M4 -4l-8 8" />
        <text v-if="numbered(fastener.n, scale)" y="-9">{{ fastener.n }}</text>
      </g>
    </template>
  </SheetView>
</template>

<style scoped>
.piece {
  fill: var(--mark);
  fill-opacity: 0.08;
  stroke: none;
}
.joint {
  fill: none;
  stroke-width: 4;
  vector-effect: non-scaling-stroke;
}
.joint.picked {
  stroke-width: 8;
}
.fastener circle {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.fastener.hidden circle {
  stroke-dasharray: 2.5 2;
}
.fastener.opened circle {
  fill: var(--done);
}
.fastener.loose circle {
  fill: var(--worn);
}
.fastener path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.fastener text {
  font: 600 11px var(--mono);
  text-anchor: middle;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: 3px;
}
.faint {
  opacity: 0.3;
}
</style>
