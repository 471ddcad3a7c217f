<script setup lang="ts">
import { computed } from 'vue';
import type { WeldPlanView } from '@aspecta/contract/weld';
import type { Panel } from '@aspecta/core/body';
import { boxOf, type Box, type Point } from '@aspecta/core/geometry';
import PanelSheet from '../sheet/PanelSheet.vue';
import SheetView from '../sheet/SheetView.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import { weldScene, type StepLook } from './weldScene.ts';

/* The joint with its tacks and stitches, numbered. */
const props = defineProps<{
  panel: Panel;
  view: WeldPlanView;
  lookOf: (n: number) => StepLook;
  focus?: Point | null;
  label: string;
  tapes?: boolean;
  /** Without the numbers of the welds. */
  bare?: boolean;
}>();
const emit = defineEmits<{ tap: [place: Point] }>();
const scene = computed(() => weldScene(props.view.plan.steps, (step) => props.lookOf(step.n)));
const joints = computed(() =>
  props.view.joints.map((joint) => (joint.closed ? ringPath(joint.points) : linePath(joint.points))).join(''),
);
/** Of the height of what is drawn, that the bar with the steps takes below it. */
const PLAYER_SHARE = 0.16;
const box = computed<Box>(() => {
  const near = boxOf(props.view.joints.flatMap((joint) => joint.points));
  if (!props.focus) {
    // Below it the steps are played through.
    const below = props.tapes ? PLAYER_SHARE * (near.maxV - near.minV) : 0;
    return { minU: near.minU - 40, minV: near.minV - 40 - below, maxU: near.maxU + 40, maxV: near.maxV + 40 };
  }
  const reach = 70;
  return {
    minU: props.focus[0] - reach,
    minV: props.focus[1] - reach,
    maxU: props.focus[0] + reach,
    maxV: props.focus[1] + reach,
  };
});
/** Numbers are shown where they do not lie on each other. */
const shown = (scale: number) => {
  const taken: (readonly [number, number])[] = [];
  const order = [...scene.value.numbers].sort((a, b) => rank(a.look) - rank(b.look) || a.n - b.n);
  return order.filter(({ at, look }) => {
    if (look !== 'now' && taken.some((other) => Math.hypot(other[0] - at[0], other[1] - at[1]) * scale < 21))
      return false;
    taken.push(at);
    return true;
  });
};
const rank = (look: StepLook) => (look === 'now' ? 0 : look === 'todo' ? 1 : 2);
/** px. The number of the next weld stands beside it, so that the arrow can be seen. */
const aside = (at: Point, scale: number): Point => [at[0] + 26 / scale, at[1] + 20 / scale];
/** The way the torch goes, drawn on the stitch that is next. */
function arrow([x0, y0]: [number, number], [x1, y1]: [number, number]): string {
  const length = Math.hypot(x1 - x0, y1 - y0);
  if (length < 30) return '';
  const [dx, dy] = [(x1 - x0) / length, (y1 - y0) / length];
  const head = (turn: 1 | -1) => `L${x1 - dx * 9 - dy * 6 * turn} ${y1 - dy * 9 + dx * 6 * turn}`;
  return `M${x0 + dx * 4} ${y0 + dy * 4}L${x1} ${y1}${head(1)}M${x1} ${y1}${head(-1)}`;
}
const placed = (place: (p: Point) => [number, number], at: Point) => place(at).join(' ');
</script>

<template>
  <SheetView :box="box" :tapes="tapes" :label="label" @tap="emit('tap', $event)">
    <PanelSheet :panel="panel" plain />
    <path :d="joints" class="joint" />
    <path :d="scene.paths.todo" class="bead is-todo" />
    <path :d="scene.paths.done" class="bead is-done" />
    <path :d="scene.paths.now" class="bead is-now" />
    <template #over="{ place, scale }">
      <path v-if="scene.now" class="arrow" :d="arrow(place(scene.now.from), place(scene.now.to))" />
      <g
        v-for="entry in bare ? [] : shown(scale)"
        :key="entry.n"
        class="number"
        :class="[entry.look, `of-${entry.kind}`]"
        :transform="`translate(${placed(place, entry.look === 'now' ? aside(entry.at, scale) : entry.at)})`"
        ><circle :r="entry.look === 'now' ? 15 : 10" /><text>{{ entry.n }}</text></g
      >
      <slot name="over" :place="place" />
    </template>
    <template #picture="drawn"><slot name="picture" v-bind="drawn" /></template>
  </SheetView>
</template>

<style scoped>
path {
  vector-effect: non-scaling-stroke;
  fill: none;
}
.joint {
  stroke: var(--metal-line);
  stroke-width: 1.2;
  stroke-dasharray: 2 3;
}
.bead {
  stroke-linecap: round;
  stroke-width: 7;
}
.is-todo {
  stroke: var(--line-strong);
  stroke-opacity: 0.55;
}
.is-done {
  stroke: var(--done);
}
.is-now {
  stroke: var(--mark);
  stroke-width: 11;
}
.arrow {
  stroke: var(--mark-ink);
  stroke-width: 2.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.number circle {
  fill: var(--card);
  stroke: var(--line-strong);
  stroke-width: 1.4;
}
.number text {
  font: 500 10px var(--mono);
  text-anchor: middle;
  dominant-baseline: central;
  fill: var(--ink);
}
.number.of-tack circle {
  stroke: var(--ink);
  stroke-width: 2;
}
.number.done circle {
  fill: var(--done);
}
.number.done text {
  fill: #14161a;
}
:root[data-look='night'] .number.done text {
  fill: var(--ink);
}
.number.now circle {
  fill: var(--mark);
  stroke: var(--mark);
}
.number.now text {
  fill: var(--mark-ink);
  font-size: 13px;
  font-weight: 600;
}
</style>
