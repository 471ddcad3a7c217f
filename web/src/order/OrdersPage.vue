<script setup lang="ts">
import { computed, ref } from 'vue';
import type { GarageVehicle } from '@aspecta/contract/garage';
import type { OrderLine } from '@aspecta/contract/order';
import { isAwaited, isOver } from '@aspecta/core/order';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import CautionList from '../shell/CautionList.vue';
import { get } from '../shell/api.ts';
import { useInAddress } from '../shell/inAddress.ts';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import OrderCard from './OrderCard.vue';
import OrderForm from './OrderForm.vue';

const session = useSession();
const units = useUnits();
const load = useLoad(async () => {
  const [orders, vehicles] = await Promise.all([get<OrderLine[]>('/orders'), get<GarageVehicle[]>('/vehicles')]);
  return { orders, vehicles };
});
const adding = ref(false);
const FILTERS = [
  { value: 'open', label: 'Open' },
  { value: 'awaited', label: 'On the way' },
  { value: 'all', label: 'All' },
] as const;
const filter = useInAddress<'open' | 'awaited' | 'all'>(
  'show',
  () => 'open',
  () => FILTERS.map(({ value }) => value),
);
const shown = computed(() =>
  (load.data.value?.orders ?? []).filter(
    (line) => filter.value === 'all' || (filter.value === 'awaited' ? isAwaited(line.state) : !isOver(line.state)),
  ),
);
const late = computed(() => (load.data.value?.orders ?? []).filter((line) => line.late).length);
const toPay = computed(() =>
  (load.data.value?.orders ?? []).filter((line) => line.state === 'wanted').reduce((sum, line) => sum + line.landed, 0),
);
const onWay = computed(() => (load.data.value?.orders ?? []).filter((line) => isAwaited(line.state)));
</script>

<template>
  <Waiting :of="load" what="The order book">
    <main v-if="load.data.value" class="page">
      <div class="row spread head">
        <div>
          <p class="eyebrow">Order book</p>
          <h1>What must be ordered, and what is awaited?</h1>
        </div>
        <KitButton main v-if="session.canWork && load.data.value.vehicles.length > 0" @click="adding = true">
          Add a line
        </KitButton>
      </div>
      <div class="figures">
        <div>
          <p class="figure">{{ onWay.length }}</p>
          <p class="soft small">
            on the way<template v-if="late > 0"
              >, <strong class="alarm">{{ late }} late</strong></template
            >
          </p>
        </div>
        <div>
          <p class="figure">{{ units.roundMoney(toPay) }}</p>
          <p class="soft small">wanted and not yet ordered, landed</p>
        </div>
      </div>
      <KitChips v-model="filter" legend="Show" hide-legend :options="FILTERS" />
      <p v-if="shown.length === 0" class="tile empty soft">
        {{
          load.data.value.orders.length === 0
            ? 'The book is empty. Decide for a whole panel, and it appears here with its landed price.'
            : 'Nothing of this kind.'
        }}
      </p>
      <div class="lines"><OrderCard v-for="line in shown" :key="line.id" :line="line" @changed="load.reload()" /></div>
      <KitCollapse>
        <template #title>When a panel arrives</template>
        <CautionList step="arrival"
          ><li>
            Check thickness, flanges, holes and hand (left or right), and try it on the car before anything is cut.
          </li></CautionList
        >
      </KitCollapse>
      <OrderForm v-if="adding" :vehicles="load.data.value.vehicles" @close="adding = false" @saved="load.reload()" />
    </main>
  </Waiting>
</template>

<style scoped>
.head {
  margin-bottom: 1rem;
}
.figures {
  display: flex;
  gap: 2.5rem;
  margin-bottom: 1rem;
  flex-wrap: wrap;
}
.lines {
  display: grid;
  gap: 0.75rem;
  margin: 1rem 0;
  max-width: 1100px;
}
.empty {
  margin-top: 1rem;
}
</style>
