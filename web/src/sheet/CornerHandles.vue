<script setup lang="ts">
import type { Point } from '@aspecta/core/geometry';
import { along } from '@aspecta/core/geometry';

/* Corners of a zone or a line to drag; a tap on the middle of a side adds one. In px. */
const props = defineProps<{
  ring: readonly Point[];
  place: (p: Point) => [number, number];
  sheetAt: (x: number, y: number) => Point;
  closed: boolean;
  /** The one that is worked on. */
  picked?: number | undefined;
  /** Their numbers are written on them. */
  numbered?: boolean;
  /** Which of them are held to something: they slide along it. */
  held?: readonly boolean[];
}>();
const emit = defineEmits<{
  move: [index: number, to: Point];
  add: [index: number, at: Point];
  begin: [];
  pick: [index: number];
  finish: [];
  close: [];
  /** A place near a corner was meant, and not the corner. */
  beside: [at: Point];
}>();
let dragging: number | null = null;
/** px. A tap as near as this to the first corner closes what is drawn. */
const CLOSES_WITHIN = 14;

function down(index: number, event: PointerEvent): void {
  if (!props.closed) {
    const [x, y] = within(event);
    const [cx, cy] = props.place(props.ring[index]!);
    // A browser moves a fingertip to what can be tapped near it: only what was meant counts.
    if (Math.hypot(x - cx, y - cy) > CLOSES_WITHIN) emit('beside', props.sheetAt(x, y));
    else if (closes(index)) emit('close');
    return;
  }
  dragging = index;
  emit('pick', index);
  (event.target as Element).setPointerCapture(event.pointerId);
  emit('begin');
}
function move(event: PointerEvent): void {
  if (dragging === null) return;
  emit('move', dragging, props.sheetAt(...within(event)));
}
/** Where on the drawing a pointer is, px. */
function within(event: PointerEvent): [number, number] {
  const frame = (event.target as SVGElement).ownerSVGElement!.getBoundingClientRect();
  return [event.clientX - frame.left, event.clientY - frame.top];
}
function up(): void {
  if (dragging === null) return;
  dragging = null;
  emit('finish');
}
function nudge(index: number, event: KeyboardEvent): void {
  const by: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] };
  const step = by[event.key];
  if (!step || !props.closed) return;
  event.preventDefault();
  event.stopPropagation();
  const size = event.shiftKey ? 10 : 1;
  const p = props.ring[index]!;
  emit('begin');
  emit('move', index, [p[0] + step[0] * size, p[1] + step[1] * size]);
  emit('finish');
}
/** While it is drawn only the first corner answers to a tap, once there is something to close: the next corner may lie close to any other. */
const closes = (index: number) => index === 0 && props.ring.length > 2;
const sides = () =>
  props.closed ? props.ring.map((p, i) => along(p, props.ring[(i + 1) % props.ring.length]!, 0.5)) : [];
</script>

<template>
  <g data-own-pointer @pointermove="move" @pointerup="up" @pointercancel="up">
    <circle
      v-for="(p, i) in sides()"
      :key="`s${i}`"
      class="side"
      :cx="place(p)[0]"
      :cy="place(p)[1]"
      r="6"
      role="button"
      :aria-label="`Add a corner on side ${i + 1}`"
      @pointerdown.stop="emit('add', i + 1, p)"
    />
    <g
      v-for="(p, i) in ring"
      :key="`c${i}`"
      class="corner"
      :class="{ picked: picked === i, held: held?.[i], idle: !closed && !closes(i) }"
      tabindex="0"
      role="button"
      :aria-label="
        closed ? `Corner ${i + 1}: move with the arrow keys` : i === 0 ? 'Close the zone' : `Corner ${i + 1}`
      "
      @pointerdown.stop="down(i, $event)"
      @focus="closed && emit('pick', i)"
      @keydown="nudge(i, $event)"
      @keydown.enter.stop="!closed && i === 0 && emit('close')"
    >
      <circle class="target" :cx="place(p)[0]" :cy="place(p)[1]" :r="closed ? 22 : CLOSES_WITHIN" />
      <rect v-if="held?.[i]" class="dot" :x="place(p)[0] - 11" :y="place(p)[1] - 11" width="22" height="22" rx="2" />
      <circle v-else class="dot" :cx="place(p)[0]" :cy="place(p)[1]" :r="numbered ? 11 : 7" />
      <text v-if="numbered" :x="place(p)[0]" :y="place(p)[1]">{{ i + 1 }}</text>
    </g>
  </g>
</template>

<style scoped>
.corner {
  cursor: move;
}
.corner.idle {
  pointer-events: none;
}
.target {
  fill: transparent;
}
.dot {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 3;
}
.corner text {
  font: 600 12px var(--mono);
  text-anchor: middle;
  dominant-baseline: central;
  fill: var(--ink);
  pointer-events: none;
}
.corner.picked text {
  fill: var(--mark-ink);
}
.side {
  fill: var(--mark);
  opacity: 0.35;
  cursor: copy;
}
.corner.picked .dot,
.corner:focus-visible .dot {
  fill: var(--mark);
}
.corner:focus {
  outline: none;
}
</style>
