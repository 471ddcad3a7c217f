<script setup lang="ts">
import { computed } from 'vue';
import type { BasketView, OrderLine } from '@aspecta/contract/order';
import KitButton from '../kit/KitButton.vue';
import { percent, useUnits } from '../shell/units.ts';
import { useSession } from '../shell/session.ts';

/* From whom all that is wanted costs least, with one parcel and one carriage from each maker. */
const props = defineProps<{ basket: BasketView; lines: readonly OrderLine[] }>();
const emit = defineEmits<{
  order: [parcel: { maker: string; carriage: number; lines: { line: OrderLine; price: number }[] }];
}>();
const units = useUnits();
const session = useSession();
const saved = computed(() => props.basket.asItIs - props.basket.total);
const order = ({ maker, carriage, lines }: BasketView['parcels'][number]) =>
  emit('order', {
    maker,
    carriage,
    lines: lines.flatMap(({ id, price }) => {
      const line = props.lines.find((one) => one.id === id);
      return line ? [{ line, price }] : [];
    }),
  });
</script>

<template>
  <section class="tile basket">
    <h2>What is wanted, at least cost</h2>
    <p>
      <strong class="mono big">{{ units.money(basket.total, basket.currency) }}</strong>
      <template v-if="saved > 0">
        instead of {{ units.money(basket.asItIs, basket.currency) }}: one parcel from each maker saves
        {{ units.money(saved, basket.currency) }}.</template
      >
      <template v-else> as it stands in the book; nobody sends it for less.</template>
    </p>
    <ul class="plain">
      <li v-for="parcel in basket.parcels" :key="parcel.maker" class="row spread">
        <div class="what">
          <strong>{{ parcel.maker }}</strong>
          <p class="small">
            <template v-for="(line, i) in parcel.lines" :key="line.id"
              >{{ i > 0 ? ' · ' : '' }}{{ line.name }} ({{ line.vehicle }}){{
                line.before === parcel.maker ? '' : `, not from ${line.before}`
              }}</template
            >
          </p>
          <p class="small soft">
            {{ units.money(parcel.goods, basket.currency) }} goods +
            {{ units.money(parcel.carriage, basket.currency) }} carriage + tax =
            {{ units.money(parcel.total, basket.currency) }}
            <template v-if="parcel.carriage > 0"
              >(carriage adds {{ percent(parcel.carriage / Math.max(1, parcel.goods)) }})</template
            >
          </p>
        </div>
        <KitButton v-if="session.canWork" small @click="order(parcel)"
          >Order {{ parcel.lines.length > 1 ? `these ${parcel.lines.length} together` : 'it' }}</KitButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.basket {
  max-width: 1100px;
  margin: 1rem 0;
}
.basket h2 {
  margin: 0;
  font-size: 1.1rem;
}
.big {
  font-size: 1.3rem;
}
.what {
  flex: 1 1 18rem;
  min-width: 0;
}
.what p {
  margin: 0.1rem 0;
}
</style>
