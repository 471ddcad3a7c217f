<script setup lang="ts">
import { computed } from 'vue';
import type { ReadingView } from '@aspecta/contract/survey';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
import { timeOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';

const props = defineProps<{ readings: readonly ReadingView[]; picked: ReadingView | null; canWork: boolean }>();
const emit = defineEmits<{ withdraw: [id: string]; pick: [reading: ReadingView] }>();
const units = useUnits();
const latest = computed(() => [...props.readings].reverse().slice(0, 12));
const value = (reading: ReadingView) =>
  [
    reading.metalMm === null ? '' : `${reading.metalUnder ? '<' : ''}${units.sheet(reading.metalMm)}`,
    reading.coatingUm === null ? '' : `${reading.coatingOver ? '>' : ''}${units.coating.text(reading.coatingUm)}`,
    reading.probe ?? '',
  ]
    .filter(Boolean)
    .join(', ');
</script>

<template>
  <div>
    <KitNotice quiet v-if="picked" class="picked">
      <p>
        <strong class="mono">{{ value(picked) }}</strong> at {{ units.length(picked.u) }} /
        {{ units.length(picked.v) }}, {{ picked.layer }}<br /><span class="small soft"
          >{{ picked.by }}, {{ timeOf(picked.takenAt ?? picked.at)
          }}{{ picked.instrument ? `, ${picked.instrument}` : '' }}{{ picked.note ? ` – ${picked.note}` : '' }}</span
        >
      </p>
      <KitButton small v-if="canWork" @click="emit('withdraw', picked.id)"> It was a slip: withdraw it </KitButton>
    </KitNotice>
    <KitCollapse v-if="readings.length > 0">
      <template #title>The last readings</template>
      <KitTable>
        <thead>
          <tr>
            <th>Value</th>
            <th class="num">u</th>
            <th class="num">v</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="reading in latest" :key="reading.id" @click="emit('pick', reading)">
            <td class="mono">{{ value(reading) }}</td>
            <td class="num">{{ units.length(reading.u) }}</td>
            <td class="num">{{ units.length(reading.v) }}</td>
          </tr>
        </tbody>
      </KitTable>
    </KitCollapse>
  </div>
</template>

<style scoped>
tbody tr {
  cursor: pointer;
}
.picked {
  margin-bottom: 0.75rem;
}
</style>
