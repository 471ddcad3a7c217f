<script setup lang="ts">
import { computed } from 'vue';
import type { WayView } from '@aspecta/contract/way';
import type { Panel } from '@aspecta/core/body';
import { boxOf } from '@aspecta/core/geometry';
import { letterOf, type WayResult } from '@aspecta/core/way';
import PanelSheet from '../sheet/PanelSheet.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';

/* The piece with the lines along which it may be parted, and the sections in which it goes in. */
const props = defineProps<{ view: WayView; panel: Panel; result: WayResult | null }>();
const PAD = 90;
const own = computed(() => boxOf(props.view.piece));
const box = computed(() => {
  const { minU, minV, maxU, maxV } = own.value;
  return { minU: minU - PAD, minV: minV - PAD, maxU: maxU + PAD, maxV: maxV + PAD };
});
const lines = computed(() =>
  props.view.lines.map(({ across, at }, i) => {
    const { minU, minV, maxU, maxV } = own.value;
    const ends: [number, number][] = across
      ? [
          [minU + at, minV - 30],
          [minU + at, maxV + 30],
        ]
      : [
          [minU - 30, minV + at],
          [maxU + 30, minV + at],
        ];
    return { i, ends, used: props.result?.lines.some(({ line }) => line === i) ?? false };
  }),
);
const middleOf = (ring: readonly (readonly [number, number])[]): [number, number] => {
  const { minU, minV, maxU, maxV } = boxOf(ring as [number, number][]);
  return [(minU + maxU) / 2, (minV + maxV) / 2];
};
</script>

<template>
  <SheetView :box="box" tapes :label="`${panel.name}: the piece and the lines along which it may be parted.`">
    <PanelSheet :panel="panel" plain />
    <path v-if="!result || result.sections.length === 0" :d="ringPath(view.piece)" class="section" />
    <path
      v-for="(section, i) in result?.sections ?? []"
      :key="i"
      :d="ringPath(section.outline)"
      class="section"
      :class="{ odd: i % 2 === 1 }"
    />
    <path
      v-for="line in lines"
      :key="`l${line.i}`"
      :d="linePath(line.ends)"
      class="line"
      :class="{ used: line.used }"
    />
    <template #over="{ place }">
      <g
        v-for="(section, i) in result && result.sections.length > 1 ? result.sections : []"
        :key="`s${i}`"
        class="number"
        :transform="`translate(${place(middleOf(section.outline)).join(' ')})`"
      >
        <circle r="14" />
        <text y="5">{{ i + 1 }}</text>
      </g>
      <text
        v-for="line in lines"
        :key="`t${line.i}`"
        class="name"
        :x="place(line.ends[1]!)[0]"
        :y="place(line.ends[1]!)[1] - 6"
      >
        {{ letterOf(line.i) }}
      </text>
    </template>
  </SheetView>
</template>

<style scoped>
.section {
  fill: var(--mark);
  fill-opacity: 0.14;
  stroke: var(--ink);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.section.odd {
  fill-opacity: 0.3;
}
.line {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 2;
  stroke-dasharray: 8 6;
  vector-effect: non-scaling-stroke;
}
.line.used {
  stroke: var(--alarm);
  stroke-width: 3;
}
.number circle {
  fill: var(--card);
  stroke: var(--ink);
}
.number text {
  font: 600 14px var(--mono);
  text-anchor: middle;
  fill: var(--ink);
}
.name {
  font: 600 14px var(--mono);
  text-anchor: middle;
  fill: var(--ink);
}
</style>
