<script setup lang="ts">
import { reactive } from 'vue';
import type { PurseInput, PurseView } from '@aspecta/contract/purse';
import type { Every } from '@aspecta/core/plan';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitDate from '../kit/KitDate.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { put } from '../shell/api.ts';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { useSession } from '../shell/session.ts';
import { overTheirs } from '../shell/theirs.ts';
import { useForm } from '../shell/useForm.ts';
import { EVERY_CHOICES } from './words.ts';

/* What is there for parts now, and what comes in: each with its day and how often. */
const props = defineProps<{ purse: PurseView }>();
const emit = defineEmits<{ close: []; saved: [] }>();
const session = useSession();
const form = useForm();
const currency = session.current?.shop.currency ?? 'EUR';
const draft = reactive({
  looks: true,
  there: props.purse.left === null ? '' : majorUnits(props.purse.left),
  comes: props.purse.comes.map(({ amount, first, every }) => ({ amount: majorUnits(amount), first, every })),
});
let seen = props.purse.version;
/** More than that nobody keeps in mind. */
const MOST = 12;
const add = () => draft.comes.push({ amount: '', first: '', every: 'month' as Every });
async function save(): Promise<void> {
  const done = await form.submit(() =>
    overTheirs<PurseInput>(
      'the money for parts',
      ({ version }) => (seen = version),
      () =>
        put('/purse', {
          there: draft.looks ? minorUnits(draft.there, currency, 'there') : null,
          comes: draft.comes.map(({ amount, first, every }, i) => ({
            amount: minorUnits(amount, currency, `comes[${i}].amount`),
            first,
            every,
          })),
          version: seen,
        }),
    ),
  );
  if (done) emit('saved');
}
const fields = () => ['there', ...draft.comes.flatMap((_, i) => [`comes[${i}].amount`, `comes[${i}].first`])];
</script>

<template>
  <KitDialog title="Money for parts" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitCheckbox v-model="draft.looks">Orders wait until there is money for them</KitCheckbox>
      <template v-if="draft.looks">
        <KitField
          v-slot="{ bind }"
          :label="`There now, ${currency}`"
          hint="What is ordered from now on is taken off by itself"
          :error="form.errors['there']"
          ><KitInput mono v-bind="bind" v-model="draft.there" inputmode="decimal"
        /></KitField>
        <fieldset v-for="(income, i) in draft.comes" :key="i" class="income">
          <legend class="small">Comes in, {{ i + 1 }}</legend>
          <KitField v-slot="{ bind }" :label="`Amount, ${currency}`" :error="form.errors[`comes[${i}].amount`]"
            ><KitInput mono v-bind="bind" v-model="income.amount" inputmode="decimal"
          /></KitField>
          <KitField v-slot="{ bind }" label="First on" :error="form.errors[`comes[${i}].first`]"
            ><KitDate v-bind="bind" v-model="income.first"
          /></KitField>
          <KitField v-slot="{ bind }" label="How often"
            ><KitSelect v-bind="bind" v-model="income.every">
              <option v-for="choice in EVERY_CHOICES" :key="choice.value" :value="choice.value">
                {{ choice.label }}
              </option>
            </KitSelect></KitField
          >
          <KitButton small plain @click="draft.comes.splice(i, 1)">Leave it out</KitButton>
        </fieldset>
        <KitButton v-if="draft.comes.length < MOST" small @click="add">Something comes in</KitButton>
      </template>
      <KitNotice v-if="form.rest(...fields())" bad>{{ form.rest(...fields()) }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Plan with it</KitButton>
        <KitButton plain @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
.income {
  border: 1px solid var(--line);
  border-radius: 8px;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
  gap: 0.6rem;
  align-items: end;
  min-width: 0;
}
</style>
