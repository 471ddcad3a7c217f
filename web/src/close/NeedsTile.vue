<script setup lang="ts">
import type { NeedView } from '@aspecta/contract/close';
import WantForm from '../order/WantForm.vue';
import { volumeText } from '../shell/measures.ts';
import { useUnits } from '../shell/units.ts';

/* What the coats of this car still take, in cans as they are sold, and into the order book with them. */
defineProps<{ vehicle: string; needs: readonly NeedView[] }>();
const units = useUnits();
const volume = (litres: number) => volumeText(litres, units.unit.value);
</script>

<template>
  <section class="tile stack">
    <h2>What the coats take</h2>
    <p class="small soft">
      By what goes onto which side, as it is told below. What is recorded is taken off, a third is reckoned as lost
      beside it.
    </p>
    <div v-for="need in needs" :key="need.kind" class="row spread">
      <span
        >{{ need.name }}: <strong class="mono">{{ volume(need.litres) }}</strong>, {{ need.cans }} ×
        {{ volume(need.can) }}</span
      >
      <WantForm
        :vehicle="vehicle"
        :item="`${need.name}, ${volume(need.can)}`"
        :quantity="need.cans"
        note="For the coats under Close"
      />
    </div>
  </section>
</template>

<style scoped>
h2 {
  margin: 0;
}
</style>
