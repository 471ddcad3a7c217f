<script setup lang="ts">
import { computed } from 'vue';
import { settings } from '@aspecta/core/weld';
import type { WeldPlanView } from '@aspecta/contract/weld';
import KitTable from '../kit/KitTable.vue';
import { useUnits } from '../shell/units.ts';

/* How the welder is set; what a process does not have is left out. */
const props = defineProps<{ view: WeldPlanView }>();
const units = useUnits();
/** What the spot welder takes, where there is anything for it. */
const spots = computed(() => {
  const { plan, sheet } = props.view;
  if (!plan.steps.some(({ kind }) => kind === 'spot')) return [];
  const { thickness, material, other } = sheet;
  return settings({ process: 'spot', thickness, material, ...(other ? { other } : {}) }).notes;
});
</script>

<template>
  <KitTable>
    <tbody>
      <tr v-if="view.sheet.other !== null">
        <td>The sheets</td>
        <td class="num">{{ units.sheet(view.sheet.thickness) }} to {{ units.sheet(view.sheet.other) }}</td>
      </tr>
      <tr v-if="view.plan.settings.tackCurrent !== null">
        <td>Tack current, plugs too</td>
        <td class="num">{{ view.plan.settings.tackCurrent }} A</td>
      </tr>
      <tr v-if="view.plan.settings.seamCurrent !== null">
        <td>Seam current, a fifth less</td>
        <td class="num">{{ view.plan.settings.seamCurrent }} A</td>
      </tr>
      <tr v-if="view.plan.settings.volts !== null">
        <td>Voltage</td>
        <td class="num">{{ view.plan.settings.volts }} V</td>
      </tr>
      <tr v-if="view.plan.settings.polarity">
        <td>Torch on</td>
        <td class="num">{{ view.plan.settings.polarity }}</td>
      </tr>
      <tr v-if="view.plan.settings.filler !== null">
        <td>{{ view.input.process === 'mig' ? 'Wire' : 'Filler rod' }}</td>
        <td class="num">{{ units.sheet(view.plan.settings.filler) }}</td>
      </tr>
      <tr>
        <td>Gas</td>
        <td>
          {{ view.plan.settings.gas
          }}<template v-if="view.plan.settings.gasFlow !== null"
            >, {{ units.said(`${view.plan.settings.gasFlow} l/min`) }}</template
          >
        </td>
      </tr>
    </tbody>
  </KitTable>
  <p v-for="note in view.plan.settings.notes" :key="note" class="small soft">{{ units.said(note) }}</p>
  <template v-if="spots.length > 0">
    <h3>The spot welder</h3>
    <p v-for="note in spots" :key="note" class="small soft">{{ units.said(note) }}</p>
  </template>
</template>

<style scoped>
h3 {
  font-size: 1rem;
  margin: 0;
}
</style>
