<script setup lang="ts">
import { computed } from 'vue';
import type { ReadingView, ZoneView } from '@aspecta/contract/survey';
import { ZONE_CLASSES } from '@aspecta/contract/survey';
import type { Layer, Panel } from '@aspecta/core/body';
import { CELL_CODES, fillerDepth, type CoatingClass, type CoatingMap, type MetalClass } from '@aspecta/core/survey';
import { STATES } from '../board/boardScene.ts';
import type { Point } from '@aspecta/core/geometry';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTabs from '../kit/KitTabs.vue';
import { percent, useUnits } from '../shell/units.ts';
import type { SurveyMap } from '../workers/compute.ts';
import { onSheet } from '../car/onSheet.ts';
import SizedZone from './SizedZone.vue';
import type { MapKind } from './useMaps.ts';
import type { SizedKind } from './sizedKind.ts';
import { useSurveyRules } from './useSurveyRules.ts';

/* What the readings of a panel say, in one sentence and one figure; then the reasons. */
const rules = useSurveyRules();
const props = defineProps<{
  layer: Layer;
  /** Its outline can be a zone as a whole; zones are drawn on any of its sheets. */
  panel: Panel;
  readings: readonly ReadingView[];
  leftOut: number;
  surveyMap: SurveyMap | null;
  coatingMap: CoatingMap | null;
  mapping: boolean;
  zones: readonly ZoneView[];
  proposed: { area: number } | null;
  usualLimit: number;
  canWork: boolean;
}>();
const emit = defineEmits<{ take: []; zone: [id: string]; sized: [ring: Point[], kind: SizedKind] }>();
const kind = defineModel<MapKind>('kind', { required: true });
/** mm; null: the weldable limit of the house. */
const limit = defineModel<number | null>('limit', { required: true });
const kinds = [
  { value: 'metal', label: 'Metal left' },
  { value: 'coating', label: 'Coating, filler' },
] as const;
const STEP = 0.05;
const shiftLimit = (by: number) => {
  const next = Math.round(((limit.value ?? props.usualLimit) + by) / STEP) * STEP;
  limit.value = Math.min(props.layer.thickness, Math.max(STEP, next));
};
const coats: readonly { name: CoatingClass; label: string; fill: string }[] = [
  { name: 'bare', label: 'Bare', fill: 'var(--card)' },
  { name: 'original', label: 'As first painted', fill: 'var(--coat-1)' },
  { name: 'repainted', label: 'Repainted', fill: 'var(--coat-2)' },
  { name: 'heavy', label: 'Heavy', fill: 'var(--coat-3)' },
  { name: 'filler', label: 'Filler', fill: 'var(--filler)' },
];
const units = useUnits();
const summary = computed(() => props.surveyMap?.map.summary ?? null);
const classes = computed(() =>
  (CELL_CODES.slice(2) as readonly MetalClass[]).map((name) => ({ name, share: summary.value?.byClass[name] ?? 0 })),
);
const fill = (name: MetalClass) => (name === 'failing' ? 'var(--failing)' : STATES[name].fill);
const LABELS: Record<MetalClass, string> = {
  sound: 'Sound',
  worn: 'Worn',
  thin: 'Thin',
  failing: 'Failing',
  through: 'Through',
};
const thinnest = computed(() =>
  props.readings
    .filter((reading) => reading.metalMm !== null || reading.probe === 'through')
    .reduce<number | null>(
      (least, reading) => Math.min(least ?? Infinity, reading.probe === 'through' ? 0 : reading.metalMm!),
      null,
    ),
);
const thinnestUnder = computed(() =>
  props.readings.some((reading) => reading.metalUnder && reading.metalMm === thinnest.value),
);
const filler = computed(() =>
  props.readings.reduce(
    (most, reading) => (reading.coatingUm !== null && reading.coatingUm > (most?.coatingUm ?? 0) ? reading : most),
    null as ReadingView | null,
  ),
);
</script>

<template>
  <div class="stack">
    <KitTabs v-model="kind" legend="Which map" :options="kinds" small />
    <div v-if="kind === 'coating'">
      <p class="eyebrow">How deep is the filler?</p>
      <template v-if="coatingMap">
        <p class="figure">
          {{
            coatingMap.summary.deepestFiller === 0
              ? 'none'
              : (coatingMap.summary.moreThan ? '> ' : '') + units.sheet(coatingMap.summary.deepestFiller)
          }}
        </p>
        <p class="soft small">
          Filler on about {{ percent(coatingMap.summary.filler) }} of the layer. Measured:
          {{ percent(coatingMap.summary.measured) }}.
          <template v-if="coatingMap.summary.moreThan"
            >Some readings were over the range of the gauge: they count as more than that.</template
          >
        </p>
        <ul class="classes">
          <li v-for="coat in coats" :key="coat.name">
            <span
              class="swatch"
              :class="{ waves: coat.name === 'filler' }"
              :style="{ backgroundColor: coat.fill }"
            /><span class="grow">{{ coat.label }}</span
            ><span class="mono">{{ percent(coatingMap.summary.byClass[coat.name]) }}</span>
          </li>
        </ul>
      </template>
      <p v-else class="soft">
        {{
          layer.material === 'aluminium'
            ? 'This layer is aluminium: a magnetic coating gauge says nothing here.'
            : 'At least three coating readings on different places make a map.'
        }}
      </p>
    </div>
    <div v-if="kind === 'metal'">
      <p class="eyebrow">How much is too thin{{ limit === null ? ' to weld to' : '' }}?</p>
      <template v-if="summary">
        <p class="figure">
          {{ percent(summary.underLimit) }} <small>± {{ percent(summary.underLimitSd) }}</small>
        </p>
        <p class="soft small">
          of {{ layer.name.toLowerCase() }} is likely below {{ units.sheet(surveyMap!.map.limit) }}. Measured:
          {{ percent(summary.measured) }}; called with 90 % certainty: {{ percent(summary.called) }}.
          <strong v-if="summary.measured < 0.95">What is not measured may be anything.</strong>
        </p>
        <div class="row limit" role="group" aria-label="Limit">
          <KitButton small aria-label="Lower limit" @click="shiftLimit(-0.05)">−</KitButton>
          <span class="mono">{{ units.sheet(surveyMap!.map.limit) }}</span>
          <KitButton small aria-label="Higher limit" @click="shiftLimit(0.05)">+</KitButton>
          <KitButton small plain v-if="limit !== null" @click="limit = null">Weldable limit</KitButton>
          <span class="small soft">surely below: {{ percent(summary.surelyUnder) }}</span>
        </div>
      </template>
      <p v-else-if="mapping" role="status">Working out the map …</p>
      <p v-else class="soft">
        {{
          readings.length === 0
            ? 'Nothing is known of this layer yet. Tap Take readings, then the first place.'
            : 'At least three metal readings on different places make a map.'
        }}
      </p>
    </div>
    <ul v-if="summary && kind === 'metal'" class="classes">
      <li v-for="entry in classes" :key="entry.name">
        <span class="swatch" :class="entry.name" :style="{ backgroundColor: fill(entry.name) }" /><span class="grow">{{
          LABELS[entry.name]
        }}</span
        ><span class="mono">{{ percent(entry.share) }}</span>
      </li>
      <li>
        <span class="swatch dotted" /><span class="grow">Not measured</span
        ><span class="mono">{{ percent(1 - summary.measured) }}</span>
      </li>
    </ul>
    <dl>
      <div v-if="thinnest !== null">
        <dt>Thinnest reading</dt>
        <dd class="mono">
          {{ thinnest === 0 ? 'a hole' : `${thinnestUnder ? 'less than ' : ''}${units.sheet(thinnest)}` }}
          <span v-if="thinnest > 0" class="soft">of {{ units.sheet(layer.thickness) }}</span>
        </dd>
      </div>
      <div v-if="filler">
        <dt>Thickest coating</dt>
        <dd class="mono">
          {{ filler.coatingOver ? 'more than ' : '' }}{{ units.coating.text(filler.coatingUm!)
          }}<span v-if="fillerDepth(filler.coatingUm!, rules) > 0" class="alarm">
            – filler {{ filler.coatingOver ? 'over ' : 'about '
            }}{{ units.sheet(fillerDepth(filler.coatingUm!, rules)) }}</span
          >
        </dd>
      </div>
      <div v-if="surveyMap">
        <dt>Map</dt>
        <dd class="small soft">
          kriged from {{ surveyMap.used }} readings in {{ surveyMap.took.toFixed(0) }} ms; a reading left out is met
          within {{ units.sheet(surveyMap.map.leaveOneOutRmse)
          }}<template v-if="leftOut > 0">; {{ leftOut }} on lead or doubled edges left out</template>
        </dd>
      </div>
    </dl>
    <KitNotice bad v-if="surveyMap && surveyMap.map.outliers.length > 0">
      <p>
        {{ surveyMap.map.outliers.length === 1 ? 'One reading does' : `${surveyMap.map.outliers.length} readings do` }}
        not fit what is around {{ surveyMap.map.outliers.length === 1 ? 'it' : 'them' }} (marked ?). Read there again:
      </p>
      <ul class="small">
        <li v-for="o in surveyMap.map.outliers.slice(0, 4)" :key="`${o.u} ${o.v}`">
          <span class="mono">{{ units.sheet(o.value) }}</span> at {{ units.length(o.u) }} / {{ units.length(o.v) }}; the
          others say <span class="mono">{{ units.sheetDoubt(o.expected, o.sd) }}</span>
        </li>
      </ul>
    </KitNotice>
    <KitNotice quiet v-if="proposed && canWork">
      <p>The map proposes a zone of {{ units.area(proposed.area) }} below the weldable limit.</p>
      <KitButton small @click="emit('take')">Take the proposed zone</KitButton>
    </KitNotice>
    <div>
      <p class="eyebrow">Damage, and work to do</p>
      <p v-if="zones.length === 0" class="soft small">None drawn on this panel.</p>
      <KitCollapse v-if="canWork" title="One by its size, or the whole panel">
        <SizedZone :outline="panel.outline" @take="(ring, kind) => emit('sized', ring, kind)" />
      </KitCollapse>
      <ul class="zones">
        <li v-for="zone in zones" :key="zone.id">
          <KitButton small @click="emit('zone', zone.id)">
            {{ ZONE_CLASSES[zone.class] }}, {{ units.area(zone.area) }} · {{ percent(zone.share) }} of the panel{{
              onSheet(panel, zone.layer)
            }}
          </KitButton>
        </li>
      </ul>
    </div>
    <slot />
  </div>
</template>

<style scoped>
.classes,
.zones {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.25rem;
}
.classes li {
  display: flex;
  gap: 0.6rem;
  align-items: center;
}
.thin {
  background-image: radial-gradient(var(--metal-line) 1.2px, transparent 1.6px);
  background-size: 10px 8px;
}
.failing {
  background-image: radial-gradient(var(--metal-line) 1.2px, transparent 1.6px);
  background-size: 5px 5px;
}
.through {
  background-image:
    repeating-linear-gradient(45deg, var(--paper) 0 1px, transparent 1px 5px),
    repeating-linear-gradient(-45deg, var(--paper) 0 1px, transparent 1px 5px);
}
.waves {
  background-image: repeating-radial-gradient(circle at 50% 120%, var(--metal-line) 0 1px, transparent 1px 5px);
}
.limit .mono {
  min-width: 4.5rem;
  text-align: center;
}
.dotted {
  background: radial-gradient(var(--line-strong) 1px, transparent 1.4px) 0 0 / 5px 5px;
}
.zones .btn {
  width: 100%;
  justify-content: flex-start;
  text-align: left;
}
dl {
  margin: 0;
  display: grid;
  gap: 0.4rem;
}
dt {
  font-size: 0.82rem;
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
</style>
