<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { boxOf, type Point, type Ring } from '@aspecta/core/geometry';
import { placesOf, type Drawing } from './drawing.ts';

/* A drawing in mm, fitted into its frame; texts and lines keep their size. */
const props = defineProps<{ drawing: Drawing }>();
const host = ref<HTMLElement>();
const size = ref({ width: 600, height: 400 });
let observer: ResizeObserver | undefined;
onMounted(() => {
  observer = new ResizeObserver(([entry]) => {
    size.value = { width: entry!.contentRect.width, height: entry!.contentRect.height };
  });
  observer.observe(host.value!);
});
onBeforeUnmount(() => observer?.disconnect());

/** px around the drawing, for sizes and names. */
const MARGIN = { x: 96, y: 64 };
const view = computed(() => {
  const box = boxOf(placesOf(props.drawing));
  const [w, h] = [Math.max(1e-6, box.maxU - box.minU), Math.max(1e-6, box.maxV - box.minV)];
  const margin = { x: Math.min(MARGIN.x, size.value.width * 0.16), y: Math.min(MARGIN.y, size.value.height * 0.18) };
  const scale = Math.min((size.value.width - 2 * margin.x) / w, (size.value.height - 2 * margin.y) / h);
  return {
    scale,
    x: size.value.width / 2 - ((box.minU + box.maxU) / 2) * scale,
    y: size.value.height / 2 + ((box.minV + box.maxV) / 2) * scale,
  };
});
const place = (p: Point): [number, number] => [
  view.value.x + p[0] * view.value.scale,
  view.value.y - p[1] * view.value.scale,
];
const path = (points: readonly Point[], closed: boolean) =>
  `M${points
    .map((p) =>
      place(p)
        .map((x) => x.toFixed(1))
        .join(' '),
    )
    .join('L')}${closed ? 'Z' : ''}`;
const rings = (all: readonly Ring[]) => all.map((ring) => path(ring, true)).join('');

function measured(from: Point, to: Point, off = 20) {
  const [a, b] = [place(from), place(to)];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  // To the left of the way from a to b, as one sees it.
  const n: Point = [((b[1] - a[1]) / length) * off, (-(b[0] - a[0]) / length) * off];
  const [p, q] = [
    [a[0] + n[0], a[1] + n[1]],
    [b[0] + n[0], b[1] + n[1]],
  ] as const;
  return {
    line: `M${p.join(' ')}L${q.join(' ')}`,
    help: `M${a.join(' ')}L${p.join(' ')}M${b.join(' ')}L${q.join(' ')}`,
    at: [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2 - 6] as const,
    from: p,
    to: q,
  };
}
</script>

<template>
  <div ref="host" class="host">
    <svg :width="size.width" :height="size.height" role="img" :aria-label="drawing.label">
      <template v-for="(part, i) in drawing.parts" :key="i">
        <path v-if="part.kind === 'area'" :d="rings(part.rings)" fill-rule="evenodd" class="area" :class="part.look" />
        <path
          v-else-if="part.kind === 'line'"
          :d="path(part.points, part.closed ?? false)"
          class="stroke"
          :class="part.look"
        />
        <template v-else-if="part.kind === 'dots'">
          <circle
            v-for="(p, k) in part.points"
            :key="k"
            :cx="place(p)[0]"
            :cy="place(p)[1]"
            r="5"
            class="dot"
            :class="part.look"
          />
        </template>
        <text
          v-else-if="part.kind === 'text'"
          :x="place(part.at)[0]"
          :y="place(part.at)[1] + 4"
          :text-anchor="part.anchor ?? 'start'"
          :class="part.look"
        >
          {{ part.text }}
        </text>
        <g v-else class="size">
          <path :d="measured(part.from, part.to, part.off).help" class="help" />
          <path :d="measured(part.from, part.to, part.off).line" />
          <circle
            :cx="measured(part.from, part.to, part.off).from[0]"
            :cy="measured(part.from, part.to, part.off).from[1]"
            r="2.5"
          />
          <circle
            :cx="measured(part.from, part.to, part.off).to[0]"
            :cy="measured(part.from, part.to, part.off).to[1]"
            r="2.5"
          />
          <text
            :x="measured(part.from, part.to, part.off).at[0]"
            :y="measured(part.from, part.to, part.off).at[1]"
            text-anchor="middle"
          >
            {{ part.text }}
          </text>
        </g>
      </template>
    </svg>
  </div>
</template>

<style scoped>
.host {
  position: relative;
  min-height: 0;
  overflow: hidden;
}
svg {
  display: block;
}
.area {
  stroke: var(--metal-line);
  stroke-width: 1.2;
  fill: var(--metal);
}
.area.mark {
  fill: var(--mark-soft);
  stroke: var(--mark);
}
.area.alarm {
  fill: var(--alarm-soft);
  stroke: var(--alarm);
}
.area.ghost {
  fill: none;
  stroke: var(--line-strong);
  stroke-dasharray: 5 4;
}
.stroke {
  fill: none;
  stroke: var(--metal-line);
  stroke-width: 2.2;
  stroke-linejoin: round;
}
.stroke.thin {
  stroke-width: 1.1;
}
.stroke.mark {
  stroke: var(--mark);
}
.stroke.alarm {
  stroke: var(--alarm);
  stroke-width: 3;
}
.stroke.ghost {
  stroke: var(--line-strong);
  stroke-width: 1.5;
  stroke-dasharray: 7 5;
}
.dot {
  fill: var(--metal-line);
}
.dot.mark {
  fill: var(--mark);
}
.dot.alarm {
  fill: var(--alarm);
}
text {
  font: 500 14px var(--mono);
  fill: var(--ink);
}
text.mark {
  fill: var(--mark);
}
text.alarm {
  fill: var(--alarm);
}
text.ghost {
  fill: var(--ink-soft);
}
.size path {
  stroke: var(--mark);
  stroke-width: 1.2;
  fill: none;
}
.size .help {
  stroke-opacity: 0.45;
}
.size circle,
.size text {
  fill: var(--mark);
}
</style>
