<script setup lang="ts">
import type { MakerRecord } from '@aspecta/core/order';
import ChartView from '../charts/ChartView.vue';
import KitTable from '../kit/KitTable.vue';
import { hours } from '../shell/units.ts';
import { makersChart } from './makersChart.ts';

/* What the deliveries of each maker have taught: how long they really take, and how their parts fit. */
defineProps<{ makers: readonly MakerRecord[] }>();
</script>

<template>
  <section class="makers">
    <h2>What the makers’ parts were like</h2>
    <KitTable>
      <thead>
        <tr>
          <th>Maker</th>
          <th class="num">Deliveries</th>
          <th class="num">Days, against promised</th>
          <th class="num">Fitted as they came</th>
          <th class="num">Did not serve</th>
          <th class="num">Work on one used</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in makers" :key="one.maker">
          <th scope="row">{{ one.maker }}</th>
          <td class="num">{{ one.timed.length }}</td>
          <td class="num">
            <template v-if="one.timed.length > 0"
              >×{{ one.factor.p50.toFixed(1) }}, in 9 of 10 up to ×{{ one.factor.p90.toFixed(1) }}</template
            ><template v-else>not known</template>
          </td>
          <td class="num">{{ one.checked > 0 ? `${one.fitted} of ${one.checked}` : 'none checked' }}</td>
          <td class="num">{{ one.gone }}</td>
          <td class="num">{{ one.rework === null ? '–' : hours(one.rework) }}</td>
        </tr>
      </tbody>
    </KitTable>
    <ChartView v-if="makers.some(({ timed }) => timed.length > 0)" :chart="makersChart(makers)" />
  </section>
</template>

<style scoped>
.makers {
  max-width: 1100px;
  margin: 1.5rem 0;
  overflow-x: auto;
}
.makers h2 {
  font-size: 1.1rem;
  margin: 0 0 0.4rem;
}
</style>
