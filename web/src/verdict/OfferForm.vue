<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import type { OfferElsewhere } from '@aspecta/contract/verdict';
import { boughtSheet, type Panel } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get, post } from '../shell/api.ts';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { wholeNumber } from '../shell/typedNumber.ts';

const props = defineProps<{
  vehicle: string;
  panel: Panel;
  /** Sheets of it that are decided about: the foremost is what is bought. */
  layers: readonly string[];
  known: boolean;
  foreign: number;
}>();
/** Null: the outermost, or the panel as it is sold. */
const layer = computed(() => boughtSheet(props.panel, props.layers));
const bought = computed(() => {
  const sheet = props.panel.layers.find(({ id }) => id === layer.value);
  return sheet ? `the whole ${sheet.name.toLowerCase()}` : 'the whole panel';
});
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
  () => `${props.vehicle} ${props.panel.id}`,
  async () => {
    elsewhere.value = await get<OfferElsewhere[]>(
      `/vehicles/${props.vehicle}/panels/${props.panel.id}/offers-elsewhere`,
    ).catch(() => []);
  },
  { immediate: true },
);
/** Of these, those for the same sheet. */
const elsewhereFor = computed(() => elsewhere.value.filter((offer) => (offer.layer ?? null) === layer.value));
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
      panel: props.panel.id,
      layer: layer.value,
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
  <KitCollapse v-if="session.canWork" :open="!known">
    <template #title>
      {{ known ? `Enter another price for ${bought}` : `What does ${bought} cost? Enter a price to weigh it` }}
    </template>
    <p v-if="foreign > 0" class="small soft">
      {{ foreign === 1 ? 'One price was' : `${foreign} prices were` }} noted in another currency and
      {{ foreign === 1 ? 'is' : 'are' }} not weighed.
    </p>
    <form class="prices" @submit.prevent="add">
      <KitField v-slot="{ bind }" label="Maker" :error="form.errors['maker']"
        ><KitInput v-bind="bind" v-model="draft.maker"
      /></KitField>
      <KitField
        v-slot="{ bind }"
        :label="`Price, ${session.current?.shop.currency}`"
        hint="Before tax"
        :error="form.errors['price']"
        ><KitInput mono v-bind="bind" v-model="draft.price" inputmode="decimal"
      /></KitField>
      <KitField v-slot="{ bind }" label="Carriage" :error="form.errors['carriage']"
        ><KitInput mono v-bind="bind" v-model="draft.carriage" inputmode="decimal"
      /></KitField>
      <KitField v-slot="{ bind }" label="Delivery, days" :error="form.errors['leadDays']"
        ><KitInput mono v-bind="bind" v-model="draft.leadDays" inputmode="numeric"
      /></KitField>
      <KitButton submit :disabled="form.busy.value">Add the price</KitButton>
    </form>
    <div v-if="elsewhereFor.length > 0" class="row">
      <span class="small soft">Known for another car:</span>
      <KitButton small v-for="offer in elsewhereFor" :key="offer.id" @click="take(offer)">
        {{ offer.maker }}, {{ units.money(offer.price, offer.currency) }} ({{ offer.vehicle }})
      </KitButton>
    </div>
    <KitNotice bad v-if="form.rest('carriage', 'leadDays', 'maker', 'price')">{{
      form.rest('carriage', 'leadDays', 'maker', 'price')
    }}</KitNotice>
  </KitCollapse>
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
@media (max-width: 1100px) {
  .prices {
    grid-template-columns: 1fr 1fr;
  }
  .prices .btn {
    margin-top: 0;
  }
}
</style>
