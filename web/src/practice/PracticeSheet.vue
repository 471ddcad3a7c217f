<script setup lang="ts">
import type { Panel } from '@aspecta/core/body';
import { boxOf, type Point, type Ring } from '@aspecta/core/geometry';
import { coatingClass, metalClass } from '@aspecta/core/survey';
import { computed } from 'vue';
import PanelSheet from '../sheet/PanelSheet.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';
import { useUnits } from '../shell/units.ts';
import type { TakenReading } from './usePractice.ts';

/* A panel of a made-up car: readings with what they said, what the player has marked, and in the end what is gone. */
const props = defineProps<{
  panel: Panel;
  readings: readonly TakenReading[];
  zones: readonly Ring[];
  drawing: readonly Point[];
  truth: readonly Ring[] | null;
  cross: boolean;
}>();
const emit = defineEmits<{ tap: [at: Point] }>();
const units = useUnits();
const box = computed(() => {
  const { minU, minV, maxU, maxV } = boxOf(props.panel.outline);
  return { minU: minU - 50, minV: minV - 50, maxU: maxU + 50, maxV: maxV + 50 };
});
const text = ({ gauge, value }: TakenReading) =>
  gauge === 'metal' ? units.sheet(value).replace(/ mm$/, '') : units.coating.text(value).replace(/ (µm|mil)$/, '');
const LOOKS = { sound: 'good', worn: 'some', thin: 'bad', failing: 'bad', through: 'bad' } as const;
const look = ({ gauge, value }: TakenReading) =>
  gauge === 'metal'
    ? LOOKS[metalClass(value, props.panel.layers[0]!.thickness)]
    : coatingClass(value) === 'filler' || coatingClass(value) === 'heavy'
      ? 'bad'
      : 'good';
</script>

<template>
  <SheetView
    :key="panel.id"
    :box="box"
    tapes
    :crosshair="cross"
    :label="`${panel.name}: ${readings.length} readings, ${zones.length} areas marked.`"
    @tap="emit('tap', $event)"
  >
    <PanelSheet :panel="panel" />
    <path v-for="(ring, i) in truth ?? []" :key="`t${i}`" :d="ringPath(ring)" class="gone" />
    <path v-for="(ring, i) in zones" :key="`z${i}`" :d="ringPath(ring)" class="zone" />
    <path v-if="drawing.length > 0" :d="linePath(drawing)" class="zone open" />
    <template #over="{ place }">
      <g
        v-for="(one, i) in readings"
        :key="i"
        class="reading"
        :class="look(one)"
        :transform="`translate(${place(one.at).join(' ')})`"
      >
        <circle r="5" />
        <text x="8" y="4">{{ text(one) }}</text>
      </g>
      <circle v-for="(p, i) in drawing" :key="`c${i}`" class="corner" r="6" :cx="place(p)[0]" :cy="place(p)[1]" />
    </template>
  </SheetView>
</template>

<style scoped>
path {
  vector-effect: non-scaling-stroke;
}
.gone {
  fill: var(--through);
  fill-opacity: 0.55;
  stroke: var(--alarm);
  stroke-width: 2;
}
.zone {
  fill: var(--mark);
  fill-opacity: 0.14;
  stroke: var(--mark);
  stroke-width: 2.5;
}
.zone.open {
  fill: none;
}
.corner {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 2;
}
.reading circle {
  stroke: var(--ink);
  fill: var(--sound);
}
.reading.some circle {
  fill: var(--worn);
}
.reading.bad circle {
  fill: var(--alarm);
}
.reading text {
  font: 600 11px var(--mono);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
</style>
