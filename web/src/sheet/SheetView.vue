<script setup lang="ts">
import { computed, ref } from 'vue';
import { Maximize, Minus, Plus } from 'lucide-vue-next';
import type { Box, Point } from '@aspecta/core/geometry';
import KitButton from '../kit/KitButton.vue';
import { useInAddress } from '../shell/inAddress.ts';
import { useUnits } from '../shell/units.ts';
import HatchPatterns from './HatchPatterns.vue';
import { tapeMarks } from './tapeMarks.ts';
import { useViewport } from './useViewport.ts';

/* The sheet at true scale with its two tapes. Slot `default` is drawn in mm (v up); slot `over` in px; `picture` lies over both. */
const props = defineProps<{ box: Box; label: string; tapes?: boolean; crosshair?: boolean; draws?: boolean }>();
const emit = defineEmits<{ tap: [place: Point]; stroke: [places: readonly Point[] | null, done: boolean] }>();
const host = ref<HTMLElement>();
const units = useUnits();
/** Sheets at true size stand alone on their page: the address tells which part of it is looked at. */
const kept = props.tapes ? useInAddress<string>('at', () => '') : ref('');
const viewport = useViewport(
  host,
  () => props.box,
  {
    tap: (place) => emit('tap', place),
    draws: () => props.draws,
    stroke: (places, done) => emit('stroke', places, done),
  },
  kept,
);
const { view, size } = viewport;
const across = computed(() =>
  props.tapes
    ? tapeMarks(viewport.sheetAt(0, 0)[0], viewport.sheetAt(size.value.width, 0)[0], view.value.scale, units.unit.value)
    : [],
);
const upright = computed(() =>
  props.tapes
    ? tapeMarks(
        viewport.sheetAt(0, size.value.height)[1],
        viewport.sheetAt(0, 0)[1],
        view.value.scale,
        units.unit.value,
      )
    : [],
);
const TAPE = 24;
defineExpose({ refit: viewport.refit, place: viewport.place });
</script>

<template>
  <div
    ref="host"
    class="host"
    :class="{ crosshair }"
    tabindex="0"
    role="group"
    :aria-label="label"
    @keydown.self="viewport.onKey"
  >
    <svg
      :width="size.width"
      :height="size.height"
      :viewBox="size.width > 0 ? `0 0 ${size.width} ${size.height}` : undefined"
    >
      <HatchPatterns :scale="view.scale" />
      <g :transform="viewport.transform.value"><slot :scale="view.scale" /></g>
      <g><slot name="over" :place="viewport.place" :scale="view.scale" :sheet-at="viewport.sheetAt" /></g>
      <g v-if="tapes" class="tape" aria-hidden="true">
        <rect x="0" y="0" :width="size.width" :height="TAPE" />
        <rect x="0" y="0" :width="TAPE" :height="size.height" />
        <template v-for="mark in across" :key="`a${mark.at}`">
          <line
            :x1="view.x + mark.at * view.scale"
            :x2="view.x + mark.at * view.scale"
            :y1="TAPE"
            :y2="mark.label ? TAPE - 9 : TAPE - 5"
          />
          <text v-if="mark.label" :x="view.x + mark.at * view.scale + 3" y="12">{{ mark.label }}</text>
        </template>
        <template v-for="mark in upright" :key="`u${mark.at}`">
          <line
            :x1="TAPE"
            :x2="mark.label ? TAPE - 9 : TAPE - 5"
            :y1="view.y - mark.at * view.scale"
            :y2="view.y - mark.at * view.scale"
          />
          <text v-if="mark.label" :transform="`translate(12 ${view.y - mark.at * view.scale - 3}) rotate(-90)`">
            {{ mark.label }}
          </text>
        </template>
        <rect class="corner" x="0" y="0" :width="TAPE" :height="TAPE" />
        <text class="unit" x="4" y="16">{{ units.unit.value }}</text>
      </g>
    </svg>
    <slot name="picture" :place="viewport.place" :scale="view.scale" />
    <div class="zoom" data-own-pointer>
      <KitButton aria-label="Zoom in" @click="viewport.zoomBy(1.4)"><Plus :size="18" /></KitButton>
      <KitButton aria-label="Zoom out" @click="viewport.zoomBy(1 / 1.4)"><Minus :size="18" /></KitButton>
      <KitButton aria-label="Fit to the window" @click="viewport.refit()"><Maximize :size="18" /></KitButton>
    </div>
    <slot name="html" />
  </div>
</template>

<style scoped>
.host {
  position: absolute;
  inset: 0;
  touch-action: none;
  overflow: hidden;
  cursor: grab;
}
.host:active {
  cursor: grabbing;
}
.host.crosshair {
  cursor: crosshair;
}
.host:focus-visible {
  outline-offset: -3px;
}
svg {
  display: block;
  user-select: none;
}
.tape rect {
  fill: #f4d774;
  stroke: none;
}
.tape .corner {
  fill: #e8c552;
}
.tape line {
  stroke: #33301f;
  stroke-width: 1;
}
.tape text {
  font: 10px var(--mono);
  fill: #33301f;
}
:root[data-look='night'] .tape rect {
  fill: #6f5f25;
}
:root[data-look='night'] .tape .corner {
  fill: #5d4f1c;
}
:root[data-look='night'] .tape line {
  stroke: #f6e9be;
}
:root[data-look='night'] .tape text {
  fill: #f6e9be;
}
.zoom {
  position: absolute;
  right: 0.6rem;
  bottom: 0.5rem;
  display: flex;
  gap: 0.3rem;
}
.zoom .btn {
  width: 44px;
  padding: 0;
  background: var(--card);
}
</style>
