<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { NeedView } from '@aspecta/contract/close';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { post } from '../shell/api.ts';
import { minorUnits } from '../shell/money.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* What the coats of this car still take, in cans as they are sold, and into the order book with them. */
const props = defineProps<{ vehicle: string; needs: readonly NeedView[] }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const ordering = ref<string | null>(null);
const ordered = ref<readonly string[]>([]);
const draft = reactive({ maker: '', price: '' });
/** Cans are sold by the litre or by the US gallon's quart. */
const volume = (litres: number) =>
  units.unit.value === 'mm' ? `${litres.toFixed(litres < 0.1 ? 2 : 1)} l` : `${(litres / 0.946_353).toFixed(1)} qt`;
async function order({ kind, name, cans, can }: NeedView): Promise<void> {
  const done = await form.submit(() =>
    post('/orders', {
      ...{ id: newId(), vehicleId: props.vehicle, panel: '', item: `${name}, ${volume(can)}` },
      ...{ maker: draft.maker, quantity: cans, carriage: 0, due: null, note: 'For the coats under Close' },
      price: minorUnits(draft.price, session.current?.shop.currency ?? 'EUR', 'price'),
    }),
  );
  if (!done) return;
  ordered.value = [...ordered.value, kind];
  ordering.value = null;
}
</script>

<template>
  <section class="tile stack">
    <h2>What the coats take</h2>
    <p class="small soft">
      Primer twice; wax in a hollow, paint where it is seen, a thick coat where it is not. What is recorded is taken
      off, a third is reckoned as lost beside it.
    </p>
    <div v-for="need in needs" :key="need.kind">
      <div class="row spread">
        <span
          >{{ need.name }}: <strong class="mono">{{ volume(need.litres) }}</strong>, {{ need.cans }} ×
          {{ volume(need.can) }}</span
        >
        <span v-if="ordered.includes(need.kind)" class="soft"
          ><RouterLink to="/orders">In the order book</RouterLink></span
        >
        <KitButton
          v-else-if="session.canWork && ordering !== need.kind"
          small
          :aria-label="`${need.name} into the order book`"
          @click="ordering = need.kind"
          >Into the order book</KitButton
        >
      </div>
      <form v-if="ordering === need.kind" class="stack" @submit.prevent="order(need)">
        <KitField v-slot="{ bind }" label="From whom" :error="form.errors['maker'] ?? null"
          ><KitInput v-bind="bind" v-model="draft.maker"
        /></KitField>
        <KitField v-slot="{ bind }" label="Price of one, before tax" :error="form.errors['price'] ?? null"
          ><KitInput v-bind="bind" v-model="draft.price" mono inputmode="decimal"
        /></KitField>
        <p v-if="form.rest('maker', 'price')" class="alarm" role="alert">{{ form.rest('maker', 'price') }}</p>
        <div class="row">
          <KitButton submit main :disabled="form.busy.value">Want {{ need.cans }}</KitButton>
          <KitButton @click="ordering = null">Cancel</KitButton>
        </div>
      </form>
    </div>
  </section>
</template>

<style scoped>
h2 {
  margin: 0;
}
</style>
