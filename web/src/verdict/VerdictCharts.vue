<script setup lang="ts">
import { computed } from 'vue';
import type { OptionId, Verdict } from '@aspecta/core/verdict';
import ChartView from '../charts/ChartView.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import { useUnits } from '../shell/units.ts';
import { costChart, hoursChart, shareChart } from './verdictCharts.ts';

/* The options beside each other, as one would rather look than read. */
const props = defineProps<{ verdict: Verdict; choice: OptionId | null }>();
const units = useUnits();
const hours = computed(() => hoursChart(props.verdict.options, props.choice));
const cost = computed(() => costChart(props.verdict.options, props.choice, units.roundMoney));
const share = computed(() => shareChart(props.verdict, units.roundMoney));
</script>

<template>
  <div class="charts">
    <ChartView :chart="hours" />
    <ChartView :chart="cost" />
    <KitCollapse v-if="share" title="As the damage grows" class="across"><ChartView :chart="share" /></KitCollapse>
  </div>
</template>

<style scoped>
.charts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 320px), 1fr));
  gap: 1rem;
}
.across {
  grid-column: 1 / -1;
}
</style>
