<script setup lang="ts">
import { reactive, shallowRef, watch } from 'vue';
import type { GarageVehicle } from '@aspecta/contract/garage';
import type { Panel } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { post } from '../shell/api.ts';
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
  <KitDialog title="A line for the order book" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitField v-slot="{ bind }" label="For which car" :error="form.errors['vehicleId']"
        ><KitSelect v-bind="bind" v-model="draft.vehicleId">
          <option v-for="vehicle in vehicles" :key="vehicle.id" :value="vehicle.id">
            {{ vehicle.nickname }}, {{ vehicle.year }}
          </option>
        </KitSelect></KitField
      >
      <KitField v-slot="{ bind }" label="Panel" :error="form.errors['panel']"
        ><KitSelect v-bind="bind" v-model="draft.panel">
          <option v-for="panel in panels" :key="panel.id" :value="panel.id">{{ panel.name }}</option>
        </KitSelect></KitField
      >
      <KitField v-slot="{ bind }" label="Maker" :error="form.errors['maker']"
        ><KitInput v-bind="bind" v-model="draft.maker"
      /></KitField>
      <KitField v-slot="{ bind }" :label="`Price each, before tax, ${currency}`" :error="form.errors['price']"
        ><KitInput mono v-bind="bind" v-model="draft.price" inputmode="decimal"
      /></KitField>
      <KitField v-slot="{ bind }" label="Pieces" :error="form.errors['quantity']"
        ><KitInput mono v-bind="bind" v-model="draft.quantity" inputmode="numeric"
      /></KitField>
      <KitField v-slot="{ bind }" :label="`Carriage, before tax, ${currency}`" :error="form.errors['carriage']"
        ><KitInput mono v-bind="bind" v-model="draft.carriage" inputmode="decimal"
      /></KitField>
      <KitField v-slot="{ bind }" label="Note" :error="form.errors['note']">
        <KitInput v-bind="bind" v-model="draft.note" rows="2" />
      </KitField>
      <KitNotice bad v-if="form.general.value">{{ form.general.value }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Put it into the book</KitButton
        ><KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>
