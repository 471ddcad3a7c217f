<script setup lang="ts">
import { reactive, shallowRef, watch } from 'vue';
import type { GarageVehicle } from '@aspecta/contract/garage';
import type { OrderLine } from '@aspecta/contract/order';
import type { Panel } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';
import KitDate from '../kit/KitDate.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { post, put } from '../shell/api.ts';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { newId } from '../shell/newId.ts';
import { bodyOf } from '../shell/plans.ts';
import { useSession } from '../shell/session.ts';
import { overTheirs } from '../shell/theirs.ts';
import { useForm } from '../shell/useForm.ts';
import { wholeNumber } from '../shell/typedNumber.ts';

/* A line of the order book: a new one for one of the cars, or what is known of one that is there. */
const props = defineProps<{ vehicles?: readonly GarageVehicle[]; line?: OrderLine }>();
const emit = defineEmits<{ close: []; saved: [] }>();
const form = useForm();
const currency = props.line?.currency ?? useSession().current?.shop.currency ?? 'EUR';
/** One for this line, so that it is stored once however often it is sent. */
const id = newId();
const draft = reactive({
  vehicleId: props.line?.vehicleId ?? props.vehicles![0]!.id,
  panel: props.line?.panel ?? 'quarter-l',
  item: '',
  maker: props.line?.maker ?? '',
  price: props.line ? majorUnits(props.line.price) : '',
  quantity: String(props.line?.quantity ?? 1),
  carriage: props.line ? majorUnits(props.line.carriage) : '',
  due: props.line?.due ?? '',
  note: props.line?.note ?? '',
});
/** The version on which the changes rest. */
let seen = props.line?.version ?? 0;
const panels = shallowRef<readonly Panel[]>([]);
watch(
  () => draft.vehicleId,
  async (id) => {
    if (!props.vehicles) return;
    panels.value = (await bodyOf(props.vehicles.find((vehicle) => vehicle.id === id)!)).panels;
    if (draft.panel !== '' && !panels.value.some((panel) => panel.id === draft.panel))
      draft.panel = panels.value[0]!.id;
  },
  { immediate: true },
);
async function save(): Promise<void> {
  const { price, carriage, quantity, due, vehicleId, panel, item, ...rest } = draft;
  const body = () => ({
    ...rest,
    price: minorUnits(price, currency, 'price'),
    carriage: minorUnits(carriage || '0', currency, 'carriage'),
    quantity: wholeNumber(quantity),
    due: due || null,
  });
  const done = await form.submit(async () => {
    const { line } = props;
    if (!line) await post('/orders', { ...body(), id, vehicleId, panel, item: panel === '' ? item : null });
    else
      await overTheirs<OrderLine>(
        'this line',
        ({ version }) => (seen = version),
        () => put(`/orders/${line.id}`, { ...body(), version: seen }),
      );
  });
  if (!done) return;
  emit('saved');
  emit('close');
}
</script>

<template>
  <KitDialog :title="line ? `${line.panelName}, ${line.vehicle}` : 'A line for the order book'" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitField v-if="vehicles" v-slot="{ bind }" label="For which car" :error="form.errors['vehicleId']"
        ><KitSelect v-bind="bind" v-model="draft.vehicleId">
          <option v-for="vehicle in vehicles" :key="vehicle.id" :value="vehicle.id">
            {{ vehicle.nickname }}, {{ vehicle.year }}
          </option>
        </KitSelect></KitField
      >
      <KitField v-if="vehicles" v-slot="{ bind }" label="What" :error="form.errors['panel']"
        ><KitSelect v-bind="bind" v-model="draft.panel">
          <option value="">No panel: bracket, sheet, wire, paint …</option>
          <option v-for="panel in panels" :key="panel.id" :value="panel.id">{{ panel.name }}</option>
        </KitSelect></KitField
      >
      <KitField v-if="vehicles && draft.panel === ''" v-slot="{ bind }" label="What it is" :error="form.errors['item']"
        ><KitInput v-bind="bind" v-model="draft.item" placeholder="Steel sheet, two square metres"
      /></KitField>
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
      <KitField v-if="line" v-slot="{ bind }" label="Should arrive on" :error="form.errors['due']"
        ><KitDate v-bind="bind" v-model="draft.due"
      /></KitField>
      <p v-if="line && line.state !== 'wanted'" class="small soft">
        It was ordered in {{ currency }} with the tax of that day; both stay as they were.
      </p>
      <KitField v-slot="{ bind }" label="Note" :error="form.errors['note']">
        <KitInput v-bind="bind" v-model="draft.note" rows="2" />
      </KitField>
      <KitNotice
        bad
        v-if="form.rest('carriage', 'due', 'item', 'maker', 'note', 'panel', 'price', 'quantity', 'vehicleId')"
        >{{
          form.rest('carriage', 'due', 'item', 'maker', 'note', 'panel', 'price', 'quantity', 'vehicleId')
        }}</KitNotice
      >
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">{{
          line ? 'Save' : 'Put it into the book'
        }}</KitButton><KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>
