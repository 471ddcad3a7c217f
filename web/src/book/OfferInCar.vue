<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { GarageVehicle } from '@aspecta/contract/garage';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { post } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { bodyOf } from '../shell/plans.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import { wholeNumber } from '../shell/typedNumber.ts';
import type { PanelPrice } from './page.ts';

/* Gives a price to a panel of a car, so that its verdict weighs the whole panel with it. */
const props = defineProps<{ car: GarageVehicle; price: PanelPrice }>();
const load = useLoad(async () => (await bodyOf(props.car)).panels);
const form = useForm();
/** One for this price, so that it is stored once however often it is sent. */
let offerId = newId();
const draft = reactive({ panel: '', maker: '', leadDays: '' });
const given = ref<string | null>(null);
async function give(): Promise<void> {
  const done = await form.submit(async () => {
    await post(`/vehicles/${props.car.id}/offers`, {
      ...props.price,
      id: offerId,
      panel: draft.panel,
      maker: draft.maker,
      leadDays: wholeNumber(draft.leadDays),
    });
  });
  if (!done) return;
  given.value = draft.panel;
  offerId = newId();
}
</script>

<template>
  <Waiting :of="load" what="The panels">
    <form v-if="load.data.value" class="stack" @submit.prevent="give">
      <KitField v-slot="{ bind }" :label="`For which panel of ${car.nickname}?`" :error="form.errors['panel']">
        <KitSelect v-bind="bind" v-model="draft.panel">
          <option value="" disabled>choose a panel</option>
          <option v-for="panel in load.data.value" :key="panel.id" :value="panel.id">{{ panel.name }}</option>
        </KitSelect>
      </KitField>
      <KitField v-slot="{ bind }" label="Maker" :error="form.errors['maker']"
        ><KitInput v-bind="bind" v-model="draft.maker"
      /></KitField>
      <KitField v-slot="{ bind }" label="Delivery, days" :error="form.errors['leadDays']"
        ><KitInput mono v-bind="bind" v-model="draft.leadDays" inputmode="numeric"
      /></KitField>
      <KitNotice bad v-if="form.rest('leadDays', 'maker', 'panel')">{{
        form.rest('leadDays', 'maker', 'panel')
      }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value || draft.panel === '' || given === draft.panel">
          Give it this price
        </KitButton>
        <RouterLink v-if="given" :to="`/vehicles/${car.id}/panels/${given}/verdict`">Kept. To its verdict</RouterLink>
      </div>
      <p class="small soft">Tax is added by the house rules of the shop.</p>
    </form>
  </Waiting>
</template>
