<script setup lang="ts">
import type { ECharts } from 'echarts/core';
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitTable from '../kit/KitTable.vue';
import { useLook } from '../shell/look.ts';
import { dragBars, type Dragged } from './barDrag.ts';
import { rowsOf, writeOn, type Chart } from './chart.ts';
import { coloursNow } from './coloursNow.ts';
import { optionOf } from './optionOf.ts';

/* A chart and, behind it, the same as a table. The drawing library comes when the first chart is shown. */
const props = defineProps<{
  chart: Chart;
  height?: number;
  /** Which of its bars may be dragged along x, by their place in the series; none where it is left out. */
  movable?: (index: number) => boolean;
}>();
const emit = defineEmits<{
  moved: [index: number, x: number];
  /** While one is dragged: where it begins now; null when it is let go, or left where it was. */
  dragging: [at: { index: number; x: number } | null];
}>();
const look = useLook();
const place = ref<HTMLElement>();
const failed = ref(false);
const dragged = ref<Dragged | null>(null);
let drop = () => {};
let drawing: ECharts | undefined;
let gone = false;
const resized = typeof ResizeObserver === 'undefined' ? undefined : new ResizeObserver(() => drawing?.resize());
const table = computed(() => rowsOf(props.chart));
const tall = computed(() => (props.chart.y.names ? 64 + 40 * props.chart.y.names.length : (props.height ?? 240)));

function draw(): void {
  const colours = coloursNow();
  if (drawing && colours) drawing.setOption(optionOf(props.chart, colours), { notMerge: true });
}
onMounted(async () => {
  try {
    const { begin } = await import('./library.ts');
    if (gone || !place.value) return;
    drawing = begin(place.value);
    draw();
    resized?.observe(place.value);
    if (props.movable)
      drop = dragBars(place.value, {
        axes: () => drawing,
        bars: () => props.chart.series.flatMap((one) => (one.kind === 'bars' ? one.points : [])),
        movable: props.movable,
        shown: (now) => {
          dragged.value = now;
          emit('dragging', now && { index: now.index, x: now.x });
        },
        moved: (index, x) => emit('moved', index, x),
      });
  } catch {
    // The figures are in the table all the same.
    failed.value = true;
  }
});
// The colours change with the look; the page has them a moment later.
watch([() => props.chart, () => look.night], () => requestAnimationFrame(draw));
onBeforeUnmount(() => {
  gone = true;
  drop();
  resized?.disconnect();
  drawing?.dispose();
});
</script>

<template>
  <figure class="chart">
    <figcaption>{{ chart.title }}</figcaption>
    <p v-if="failed" class="soft small">The drawing could not be loaded; here are its figures.</p>
    <div v-else class="over">
      <div
        ref="place"
        class="drawing"
        :class="{ movable }"
        role="img"
        :aria-label="chart.title"
        :style="{ height: `${tall}px` }"
      />
      <div
        v-if="dragged"
        class="ghost"
        :style="{
          ...{ left: `${dragged.box.left}px`, top: `${dragged.box.top}px` },
          ...{ width: `${dragged.box.width}px`, height: `${dragged.box.height}px` },
        }"
      >
        <span class="mono">{{ writeOn(chart.x, dragged.x) }}</span>
      </div>
    </div>
    <KitCollapse title="As a table" :open="failed">
      <div class="scroll" tabindex="0" role="region" :aria-label="`${chart.title}, as a table`">
        <KitTable>
          <thead>
            <tr>
              <th v-for="name in table.head" :key="name">{{ name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, i) in table.rows" :key="i">
              <td v-for="(cell, k) in row" :key="k">{{ cell }}</td>
            </tr>
          </tbody>
        </KitTable>
      </div>
    </KitCollapse>
  </figure>
</template>

<style scoped>
.chart {
  margin: 0;
  min-width: 0;
}
figcaption {
  font-weight: 500;
  font-size: 0.95rem;
  margin-bottom: 0.25rem;
}
.over {
  position: relative;
}
.drawing {
  width: 100%;
}
/* Up and down scrolls the page; along goes to the bar. */
.movable {
  touch-action: pan-y;
}
.ghost {
  position: absolute;
  pointer-events: none;
  border: 2px solid var(--mark);
  border-radius: 3px;
  background: var(--mark-soft);
}
.ghost span {
  position: absolute;
  bottom: 100%;
  left: 0;
  padding: 0 0.3rem;
  white-space: nowrap;
  font-size: 0.85rem;
  background: var(--card);
  border: 1px solid var(--line-strong);
  border-radius: 4px;
}
.scroll {
  max-height: 240px;
  overflow: auto;
}
.chart :deep(.collapse > summary) {
  font-size: 0.85rem;
  color: var(--ink-soft);
}
</style>
