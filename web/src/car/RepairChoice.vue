<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { OPTION_WORDS, type RepairView } from '@aspecta/contract/verdict';
import { panelOf, pieceName, type BodyPlan } from '@aspecta/core/body';
import { isCutIn } from '@aspecta/core/verdict';
import KitSelect from '../kit/KitSelect.vue';
import { useUnits } from '../shell/units.ts';

/* From one repair of a car to the next, on the same station; nothing where there is only one. */
const props = defineProps<{
  vehicle: string;
  repair: string;
  repairs: readonly RepairView[];
  plan: BodyPlan;
  station: 'cut' | 'joints' | 'way' | 'fit' | 'weld' | 'dress' | 'pattern';
}>();
const router = useRouter();
const units = useUnits();
const options = computed(() =>
  props.repairs.map(({ id, panel, layers, choice, areaNow }) => ({
    id,
    // Of a whole panel the damage says nothing.
    text: `${pieceName(panelOf(props.plan, panel), layers)}: ${OPTION_WORDS[choice].name.toLowerCase()}${isCutIn(choice) ? `, ${units.area(areaNow)}` : ''}`,
  })),
);
</script>

<template>
  <KitSelect
    v-if="options.length > 1"
    :model-value="repair"
    aria-label="Which repair"
    @update:model-value="(to: string) => router.push(`/vehicles/${vehicle}/repairs/${to}/${station}`)"
  >
    <option v-for="option in options" :key="option.id" :value="option.id">{{ option.text }}</option>
  </KitSelect>
</template>
