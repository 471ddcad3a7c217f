<script setup lang="ts">
import { reactive } from 'vue';
import { LENGTH_UNITS, type Unit } from '@aspecta/contract/shop';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { minorUnits } from './money.ts';
import NewPassword from './NewPassword.vue';
import { useSession } from './session.ts';
import { useForm } from './useForm.ts';
import { shareOf } from './typedNumber.ts';

/* The first owner opens the shop: who he is, and in what he reads and reckons. */
const emit = defineEmits<{ done: [] }>();
const session = useSession();
const form = useForm();
/** People of these places read inches as a rule; a guess that stands in the field to be changed. */
const INCHES = /-(US|LR|MM)$/.test(navigator.language);
const fresh = reactive({
  shop: '',
  name: '',
  email: '',
  password: '',
  unit: (INCHES ? 'in' : 'mm') as Unit,
  currency: INCHES ? 'USD' : 'EUR',
  tax: '20',
  hour: '45.00',
});
async function setUp(): Promise<void> {
  const { tax, hour, ...rest } = fresh;
  const done = await form.submit(() =>
    session.setUp({
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || null,
      ...rest,
      taxRate: shareOf(tax) as number,
      hour: minorUnits(hour || '0', rest.currency.toUpperCase(), 'hour') as number,
    }),
  );
  if (done) emit('done');
}
</script>

<template>
  <form class="stack" @submit.prevent="setUp">
    <KitField v-slot="{ bind }" label="Name of the shop" :error="form.errors['shop']"
      ><KitInput v-bind="bind" v-model="fresh.shop"
    /></KitField>
    <KitField v-slot="{ bind }" label="Your name" :error="form.errors['name']"
      ><KitInput v-bind="bind" v-model="fresh.name" autocomplete="name"
    /></KitField>
    <KitField v-slot="{ bind }" label="E-mail" :error="form.errors['email']"
      ><KitInput v-bind="bind" v-model="fresh.email" type="email" autocomplete="username"
    /></KitField>
    <NewPassword v-model="fresh.password" :error="form.errors['password']" />
    <KitChips v-model="fresh.unit" legend="Lengths are shown in" :options="LENGTH_UNITS" />
    <div class="pair">
      <KitField v-slot="{ bind }" label="Currency" :error="form.errors['currency']"
        ><KitInput mono v-bind="bind" v-model="fresh.currency" autocapitalize="characters"
      /></KitField>
      <KitField v-slot="{ bind }" label="Tax, %" :error="form.errors['taxRate']"
        ><KitInput mono v-bind="bind" v-model="fresh.tax" inputmode="decimal"
      /></KitField>
    </div>
    <KitField
      v-slot="{ bind }"
      :label="`An hour of your work is worth, ${fresh.currency || 'before tax'}`"
      :error="form.errors['hour']"
      ><KitInput mono v-bind="bind" v-model="fresh.hour" inputmode="decimal"
    /></KitField>
    <p class="small soft">All of it can be changed later in the house rules.</p>
    <KitNotice bad v-if="form.rest('currency', 'email', 'hour', 'name', 'password', 'shop', 'taxRate')">{{
      form.rest('currency', 'email', 'hour', 'name', 'password', 'shop', 'taxRate')
    }}</KitNotice>
    <KitButton submit main :disabled="form.busy.value">Open the shop</KitButton>
  </form>
</template>
