<script setup lang="ts">
import { computed } from 'vue';
import type { ReadingView, ZoneView } from '@aspecta/contract/survey';
import { ZONE_CLASSES } from '@aspecta/contract/survey';
import type { Layer } from '@aspecta/core/body';
import { CELL_CODES, fillerDepth, type MetalClass } from '@aspecta/core/survey';
import { percent, useUnits } from '../shell/units.ts';
import type { SurveyMap } from '../workers/compute.ts';
import { STATES } from '../board/boardScene.ts';

/* What the readings of a panel say, in one sentence and one figure; then the reasons. */
const props = defineProps<{
  layer: Layer;
  readings: readonly ReadingView[];
  surveyMap: SurveyMap | null;
  mapping: boolean;
  zones: readonly ZoneView[];
  proposed: { area: number } | null;
  canWork: boolean;
}>();
const emit = defineEmits<{ take: []; zone: [id: string] }>();
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
const filler = computed(() =>
  props.readings.reduce(
    (most, reading) => (reading.coatingUm !== null && reading.coatingUm > (most?.coatingUm ?? 0) ? reading : most),
    null as ReadingView | null,
  ),
);
</script>

<template>
  <div class="stack">
    <div>
      <p class="eyebrow">How much is too thin to weld to?</p>
      <template v-if="summary">
        <p class="figure">
          {{ percent(summary.underLimit) }} <small>± {{ percent(summary.underLimitSd) }}</small>
        </p>
        <p class="soft small">
          of {{ layer.name.toLowerCase() }} is likely below {{ units.sheet(surveyMap!.map.limit) }}. Measured:
          {{ percent(summary.measured) }}; called with 90 % certainty: {{ percent(summary.called) }}.
          <strong v-if="summary.measured < 0.95">What is not measured may be anything.</strong>
        </p>
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
    <ul v-if="summary" class="classes">
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
          {{ thinnest === 0 ? 'a hole' : units.sheet(thinnest) }}
          <span class="soft">of {{ units.sheet(layer.thickness) }}</span>
        </dd>
      </div>
      <div v-if="filler">
        <dt>Thickest coating</dt>
        <dd class="mono">
          {{ filler.coatingOver ? 'more than ' : '' }}{{ filler.coatingUm!.toFixed(0) }} µm<span
            v-if="fillerDepth(filler.coatingUm!) > 0"
            class="alarm"
          >
            – filler {{ filler.coatingOver ? 'over ' : 'about '
            }}{{ units.sheet(fillerDepth(filler.coatingUm!)) }}</span
          >
        </dd>
      </div>
      <div v-if="surveyMap">
        <dt>Map</dt>
        <dd class="small soft">
          kriged from {{ readings.length }} readings in {{ surveyMap.took.toFixed(0) }} ms; a reading left out is met
          within {{ units.sheet(surveyMap.map.leaveOneOutRmse) }}
        </dd>
      </div>
    </dl>
    <div v-if="proposed && canWork" class="notice">
      <p>The map proposes a zone of {{ units.area(proposed.area) }} below the weldable limit.</p>
      <button class="btn small-btn" @click="emit('take')">Take the proposed zone</button>
    </div>
    <div>
      <p class="eyebrow">Damage zones</p>
      <p v-if="zones.length === 0" class="soft small">None drawn on this panel.</p>
      <ul class="zones">
        <li v-for="zone in zones" :key="zone.id">
          <button class="btn small-btn" @click="emit('zone', zone.id)">
            {{ ZONE_CLASSES[zone.class] }}, {{ units.area(zone.area) }} · {{ percent(zone.share) }} of the panel
          </button>
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
