<script setup lang="ts">
import { reactive, ref } from 'vue';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post } from '../shell/api.ts';
import { minorUnits } from '../shell/money.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';

/* What a station has reckoned that its work takes: with maker and price into the order book, as a line of its own. */
const props = defineProps<{ vehicle: string; item: string; quantity: number; note: string }>();
const session = useSession();
const form = useForm();
const open = ref(false);
const wanted = ref(false);
const draft = reactive({ maker: '', price: '' });
async function want(): Promise<void> {
  wanted.value = await form.submit(() =>
    post('/orders', {
      ...{ id: newId(), vehicleId: props.vehicle, panel: '', item: props.item, note: props.note },
      ...{ maker: draft.maker, quantity: props.quantity, carriage: 0, due: null },
      price: minorUnits(draft.price, session.current?.shop.currency ?? 'EUR', 'price'),
    }),
  );
}
</script>

<template>
  <RouterLink v-if="wanted" to="/orders">In the order book</RouterLink>
  <KitButton v-else-if="session.canWork && !open" small :aria-label="`${item} into the order book`" @click="open = true"
    >Into the order book</KitButton
  >
  <form v-else-if="session.canWork" class="stack" @submit.prevent="want">
    <KitField v-slot="{ bind }" label="From whom" :error="form.errors['maker'] ?? null"
      ><KitInput v-bind="bind" v-model="draft.maker"
    /></KitField>
    <KitField v-slot="{ bind }" label="Price of one, before tax" :error="form.errors['price'] ?? null"
      ><KitInput v-bind="bind" v-model="draft.price" mono inputmode="decimal"
    /></KitField>
    <KitNotice v-if="form.rest('maker', 'price')" bad>{{ form.rest('maker', 'price') }}</KitNotice>
    <div class="row">
      <KitButton submit main :disabled="form.busy.value">Want {{ quantity }}</KitButton>
      <KitButton @click="open = false">Cancel</KitButton>
    </div>
  </form>
</template>
