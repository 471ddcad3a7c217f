<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import type { OrderLine } from '@aspecta/contract/order';
import { landed } from '@aspecta/core/order';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitDate from '../kit/KitDate.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post } from '../shell/api.ts';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import { today } from '../shell/days.ts';
import { percent, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* Wanted lines are ordered from one maker together: one carriage, shared by value, at the price of the day. */
const props = defineProps<{
  maker: string;
  carriage: number;
  /** Price each as it is proposed. */
  lines: readonly { line: OrderLine; price: number }[];
  /** Days that the slowest of them is quoted at; null where nobody has said. */
  quoted: number | null;
}>();
const emit = defineEmits<{ close: []; saved: [] }>();
const units = useUnits();
const form = useForm();
const { currency, taxRate } = useSession().current!.shop;
const dayAfter = (days: number) => today(new Date(Date.now() + days * 86_400_000));
/** One for this parcel, so that it is ordered once however often it is sent. */
const id = newId();
const draft = reactive({
  maker: props.maker,
  carriage: majorUnits(props.carriage),
  on: today(),
  due: props.quoted === null ? '' : dayAfter(props.quoted),
  note: '',
});
const rows = reactive(
  props.lines.map(({ line, price }) => ({
    id: line.id,
    take: true,
    price: majorUnits(price),
    quantity: line.quantity,
  })),
);
const lineOf = (of: string) => props.lines.find(({ line }) => line.id === of)!.line;
const taken = computed(() => rows.filter(({ take }) => take));
/** Null as long as some of the money is no money. */
const sum = computed(() => {
  const money = (text: string, field: string) => {
    const value = minorUnits(text, currency, field);
    if (typeof value !== 'number') throw new Error(field);
    return value;
  };
  try {
    return landed({
      lines: taken.value.map(({ price, quantity }) => ({ price: money(price, 'price'), quantity })),
      carriage: money(draft.carriage || '0', 'carriage'),
      taxRate,
      taxOnCarriage: true,
    });
  } catch {
    return null;
  }
});
const none = ref(false);
async function save(): Promise<void> {
  none.value = taken.value.length === 0;
  if (none.value) return;
  const done = await form.submit(() =>
    post('/orders/parcel', {
      ...{ id, maker: draft.maker, on: draft.on, due: draft.due || null, note: draft.note },
      carriage: minorUnits(draft.carriage || '0', currency, 'carriage'),
      lines: taken.value.map((row) => ({
        id: row.id,
        version: lineOf(row.id).version,
        price: minorUnits(row.price, currency, 'price'),
      })),
    }),
  );
  if (!done) return;
  emit('saved');
  emit('close');
}
</script>

<template>
  <KitDialog title="Order in one parcel" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitField v-slot="{ bind }" label="From" :error="form.errors['maker']"
        ><KitInput v-bind="bind" v-model="draft.maker"
      /></KitField>
      <div v-for="row in rows" :key="row.id" class="one">
        <KitCheckbox v-model="row.take"
          >{{ lineOf(row.id).panelName }}, {{ lineOf(row.id).vehicle
          }}{{ row.quantity > 1 ? `, ${row.quantity} pieces` : '' }}</KitCheckbox
        >
        <KitField v-slot="{ bind }" :label="`Price each, before tax, ${currency}`"
          ><KitInput v-bind="bind" v-model="row.price" mono inputmode="decimal"
        /></KitField>
      </div>
      <KitField
        v-slot="{ bind }"
        :label="`Carriage of the parcel, before tax, ${currency}`"
        :error="form.errors['carriage']"
        ><KitInput v-bind="bind" v-model="draft.carriage" mono inputmode="decimal"
      /></KitField>
      <div class="row">
        <KitField v-slot="{ bind }" label="Ordered on" :error="form.errors['on']"
          ><KitDate v-bind="bind" v-model="draft.on" required
        /></KitField>
        <KitField v-slot="{ bind }" label="Should arrive on" :error="form.errors['due']"
          ><KitDate v-bind="bind" v-model="draft.due"
        /></KitField>
      </div>
      <KitField v-slot="{ bind }" label="Note" :error="form.errors['note']"
        ><KitInput v-bind="bind" v-model="draft.note"
      /></KitField>
      <p v-if="sum" role="status">
        <strong class="mono big">{{ units.money(sum.total) }}</strong>
        <span class="small soft">
          = {{ units.money(sum.goods) }} goods + {{ units.money(sum.carriage) }} carriage + {{ percent(taxRate) }} tax
        </span>
      </p>
      <KitNotice v-if="none" bad>Take at least one line into the parcel.</KitNotice>
      <KitNotice v-if="form.rest('maker', 'carriage', 'on', 'due', 'note')" bad>{{
        form.rest('maker', 'carriage', 'on', 'due', 'note')
      }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Note: {{ taken.length }} ordered together</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
.one {
  border-bottom: 1px solid var(--line);
  padding-bottom: 0.5rem;
}
.big {
  font-size: 1.3rem;
}
</style>
