<script setup lang="ts">
import { computed } from 'vue';
import type { ReadingView, ZoneView } from '@aspecta/contract/survey';
import type { Layer, Panel } from '@aspecta/core/body';
import { boxOf, type Point, type Ring } from '@aspecta/core/geometry';
import type { ThicknessMap } from '@aspecta/core/survey';
import PanelSheet from '../sheet/PanelSheet.vue';
import SheetView from '../sheet/SheetView.vue';
import { dotsPath, linePath, ringPath } from '../sheet/pathData.ts';
import MapLayer from './MapLayer.vue';
import { dotPaths } from './surveyScene.ts';
import ZoneHandles from './ZoneHandles.vue';

/* One panel at true size with its readings, their map and the damage zones. */
const props = defineProps<{
  panel: Panel;
  layer: Layer;
  readings: readonly ReadingView[];
  keptPlaces: readonly Point[];
  map: ThicknessMap | null;
  zones: readonly ZoneView[];
  proposed: Ring | null;
  marked: readonly Point[];
  picked: Point | null;
  draft: readonly Point[];
  draftClosed: boolean;
  editing: string | null;
  crosshair: boolean;
}>();
const emit = defineEmits<{
  tap: [place: Point];
  zone: [id: string];
  move: [index: number, to: Point];
  add: [index: number, at: Point];
  begin: [];
  finish: [];
  close: [];
}>();
const box = computed(() => boxOf(props.panel.outline));
const dots = computed(() => dotPaths(props.readings, props.layer.thickness));
const shown = computed(() => props.zones.filter((zone) => zone.id !== props.editing));
/** px. Dots shrink with the sheet so that they do not hide the map. */
const dotSize = (scale: number) => Math.min(8, Math.max(3.5, scale * 20));
const dotted = (place: (p: Point) => [number, number], p: Point) => place(p);
</script>

<template>
  <SheetView
    :box="box"
    tapes
    :label="`${panel.name} at true size. Plus and minus zoom, arrows move.`"
    :crosshair="crosshair"
    @tap="emit('tap', $event)"
  >
    <template #default="{ scale }">
      <PanelSheet :panel="panel">
        <path
          :d="
            ringPath(panel.outline) +
            panel.holes
              .filter((hole) => hole.kind === 'opening')
              .map((hole) => ringPath(hole.outline))
              .join('')
          "
          class="unmeasured"
          fill-rule="evenodd"
        />
        <MapLayer v-if="map" :map="map" />
      </PanelSheet>
      <path v-if="proposed" :d="ringPath(proposed)" class="proposed" />
      <g
        v-for="zone in shown"
        :key="zone.id"
        class="zone"
        role="button"
        tabindex="0"
        :aria-label="`Zone: ${zone.class}, ${Math.round(zone.area / 100)} cm²`"
        data-own-pointer
        :data-zone="zone.id"
        @click="emit('zone', zone.id)"
        @keydown.enter.stop="emit('zone', zone.id)"
      >
        <path :d="ringPath(zone.ring)" />
      </g>
      <path
        v-if="draft.length > 0"
        :d="draftClosed ? ringPath(draft) : linePath(draft)"
        class="draft"
        :class="{ closed: draftClosed }"
      />
      <path
        v-for="{ look, path } in dots"
        :key="look"
        :d="path"
        class="dot halo"
        :style="{ strokeWidth: `${dotSize(scale) + 3}px` }"
      />
      <path
        v-for="{ look, path } in dots"
        :key="`d${look}`"
        :d="path"
        class="dot"
        :class="look"
        :style="{ strokeWidth: `${dotSize(scale)}px` }"
      />
      <path :d="dotsPath(keptPlaces)" class="dot kept" />
    </template>
    <template #over="{ place, sheetAt }">
      <g v-for="(p, i) in marked" :key="i" class="marked" :transform="`translate(${dotted(place, p).join(' ')})`"
        ><path d="M-13 0h9M4 0h9M0 -13v9M0 4v9" /><text x="8" y="-8">{{ i + 1 }}</text></g
      >
      <circle v-if="picked" class="picked" :cx="place(picked)[0]" :cy="place(picked)[1]" r="11" />
      <ZoneHandles
        v-if="draft.length > 0"
        :ring="draft"
        :place="place"
        :sheet-at="sheetAt"
        :closed="draftClosed"
        @move="(i, to) => emit('move', i, to)"
        @add="(i, at) => emit('add', i, at)"
        @begin="emit('begin')"
        @finish="emit('finish')"
        @close="emit('close')"
      />
    </template>
    <template #html><slot /></template>
  </SheetView>
</template>

<style scoped>
path {
  vector-effect: non-scaling-stroke;
}
.unmeasured {
  fill: url(#hatch-unmeasured);
}
.proposed {
  fill: none;
  stroke: var(--mark);
  stroke-width: 2;
  stroke-dasharray: 8 5;
  pointer-events: none;
}
.zone {
  cursor: pointer;
  outline: none;
}
.zone path {
  fill: var(--mark);
  fill-opacity: 0.1;
  stroke: var(--mark);
  stroke-width: 2.4;
}
.zone:hover path,
.zone:focus path {
  fill-opacity: 0.25;
  stroke-width: 3.4;
}
.draft {
  fill: none;
  stroke: var(--mark);
  stroke-width: 2.4;
}
.draft.closed {
  fill: var(--mark);
  fill-opacity: 0.15;
}
.dot {
  fill: none;
  stroke-linecap: round;
  pointer-events: none;
}
.halo {
  stroke: var(--metal-line);
}
.sound {
  stroke: var(--sound);
}
.worn {
  stroke: var(--worn);
}
.thin {
  stroke: var(--thin);
}
.failing {
  stroke: var(--failing);
}
.through {
  stroke: var(--through);
}
.filler {
  stroke: var(--filler);
}
.coated {
  stroke: var(--card);
}
.kept {
  stroke: var(--mark);
  stroke-dasharray: none;
  stroke-opacity: 0.5;
  stroke-width: 12;
}
.marked path {
  stroke: var(--mark);
  stroke-width: 2.4;
  fill: none;
}
.marked text {
  font: 600 13px var(--mono);
  fill: var(--mark);
}
.picked {
  fill: none;
  stroke: var(--mark);
  stroke-width: 3;
}
</style>
