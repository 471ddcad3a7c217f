<script setup lang="ts">
import { reactive, shallowRef, watch } from 'vue';
import type { GarageVehicle } from '@aspecta/contract/garage';
import type { Panel } from '@aspecta/core/body';
import { post } from '../shell/api.ts';
import Dialog from '../shell/Dialog.vue';
import Field from '../shell/Field.vue';
import { minorUnits } from '../shell/money.ts';
import { newId } from '../shell/newId.ts';
import { planOf } from '../shell/plans.ts';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import { wholeNumber } from '../shell/whole.ts';

const props = defineProps<{ vehicles: readonly GarageVehicle[] }>();
const emit = defineEmits<{ close: []; saved: [] }>();
const form = useForm();
const currency = useSession().current?.shop.currency ?? 'EUR';
/** One for this line, so that it is stored once however often it is sent. */
const id = newId();
const draft = reactive({
  vehicleId: props.vehicles[0]!.id,
  panel: 'quarter-l',
  maker: '',
  price: '',
  quantity: '1',
  carriage: '',
  note: '',
});
const panels = shallowRef<readonly Panel[]>([]);
watch(
  () => draft.vehicleId,
  async (id) => {
    panels.value = (await planOf(props.vehicles.find((vehicle) => vehicle.id === id)!.planId)).panels;
    if (!panels.value.some((panel) => panel.id === draft.panel)) draft.panel = panels.value[0]!.id;
  },
  { immediate: true },
);
async function save(): Promise<void> {
  const { price, carriage, quantity, ...rest } = draft;
  const done = await form.submit(async () => {
    await post('/orders', {
      ...rest,
      id,
      price: minorUnits(price, currency, 'price'),
      carriage: minorUnits(carriage || '0', currency, 'carriage'),
      quantity: wholeNumber(quantity),
      due: null,
    });
  });
  if (!done) return;
  emit('saved');
  emit('close');
}
</script>

<template>
  <Dialog title="A line for the order book" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <Field v-slot="{ bind }" label="For which car" :error="form.errors['vehicleId']"
        ><select v-bind="bind" v-model="draft.vehicleId" class="input">
          <option v-for="vehicle in vehicles" :key="vehicle.id" :value="vehicle.id">
            {{ vehicle.nickname }}, {{ vehicle.year }}
          </option>
        </select></Field
      >
      <Field v-slot="{ bind }" label="Panel" :error="form.errors['panel']"
        ><select v-bind="bind" v-model="draft.panel" class="input">
          <option v-for="panel in panels" :key="panel.id" :value="panel.id">{{ panel.name }}</option>
        </select></Field
      >
      <Field v-slot="{ bind }" label="Maker" :error="form.errors['maker']"
        ><input v-bind="bind" v-model="draft.maker" class="input"
      /></Field>
      <Field v-slot="{ bind }" :label="`Price each, before tax, ${currency}`" :error="form.errors['price']"
        ><input v-bind="bind" v-model="draft.price" class="input mono" inputmode="decimal"
      /></Field>
      <Field v-slot="{ bind }" label="Pieces" :error="form.errors['quantity']"
        ><input v-bind="bind" v-model="draft.quantity" class="input mono" inputmode="numeric"
      /></Field>
      <Field v-slot="{ bind }" :label="`Carriage, before tax, ${currency}`" :error="form.errors['carriage']"
        ><input v-bind="bind" v-model="draft.carriage" class="input mono" inputmode="decimal"
      /></Field>
      <Field v-slot="{ bind }" label="Note" :error="form.errors['note']">
        <textarea v-bind="bind" v-model="draft.note" class="input" rows="2" />
      </Field>
      <p v-if="form.general.value" class="notice bad" role="alert">{{ form.general.value }}</p>
      <div class="row">
        <button class="btn main" :disabled="form.busy.value">Put it into the book</button
        ><button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </Dialog>
</template>
