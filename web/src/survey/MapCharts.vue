<script setup lang="ts">
import { computed } from 'vue';
import type { Layer } from '@aspecta/core/body';
import type { CensoredSample, ThicknessMap } from '@aspecta/core/survey';
import ChartView from '../charts/ChartView.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import { useUnits } from '../shell/units.ts';
import { histogram, variogramChart } from './surveyCharts.ts';

/* What the map rests on: the readings themselves, and how they hang together. */
const props = defineProps<{ layer: Layer; samples: readonly CensoredSample[]; map: ThicknessMap; limit: number }>();
const units = useUnits();
const readings = computed(() =>
  histogram(props.samples, { asBuilt: props.layer.thickness, limit: props.limit, unit: units.unit.value }),
);
const model = computed(() => variogramChart(props.samples, props.map.model, units.unit.value));
</script>

<template>
  <KitCollapse title="What the map rests on">
    <div class="stack">
      <ChartView :chart="readings" />
      <ChartView :chart="model" />
    </div>
  </KitCollapse>
</template>
