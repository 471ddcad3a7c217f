<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import type { OfferElsewhere } from '@aspecta/contract/verdict';
import { get, post } from '../shell/api.ts';
import Field from '../shell/Field.vue';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { wholeNumber } from '../shell/whole.ts';

const props = defineProps<{ vehicle: string; panel: string; known: boolean; foreign: number }>();
const emit = defineEmits<{ added: [] }>();
const session = useSession();
const form = useForm();
const units = useUnits();
const draft = reactive({ maker: '', price: '', carriage: '', leadDays: '' });
const currency = computed(() => session.current?.shop.currency ?? 'EUR');
/** One for each price, so that one that is sent again is stored once. */
const offerId = ref(newId());
/** What is known for the same panel on other cars: taken over only when the person says so. */
const elsewhere = shallowRef<readonly OfferElsewhere[]>([]);
watch(
  () => `${props.vehicle} ${props.panel}`,
  async () => {
    elsewhere.value = await get<OfferElsewhere[]>(
      `/vehicles/${props.vehicle}/panels/${props.panel}/offers-elsewhere`,
    ).catch(() => []);
  },
  { immediate: true },
);
function take({ maker, price, carriage, leadDays }: OfferElsewhere): void {
  Object.assign(draft, {
    maker,
    price: majorUnits(price),
    carriage: majorUnits(carriage),
    leadDays: String(leadDays),
  });
}

async function add(): Promise<void> {
  const done = await form.submit(async () => {
    await post(`/vehicles/${props.vehicle}/offers`, {
      panel: props.panel,
      maker: draft.maker,
      id: offerId.value,
      price: minorUnits(draft.price, currency.value, 'price'),
      carriage: minorUnits(draft.carriage || '0', currency.value, 'carriage'),
      leadDays: wholeNumber(draft.leadDays),
    });
  });
  if (!done) return;
  Object.assign(draft, { maker: '', price: '', carriage: '', leadDays: '' });
  offerId.value = newId();
  emit('added');
}
</script>

<template>
  <details v-if="session.canWork" :open="!known">
    <summary>
      {{
        known ? 'Enter another price for the whole panel' : 'What does the whole panel cost? Enter a price to weigh it'
      }}
    </summary>
    <p v-if="foreign > 0" class="small soft">
      {{ foreign === 1 ? 'One price was' : `${foreign} prices were` }} noted in another currency and
      {{ foreign === 1 ? 'is' : 'are' }} not weighed.
    </p>
    <form class="prices" @submit.prevent="add">
      <Field v-slot="{ bind }" label="Maker" :error="form.errors['maker']"
        ><input v-bind="bind" v-model="draft.maker" class="input"
      /></Field>
      <Field
        v-slot="{ bind }"
        :label="`Price, ${session.current?.shop.currency}`"
        hint="Before tax"
        :error="form.errors['price']"
        ><input v-bind="bind" v-model="draft.price" class="input mono" inputmode="decimal"
      /></Field>
      <Field v-slot="{ bind }" label="Carriage" :error="form.errors['carriage']"
        ><input v-bind="bind" v-model="draft.carriage" class="input mono" inputmode="decimal"
      /></Field>
      <Field v-slot="{ bind }" label="Delivery, days" :error="form.errors['leadDays']"
        ><input v-bind="bind" v-model="draft.leadDays" class="input mono" inputmode="numeric"
      /></Field>
      <button class="btn" :disabled="form.busy.value">Add the price</button>
    </form>
    <div v-if="elsewhere.length > 0" class="row">
      <span class="small soft">Known for another car:</span>
      <button v-for="offer in elsewhere" :key="offer.id" type="button" class="btn small-btn" @click="take(offer)">
        {{ offer.maker }}, {{ units.money(offer.price, offer.currency) }} ({{ offer.vehicle }})
      </button>
    </div>
    <p v-if="form.general.value" class="notice bad" role="alert">{{ form.general.value }}</p>
  </details>
</template>

<style scoped>
.prices {
  display: grid;
  grid-template-columns: 1.4fr 1fr 1fr 1fr auto;
  gap: 0.6rem;
  align-items: start;
}
.prices .btn {
  margin-top: 1.5rem;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
@media (max-width: 1100px) {
  .prices {
    grid-template-columns: 1fr 1fr;
  }
  .prices .btn {
    margin-top: 0;
  }
}
</style>
