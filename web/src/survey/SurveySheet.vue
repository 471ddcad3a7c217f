<script setup lang="ts">
import { computed } from 'vue';
import { ZONE_CLASSES } from '@aspecta/contract/survey';
import type { FindView, PhotoView, ReadingView, ZoneView } from '@aspecta/contract/survey';
import type { Layer, Panel } from '@aspecta/core/body';
import { boxOf, type Point, type Polygon, type Ring } from '@aspecta/core/geometry';
import {
  isWork,
  signOf,
  type CoatingMap,
  type NextReading,
  type Outlier,
  type ThicknessMap,
} from '@aspecta/core/survey';
import PanelSheet from '../sheet/PanelSheet.vue';
import SheetView from '../sheet/SheetView.vue';
import { dotsPath, linePath, ringPath } from '../sheet/pathData.ts';
import PhotoOverlay from '../photo/PhotoOverlay.vue';
import MapLayer from './MapLayer.vue';
import { coatingLook, metalLook } from './paintMap.ts';
import { dotPaths } from './surveyScene.ts';
import { useSurveyRules } from './useSurveyRules.ts';
import CornerHandles from '../sheet/CornerHandles.vue';
import { useUnits } from '../shell/units.ts';

/* One panel at true size: readings, map, zones, finds, advice, and a picture laid over it. */
const rules = useSurveyRules();
const props = defineProps<{
  panel: Panel;
  layer: Layer;
  readings: readonly ReadingView[];
  keptPlaces: readonly Point[];
  map: ThicknessMap | null;
  coating: CoatingMap | null;
  zones: readonly ZoneView[];
  proposed: Ring | null;
  expected: { p50: readonly Polygon[]; p90: readonly Polygon[] } | null;
  finds: readonly FindView[];
  next: readonly NextReading[];
  outliers: readonly Outlier[];
  photo: PhotoView | null;
  vehicle: string;
  marked: readonly Point[];
  picked: Point | null;
  draft: readonly Point[];
  draftHoles: readonly Ring[];
  draftClosed: boolean;
  pen: readonly Point[];
  editing: string | null;
  crosshair: boolean;
  sectionAt: number | null;
}>();
const units = useUnits();
const emit = defineEmits<{
  tap: [place: Point];
  zone: [id: string];
  move: [index: number, to: Point];
  add: [index: number, at: Point];
  close: [];
  next: [place: NextReading];
}>();
const box = computed(() => boxOf(props.panel.outline));
const dots = computed(() => dotPaths(props.readings, props.layer.thickness, rules.value));
const shown = computed(() => props.zones.filter((zone) => zone.id !== props.editing));
const sheetPath = computed(
  () =>
    ringPath(props.panel.outline) +
    props.panel.holes
      .filter((hole) => hole.kind === 'opening')
      .map((hole) => ringPath(hole.outline))
      .join(''),
);
const zonePath = (rings: readonly Ring[]) => rings.map((ring) => ringPath(ring)).join('');
/** px. Dots shrink with the sheet so that they do not hide the map. */
const dotSize = (scale: number) => Math.min(8, Math.max(3.5, scale * 20));
const at = (place: (p: Point) => [number, number], p: Point) => `translate(${place(p).join(' ')})`;
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
        <path :d="sheetPath" class="unmeasured" fill-rule="evenodd" />
        <!-- Squares of the map that hang over an edge are cut off at it. -->
        <clipPath id="survey-sheet"><path :d="sheetPath" clip-rule="evenodd" /></clipPath>
        <g clip-path="url(#survey-sheet)">
          <MapLayer v-if="coating" :raster="coating" :look="coatingLook(coating)" />
          <MapLayer v-else-if="map" :raster="map" :look="metalLook(map)" />
        </g>
      </PanelSheet>
      <PhotoOverlay v-if="photo" :photo="photo" :vehicle="vehicle" />
      <template v-if="expected">
        <path :d="expected.p90.map((polygon) => zonePath(polygon)).join('')" class="expected p90" fill-rule="evenodd" />
        <path :d="expected.p50.map((polygon) => zonePath(polygon)).join('')" class="expected" fill-rule="evenodd" />
      </template>
      <path v-if="proposed" :d="ringPath(proposed)" class="proposed" />
      <g
        v-for="zone in shown"
        :key="zone.id"
        class="zone"
        :class="{ tapped: crosshair, work: isWork(zone.class) }"
        role="button"
        tabindex="0"
        :aria-label="`Zone: ${ZONE_CLASSES[zone.class]}, ${units.area(zone.area)}`"
        :data-own-pointer="crosshair ? undefined : ''"
        :data-zone="zone.id"
        @click="emit('zone', zone.id)"
        @keydown.enter.stop="emit('zone', zone.id)"
      >
        <path :d="zonePath([zone.ring, ...zone.holes])" fill-rule="evenodd" />
      </g>
      <path
        v-if="draft.length > 0"
        :d="draftClosed ? zonePath([draft, ...draftHoles]) : linePath(draft)"
        class="draft"
        fill-rule="evenodd"
        :class="{ closed: draftClosed }"
      />
      <path v-if="pen.length > 0" :d="linePath(pen) + dotsPath(pen)" class="pen" />
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
      <path v-if="sectionAt !== null" :d="`M${sectionAt} -30V${box.maxV + 30}`" class="cut-here" />
    </template>
    <template #over="{ place, sheetAt }">
      <g v-for="o in outliers" :key="`${o.u} ${o.v}`" class="outlier" :transform="at(place, [o.u, o.v])"
        ><circle r="12" /><text x="10" y="-9">?</text></g
      >
      <g
        v-for="find in finds"
        :key="find.id"
        class="find"
        :class="{ grave: find.structural }"
        :transform="at(place, [find.u, find.v])"
        ><path d="M0 0l-9 -20h18z" /><title>{{ signOf(find.sign).title }}</title></g
      >
      <g
        v-for="(n, i) in next"
        :key="`n${n.u} ${n.v}`"
        class="advice"
        :class="{ tapped: crosshair }"
        role="button"
        tabindex="0"
        :data-own-pointer="crosshair ? undefined : ''"
        :aria-label="`Read here next, ${i + 1}: ${units.said(n.reason)}`"
        :transform="at(place, [n.u, n.v])"
        @click="emit('next', n)"
        @keydown.enter.stop="emit('next', n)"
        ><circle class="target" r="20" /><circle r="11" /><path d="M-17 0h8M9 0h8M0 -17v8M0 9v8" /><text y="4">{{
          i + 1
        }}</text></g
      >
      <g v-for="(p, i) in marked" :key="i" class="marked" :transform="at(place, p)"
        ><path d="M-13 0h9M4 0h9M0 -13v9M0 4v9" /><text x="8" y="-8">{{ i + 1 }}</text></g
      >
      <circle v-if="picked" class="picked" :cx="place(picked)[0]" :cy="place(picked)[1]" r="11" />
      <CornerHandles
        v-if="draft.length > 0 && pen.length === 0"
        :ring="draft"
        :place="place"
        :sheet-at="sheetAt"
        :closed="draftClosed"
        @move="(i, to) => emit('move', i, to)"
        @add="(i, p) => emit('add', i, p)"
        @close="emit('close')"
        @beside="emit('tap', $event)"
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
.expected {
  fill: none;
  stroke: var(--alarm);
  stroke-width: 2;
  pointer-events: none;
}
.expected.p90 {
  stroke-dasharray: 3 5;
}
.zone {
  cursor: pointer;
  outline: none;
}
/* While places are tapped, a mark must not take the tap: the reading lies where the finger was. */
.advice.tapped {
  pointer-events: none;
}
.zone.tapped {
  pointer-events: none;
}
.zone path {
  fill: var(--mark);
  fill-opacity: 0.1;
  stroke: var(--mark);
  stroke-width: 2.4;
}
/* What is to be done, not what was found. */
.zone.work path {
  fill-opacity: 0.03;
  stroke-dasharray: 10 4;
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
.pen {
  fill: none;
  stroke: var(--alarm);
  stroke-width: 3;
  stroke-linecap: round;
}
.cut-here {
  fill: none;
  stroke: var(--alarm);
  stroke-width: 1.6;
  stroke-dasharray: 12 4 2 4;
  pointer-events: none;
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
.advice {
  cursor: pointer;
  outline: none;
}
.advice circle {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 2;
}
.advice .target {
  fill: transparent;
  stroke: none;
}
.advice path {
  stroke: var(--mark);
  stroke-width: 2;
}
.advice text {
  font: 600 12px var(--mono);
  fill: var(--mark);
  text-anchor: middle;
}
.advice:focus-visible circle:not(.target),
.advice:hover circle:not(.target) {
  fill: var(--mark-soft);
}
.outlier {
  pointer-events: none;
}
.outlier circle {
  fill: none;
  stroke: var(--alarm);
  stroke-width: 2;
  stroke-dasharray: 4 3;
}
.outlier text {
  font: 600 14px var(--mono);
  fill: var(--alarm);
}
.find {
  pointer-events: none;
}
.find path {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.find.grave path {
  fill: var(--alarm-soft);
  stroke: var(--alarm);
}
.picked {
  fill: none;
  stroke: var(--mark);
  stroke-width: 3;
}
</style>
