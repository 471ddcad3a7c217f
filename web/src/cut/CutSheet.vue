<script setup lang="ts">
import { computed } from 'vue';
import type { CutPlanView } from '@aspecta/contract/cut';
import type { ZoneView } from '@aspecta/contract/survey';
import type { Panel, PanelArea } from '@aspecta/core/body';
import { footOn } from '@aspecta/core/cut';
import { boxOf, offset, type Point } from '@aspecta/core/geometry';
import CornerHandles from '../sheet/CornerHandles.vue';
import AreasOnSheet from '../sheet/AreasOnSheet.vue';
import PanelSheet from '../sheet/PanelSheet.vue';
import SheetView from '../sheet/SheetView.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import type { OwnLine } from './useOwnLine.ts';

/* The cut on its panel: damage, thin metal, rough and final line, and the tapes to the corner that is picked. */
const props = defineProps<{
  plan: CutPlanView;
  panel: Panel;
  zones: readonly ZoneView[];
  /** What lies over and beside the sheet. */
  areas: readonly PanelArea[];
  /** The line in the person's hand; null where it is only looked at. */
  hand?: OwnLine | null;
}>();
const picked = defineModel<number>('picked', { required: true });
/** The stretch of the sheet around the cut, so that the line fills the window; the whole panel where it is small. */
const box = computed(() => {
  // While the line is in the hand the window stays: nothing moves but what is dragged.
  const line = props.hand ? props.hand.first.value! : props.plan.line;
  const around = offset([[line.outline]], props.hand ? 220 : 160).polygons.flat(2) as unknown as Point[];
  const whole = boxOf([...props.panel.outline, ...(props.hand ? line.laid : [])]);
  const near = boxOf(around);
  return {
    minU: Math.max(whole.minU, near.minU),
    minV: Math.max(whole.minV, near.minV),
    maxU: Math.min(whole.maxU, near.maxU),
    maxV: Math.min(whole.maxV, near.maxV),
  };
});
/** The run after the picked corner, which the tools speak of. */
const pickedRun = computed(() => {
  const ring = props.hand?.corners.value ?? [];
  const at = props.hand?.picked.value ?? 0;
  return ring.length === 0 ? [] : [ring[at % ring.length]!, ring[(at + 1) % ring.length]!];
});
/** The corner that is picked, with the two tapes to it. */
const corner = computed(() => props.hand?.taped.value ?? props.plan.corners[picked.value] ?? null);
/** The ways of its tapes: straight from the foot, or along a lip. */
const tapes = computed(
  () =>
    corner.value?.datums.map((datum) => datum.lip ?? [footOn(datum, corner.value!.corner), corner.value!.corner]) ?? [],
);
/** Where a tape that runs along a lip is hooked, and what a straight edge is laid along. */
const laidAlong = computed(
  () => corner.value?.datums.filter((datum) => !datum.lip && !datum.under && !datum.hole) ?? [],
);
const mid = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
const inWindow = (place: (p: Point) => [number, number], a: Point, b: Point): [number, number] => {
  const [x, y] = place(mid(a, b));
  const [bx, by] = place(b);
  // Where the foot lies far off, the figure stands near the corner.
  return Math.hypot(x - bx, y - by) > 170
    ? [bx + ((x - bx) / Math.hypot(x - bx, y - by)) * 120, by + ((y - by) / Math.hypot(x - bx, y - by)) * 120]
    : [x, y];
};
</script>

<template>
  <SheetView :box="box" tapes :label="`The cut line on ${panel.name}`">
    <PanelSheet :panel="panel"><AreasOnSheet :panel="panel" :areas="areas" /></PanelSheet>
    <path v-for="(ring, i) in plan.thin" :key="i" :d="ringPath(ring)" class="too-thin" />
    <path v-for="zone in zones" :key="zone.id" :d="ringPath(zone.ring)" class="damage" />
    <path v-if="plan.own && plan.found" :d="ringPath(plan.found.outline)" class="found" />
    <path :d="ringPath(plan.line.rough)" class="rough" />
    <path :d="ringPath(plan.line.outline)" class="final" :class="{ refused: hand?.tried.value?.refused }" />
    <template v-if="hand">
      <path :d="ringPath(hand.corners.value!)" class="laid" />
      <path :d="linePath(pickedRun)" class="laid picked" />
    </template>
    <template #over="{ place, sheetAt }">
      <g v-for="(datum, d) in laidAlong" :key="d" class="datum"
        ><line :x1="place(datum.a)[0]" :y1="place(datum.a)[1]" :x2="place(datum.b)[0]" :y2="place(datum.b)[1]" /><circle
          v-for="(end, k) in [datum.a, datum.b]"
          :key="k"
          r="4"
          :cx="place(end)[0]"
          :cy="place(end)[1]"
      /></g>
      <template v-for="(tape, i) in tapes" :key="i">
        <polyline class="tape" :points="tape.map((p) => place(p).join()).join(' ')" />
        <g
          v-if="corner!.offsets[i]!.mm > 1"
          :transform="`translate(${inWindow(place, tape[0]!, tape.at(-1)!).join(' ')})`"
          class="figure-tag"
          ><rect x="-44" y="-13" width="88" height="26" rx="4" /><text>{{ corner!.offsets[i]!.text }}</text></g
        >
      </template>
      <CornerHandles
        v-if="hand"
        :ring="hand.corners.value!"
        :place="place"
        :sheet-at="sheetAt"
        :picked="hand.picked.value"
        closed
        numbered
        :held="hand.pins.value.map(Boolean)"
        @pick="hand.pick"
        @begin="hand.hold()"
        @move="hand.move"
        @finish="hand.done()"
        @add="hand.add"
      />
      <g
        v-for="(entry, i) in hand ? [] : plan.corners"
        :key="i"
        class="corner"
        :class="{ on: picked === i }"
        :transform="`translate(${place(entry.corner).join(' ')})`"
        role="button"
        tabindex="0"
        :aria-label="`Corner ${i + 1}`"
        data-own-pointer
        @click="picked = i"
        @keydown.enter="picked = i"
        ><circle r="20" class="target" /><circle r="12" /><text>{{ i + 1 }}</text></g
      >
    </template>
  </SheetView>
</template>

<style scoped>
path {
  vector-effect: non-scaling-stroke;
}
.damage {
  fill: var(--failing);
  fill-opacity: 0.55;
  stroke: var(--through);
  stroke-width: 1;
}
.too-thin {
  fill: url(#hatch-thin);
  fill-opacity: 0.8;
  stroke: var(--through);
  stroke-width: 1;
  stroke-dasharray: 2 4;
}
.rough {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.6;
  stroke-dasharray: 7 5;
}
.final {
  fill: var(--mark);
  fill-opacity: 0.08;
  stroke: var(--mark);
  stroke-width: 3;
}
.found {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.6;
  stroke-dasharray: 2 4;
}
.laid {
  fill: none;
  stroke: var(--mark);
  stroke-width: 1;
  stroke-dasharray: 3 3;
}
.laid.picked {
  stroke-width: 5;
  stroke-opacity: 0.45;
  stroke-dasharray: none;
}
.final.refused {
  stroke-opacity: 0.3;
}
.tape {
  fill: none;
  stroke: #b58a00;
  stroke-width: 3;
}
.datum line {
  stroke: #e8c552;
  stroke-width: 5;
  stroke-linecap: round;
}
.datum circle {
  fill: #e8c552;
  stroke: #33301f;
}
.figure-tag rect {
  fill: #f4d774;
  stroke: #33301f;
}
.figure-tag text {
  font: 500 13px var(--mono);
  fill: #33301f;
  text-anchor: middle;
  dominant-baseline: central;
}
.corner {
  cursor: pointer;
  outline: none;
}
.corner circle {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 2.4;
}
.corner .target {
  fill: transparent;
  stroke: none;
}
.corner text {
  font: 600 12px var(--mono);
  text-anchor: middle;
  dominant-baseline: central;
  fill: var(--ink);
}
.corner.on circle:not(.target) {
  fill: var(--mark);
}
.corner.on text {
  fill: var(--mark-ink);
}
.corner:focus-visible circle:not(.target) {
  stroke-width: 4.5;
}
</style>
