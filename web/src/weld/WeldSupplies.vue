<script setup lang="ts">
import { computed } from 'vue';
import type { WeldSupplies } from '@aspecta/core/weld';
import { useUnits } from '../shell/units.ts';

/* What the welds of a repair use up, so that it is there before one begins. */
const props = defineProps<{ supplies: WeldSupplies; rod: boolean }>();
const units = useUnits();
const inch = computed(() => units.unit.value === 'in');
const LITRES_PER_CU_FT = 28.316_8;
const GRAMS_PER_OUNCE = 28.349_5;
const M_PER_FT = 0.3048;
const text = computed(() => {
  const { filler, gas, discs } = props.supplies;
  const some = (value: number) => (value < 10 ? value.toFixed(1) : String(Math.round(value)));
  return [
    filler &&
      `${some(filler.metres / (inch.value ? M_PER_FT : 1))} ${inch.value ? 'ft' : 'm'} of ${units.sheet(filler.across)} ${
        props.rod ? 'rod' : 'wire'
      } (${inch.value ? `${(filler.grams / GRAMS_PER_OUNCE).toFixed(2)} oz` : `${some(filler.grams)} g`})`,
    gas && (inch.value ? `${(gas / LITRES_PER_CU_FT).toFixed(1)} cu ft of gas` : `${some(gas)} l of gas`),
    discs > 0 && `${discs} flap ${discs === 1 ? 'disc' : 'discs'}`,
  ]
    .filter(Boolean)
    .join(', ');
});
</script>

<template>
  <p v-if="text" class="small">It takes about {{ text }}; a third more or less.</p>
</template>
