<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { GarageVehicle } from '@aspecta/contract/garage';
import type { OrderAdvice, OrderLine } from '@aspecta/contract/order';
import { isAwaited, isOver } from '@aspecta/core/order';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import CautionList from '../shell/CautionList.vue';
import { get } from '../shell/api.ts';
import { useInAddress } from '../shell/inAddress.ts';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import BasketTile from './BasketTile.vue';
import { inOrder } from './inOrder.ts';
import MakersTile from './MakersTile.vue';
import OrderCard from './OrderCard.vue';
import OrderForm from './OrderForm.vue';
import ParcelForm from './ParcelForm.vue';

const session = useSession();
const units = useUnits();
const load = useLoad(async () => {
  const [orders, vehicles] = await Promise.all([get<OrderLine[]>('/orders'), get<GarageVehicle[]>('/vehicles')]);
  return { orders, vehicles };
});
/** Takes a plan of all cars, and so comes after the lines. */
const advice = useLoad(() => get<OrderAdvice>('/orders/advice'));
const needOf = (line: OrderLine) =>
  // What has just been ordered is not asked for again while the plan of all cars is made anew.
  line.state === 'wanted' ? advice.data.value?.needs.find((need) => need.line === line.id) : undefined;
const refresh = () => Promise.all([load.reload(), advice.reload()]);
const adding = ref(false);
const sending = shallowRef<{ maker: string; carriage: number; lines: { line: OrderLine; price: number }[] } | null>(
  null,
);
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
const car = useInAddress<string>(
  'car',
  () => '',
  () => ['', ...(load.data.value?.vehicles ?? []).map(({ id }) => id)],
);
const shown = computed(() =>
  inOrder(load.data.value?.orders ?? [], advice.data.value?.needs).filter(
    (line) =>
      (car.value === '' || line.vehicleId === car.value) &&
      (filter.value === 'all' || (filter.value === 'awaited' ? isAwaited(line.state) : !isOver(line.state))),
  ),
);
const late = computed(() => (load.data.value?.orders ?? []).filter((line) => line.late).length);
const landed = (lines: readonly OrderLine[]) => lines.reduce((sum, line) => sum + line.landed, 0);
const toPay = computed(() => landed((load.data.value?.orders ?? []).filter((line) => line.state === 'wanted')));
const quotedFor = (lines: readonly { line: OrderLine }[]) => {
  const days = lines.flatMap(({ line }) => needOf(line)?.quoted ?? []);
  return days.length > 0 ? Math.max(...days) : null;
};
const togetherWith = (line: OrderLine) =>
  line.parcel === null ? [] : (load.data.value?.orders ?? []).filter(({ parcel }) => parcel === line.parcel);
const wanted = computed(() =>
  (load.data.value?.orders ?? []).filter(({ state, unneeded }) => state === 'wanted' && unneeded === null),
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
            on the way<template v-if="onWay.length > 0">, {{ units.roundMoney(landed(onWay)) }} landed</template
            ><template v-if="late > 0"
              >, <strong class="alarm">{{ late }} late</strong></template
            >
          </p>
        </div>
        <div>
          <p class="figure">{{ units.roundMoney(toPay) }}</p>
          <p class="soft small">wanted and not yet ordered, landed</p>
        </div>
      </div>
      <BasketTile
        v-if="advice.data.value?.basket && wanted.length > 0"
        :basket="advice.data.value.basket"
        :lines="wanted"
        @order="sending = $event"
      />
      <KitNotice v-if="wanted.length > 0 && advice.data.value?.problem"
        >{{ advice.data.value.problem }}
        <RouterLink :to="`/vehicles/${wanted[0]!.vehicleId}/plan`">To the plan</RouterLink></KitNotice
      >
      <KitNotice v-if="advice.error.value" bad
        >By when to order could not be reckoned: {{ advice.error.value }}</KitNotice
      >
      <div class="row filters">
        <KitChips v-model="filter" legend="Show" hide-legend :options="FILTERS" />
        <KitField v-if="load.data.value.vehicles.length > 1" v-slot="{ bind }" label="Car"
          ><KitSelect v-bind="bind" v-model="car">
            <option value="">All cars</option>
            <option v-for="one in load.data.value.vehicles" :key="one.id" :value="one.id">{{ one.nickname }}</option>
          </KitSelect></KitField
        >
        <KitButton v-if="load.data.value.orders.length > 0" href="/api/orders/orders.xlsx">As a table</KitButton>
      </div>
      <p v-if="shown.length === 0" class="tile empty soft">
        {{
          load.data.value.orders.length === 0
            ? 'The book is empty. Decide for a whole panel, and it appears here with its landed price.'
            : 'Nothing of this kind.'
        }}
      </p>
      <div class="lines">
        <OrderCard
          v-for="line in shown"
          :key="line.id"
          :line="line"
          :need="needOf(line)"
          :together="togetherWith(line)"
          @changed="refresh"
        />
      </div>
      <MakersTile v-if="advice.data.value && advice.data.value.makers.length > 0" :makers="advice.data.value.makers" />
      <KitCollapse>
        <template #title>When a panel arrives</template>
        <CautionList step="arrival"
          ><li>
            Check thickness, flanges, holes and hand (left or right), and try it on the car before anything is cut.
          </li></CautionList
        >
      </KitCollapse>
      <OrderForm v-if="adding" :vehicles="load.data.value.vehicles" @close="adding = false" @saved="refresh" />
      <ParcelForm
        v-if="sending"
        v-bind="sending"
        :quoted="quotedFor(sending.lines)"
        @close="sending = null"
        @saved="refresh"
      />
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
.filters {
  align-items: end;
}
.empty {
  margin-top: 1rem;
}
</style>
