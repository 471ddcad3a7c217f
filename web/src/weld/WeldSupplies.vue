<script setup lang="ts">
import { computed } from 'vue';
import type { WeldSupplies } from '@aspecta/core/weld';
import KitCollapse from '../kit/KitCollapse.vue';
import WantForm from '../order/WantForm.vue';
import { GRAMS_PER_OUNCE, LITRES_PER_CU_FT } from '../shell/measures.ts';
import { useUnits } from '../shell/units.ts';

/* What the welds of a repair use up, so that it is there before one begins; what is short goes into the order book. */
const props = defineProps<{ vehicle: string; supplies: WeldSupplies; rod: boolean; note: string }>();
const units = useUnits();
const inch = computed(() => units.unit.value === 'in');
const M_PER_FT = 0.3048;
/** What it takes, and as what it is bought. */
const all = computed(() => {
  const { filler, gas, discs } = props.supplies;
  const some = (value: number) => (value < 10 ? value.toFixed(1) : String(Math.round(value)));
  const out: { takes: string; item: string; quantity: number }[] = [];
  if (filler) {
    const what = `${units.sheet(filler.across)} ${props.rod ? 'rod' : 'wire'}`;
    const weight = inch.value ? `${(filler.grams / GRAMS_PER_OUNCE).toFixed(2)} oz` : `${some(filler.grams)} g`;
    const length = some(filler.metres / (inch.value ? M_PER_FT : 1));
    out.push({
      takes: `${length} ${inch.value ? 'ft' : 'm'} of ${what} (${weight})`,
      item: props.rod
        ? `Filler rod, ${units.sheet(filler.across)}, a bundle`
        : `Welding wire, ${units.sheet(filler.across)}, a reel`,
      quantity: 1,
    });
  }
  if (gas)
    out.push({
      takes: inch.value ? `${(gas / LITRES_PER_CU_FT).toFixed(1)} cu ft of gas` : `${some(gas)} l of gas`,
      item: 'Shielding gas, a filling',
      quantity: 1,
    });
  if (discs > 0)
    out.push({ takes: `${discs} flap ${discs === 1 ? 'disc' : 'discs'}`, item: 'Flap disc', quantity: discs });
  return out;
});
</script>

<template>
  <template v-if="all.length > 0">
    <p class="small">It takes about {{ all.map(({ takes }) => takes).join(', ') }}; a third more or less.</p>
    <KitCollapse title="Is any of it short?">
      <div v-for="{ item, quantity } in all" :key="item" class="row spread">
        <span>{{ item }}{{ quantity > 1 ? `, ${quantity} of them` : '' }}</span>
        <WantForm :vehicle="vehicle" :item="item" :quantity="quantity" :note="note" />
      </div>
    </KitCollapse>
  </template>
</template>
