<script setup lang="ts">
import { reactive } from 'vue';
import { post } from '../shell/api.ts';
import Field from '../shell/Field.vue';
import { minorUnits } from '../shell/money.ts';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import { wholeNumber } from '../shell/whole.ts';

const props = defineProps<{ vehicle: string; panel: string; known: boolean }>();
const emit = defineEmits<{ added: [] }>();
const session = useSession();
const form = useForm();
const draft = reactive({ maker: '', price: '', carriage: '', leadDays: '' });

async function add(): Promise<void> {
  const done = await form.submit(async () => {
    await post(`/vehicles/${props.vehicle}/offers`, {
      panel: props.panel,
      maker: draft.maker,
      price: minorUnits(draft.price),
      carriage: minorUnits(draft.carriage || '0'),
      leadDays: wholeNumber(draft.leadDays),
    });
  });
  if (!done) return;
  Object.assign(draft, { maker: '', price: '', carriage: '', leadDays: '' });
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
