<script setup lang="ts">
import { computed } from 'vue';
import type { FigureNow, FigureView, HoldView } from '@aspecta/contract/hold';
import type { BodyPlan } from '@aspecta/core/body';
import { boxOf, plus, minus, type Point } from '@aspecta/core/geometry';
import { inPlane } from '@aspecta/core/hold';
import { ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';
import { drawnFigure } from './holdScene.ts';

/* A figure of the body with its tapes: what is taken, what comes next, what does not fit, and what has moved. */
const props = defineProps<{
  view: HoldView;
  plan: BodyPlan;
  figure: FigureView;
  now: FigureNow | null;
  /** Braces that stand in it, or are proposed for it. */
  braces: readonly { ends: [string, string]; fitted: boolean }[];
  adding: boolean;
}>();
const emit = defineEmits<{ tap: [place: Point] }>();
const drawn = computed(() => drawnFigure(props.view, props.figure, props.now));
const box = computed(() => {
  const { minU, minV, maxU, maxV } = boxOf(drawn.value.points.map(({ at }) => at));
  const pad = Math.max(120, 0.12 * Math.max(maxU - minU, maxV - minV));
  return { minU: minU - pad, minV: minV - pad, maxU: maxU + pad, maxV: maxV + pad };
});
/** The side of the car behind a figure that is seen from the side: both sides are drawn as the left one. */
const backdrop = computed(() => {
  const own = props.figure.points.map((id) => props.view.points.find((point) => point.id === id)!);
  const side = props.plan.views.find(({ id }) => id === 'left');
  if (!side || inPlane(own).axes.join() !== '0,2') return [];
  return props.plan.panels
    .filter(({ view }) => view === 'left')
    .map(({ outline, placement }) => ringPath(outline.map((p) => plus(p, minus(placement, side.at as Point)))));
});
const placeOf = (id: string): Point => drawn.value.points.find((point) => point.id === id)!.at;
const line = (place: (p: Point) => readonly number[], a: Point, b: Point) =>
  `M${place(a).join(' ')}L${place(b).join(' ')}`;
</script>

<template>
  <SheetView
    :box="box"
    tapes
    :crosshair="adding"
    :label="`${figure.name}: ${figure.points.length} points and ${figure.tapes.length} tapes.`"
    @tap="emit('tap', $event)"
  >
    <path v-for="(panel, i) in backdrop" :key="i" class="panel" :d="panel" />
    <template #over="{ place }">
      <path
        v-for="side in figure.sides"
        :key="side.ends.join()"
        class="side"
        :class="{ out: side.panels.some((panel) => view.out.includes(panel)) }"
        :d="line(place, placeOf(side.ends[0]), placeOf(side.ends[1]))"
      />
      <path
        v-for="(tape, i) in drawn.tapes"
        :key="i"
        class="tape"
        :class="tape.look"
        :d="line(place, tape.ends[0], tape.ends[1])"
      />
      <path
        v-for="brace in braces"
        :key="brace.ends.join()"
        class="brace"
        :class="{ fitted: brace.fitted }"
        :d="line(place, placeOf(brace.ends[0]), placeOf(brace.ends[1]))"
      />
      <g v-for="(move, i) in drawn.moves" :key="`m${i}`" class="move" :class="{ beyond: move.beyond }">
        <path :d="line(place, move.from, move.to)" />
        <circle :cx="place(move.to)[0]" :cy="place(move.to)[1]" r="4" />
      </g>
      <g
        v-for="point in drawn.points"
        :key="point.id"
        class="point"
        :class="{ own: point.own }"
        :transform="`translate(${place(point.at).join(' ')})`"
      >
        <title>{{ point.name }}</title>
        <circle r="11" />
        <text y="4">{{ point.letter }}</text>
      </g>
    </template>
  </SheetView>
</template>

<style scoped>
path {
  fill: none;
}
.panel {
  fill: var(--card);
  stroke: var(--line);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
.side {
  stroke: var(--line-strong);
  stroke-width: 10;
  stroke-linecap: round;
  opacity: 0.55;
}
.side.out {
  stroke: var(--alarm);
  stroke-dasharray: 3 15;
  opacity: 1;
}
.tape {
  stroke: var(--ink-soft);
  stroke-width: 1.5;
}
.tape.todo {
  stroke-dasharray: 5 6;
}
.tape.taken {
  stroke: var(--ink);
  stroke-width: 2;
}
.tape.next {
  stroke: var(--mark);
  stroke-width: 4;
}
.tape.doubtful {
  stroke: var(--alarm);
  stroke-width: 4;
  stroke-dasharray: 10 5;
}
.brace {
  stroke: var(--ink);
  stroke-width: 5;
  stroke-dasharray: 2 8;
  stroke-linecap: round;
}
.brace.fitted {
  stroke-dasharray: none;
  stroke-width: 6;
}
.move path {
  stroke: var(--ink-soft);
  stroke-width: 2;
}
.move circle {
  fill: var(--ink-soft);
}
.move.beyond path {
  stroke: var(--alarm);
  stroke-width: 3.5;
}
.move.beyond circle {
  fill: var(--alarm);
}
.point circle {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.point.own circle {
  stroke-dasharray: 3 2;
}
.point text {
  font: 600 12px var(--mono);
  text-anchor: middle;
  fill: var(--ink);
}
</style>
