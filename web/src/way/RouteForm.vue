<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { WayRoute } from '@aspecta/core/way';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import CautionList from '../shell/CautionList.vue';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';

/* One way in: the opening, the space behind it, and what comes off and goes back for it. */
const props = defineProps<{ route: WayRoute | null; busy: boolean }>();
const emit = defineEmits<{ close: []; save: [route: WayRoute] }>();
const units = useUnits();
const currency = useSession().current?.shop.currency ?? 'EUR';
const typed = (mm: number | null | undefined) => (mm === null || mm === undefined ? '' : units.typed(mm));
const draft = reactive({
  name: props.route?.name ?? '',
  a: typed(props.route?.opening.a),
  b: typed(props.route?.opening.b),
  room: typed(props.route?.room),
});
const parts = reactive(
  (props.route?.parts ?? []).map(({ what, off, on, risk, chance, price }) => ({
    ...{ what, risk, off: String(off), on: String(on) },
    chance: chance > 0 ? String(Math.round(chance * 100)) : '',
    price: price > 0 ? majorUnits(price) : '',
  })),
);
const add = () => parts.push({ what: '', off: '', on: '', risk: '', chance: '', price: '' });
const wrong = ref<Record<string, string>>({});

function save(): void {
  const bad: Record<string, string> = {};
  const length = (field: string, text: string): number => {
    const mm = units.read(text);
    if (mm === null || mm <= 0) bad[field] = units.noLength();
    return mm ?? 0;
  };
  const number = (field: string, text: string, most: number, how: string): number => {
    const value = text.trim() === '' ? 0 : Number(text.replace(',', '.'));
    if (!Number.isFinite(value) || value < 0 || value > most) bad[field] = how;
    return value;
  };
  if (draft.name.trim().length < 2) bad['name'] = 'Say which way it is, as “through the boot”.';
  const route: WayRoute = {
    id: props.route?.id ?? newId(),
    name: draft.name.trim(),
    opening: { a: length('a', draft.a), b: length('b', draft.b) },
    room: draft.room.trim() === '' ? null : length('room', draft.room),
    parts: parts.map((part, i) => {
      if (part.what.trim().length < 2) bad[`what ${i}`] = 'Say what comes off.';
      const price = part.price.trim() === '' ? 0 : minorUnits(part.price, currency, 'price');
      if (typeof price !== 'number') bad[`price ${i}`] = 'Type money, as 120.';
      return {
        what: part.what.trim(),
        off: number(`off ${i}`, part.off, 500, 'Type hours, as 1.5.'),
        on: number(`on ${i}`, part.on, 500, 'Type hours, as 1.5.'),
        risk: part.risk.trim(),
        chance: number(`chance ${i}`, part.chance, 100, 'Type per cent, from 0 to 100.') / 100,
        price: typeof price === 'number' ? price : 0,
      };
    }),
  };
  wrong.value = bad;
  if (Object.keys(bad).length === 0) emit('save', route);
}
</script>

<template>
  <KitDialog :title="route ? route.name : 'A way in'" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitField v-slot="{ bind }" label="Which way" :error="wrong['name']"
        ><KitInput v-bind="bind" v-model="draft.name" placeholder="Through the boot, tail panel off"
      /></KitField>
      <div class="two">
        <KitField v-slot="{ bind }" :label="`Opening, one side, ${units.word.value}`" :error="wrong['a']"
          ><KitInput v-bind="bind" v-model="draft.a" mono autocomplete="off"
        /></KitField>
        <KitField v-slot="{ bind }" :label="`Opening, other side, ${units.word.value}`" :error="wrong['b']"
          ><KitInput v-bind="bind" v-model="draft.b" mono autocomplete="off"
        /></KitField>
      </div>
      <KitField
        v-slot="{ bind }"
        :label="`Space behind the opening, ${units.word.value}`"
        hint="Leave it empty where nothing stands in the way"
        :error="wrong['room']"
        ><KitInput v-bind="bind" v-model="draft.room" mono autocomplete="off"
      /></KitField>
      <fieldset v-for="(part, i) in parts" :key="i" class="part">
        <legend>What comes off, {{ i + 1 }}</legend>
        <KitField v-slot="{ bind }" label="What" :error="wrong[`what ${i}`]"
          ><KitInput v-bind="bind" v-model="part.what" placeholder="Windscreen"
        /></KitField>
        <div class="two">
          <KitField v-slot="{ bind }" label="Hours to take it off" :error="wrong[`off ${i}`]"
            ><KitInput v-bind="bind" v-model="part.off" mono inputmode="decimal"
          /></KitField>
          <KitField v-slot="{ bind }" label="Hours to put it back" :error="wrong[`on ${i}`]"
            ><KitInput v-bind="bind" v-model="part.on" mono inputmode="decimal"
          /></KitField>
        </div>
        <KitField v-slot="{ bind }" label="What may break" hint="Glass, paint, trim; empty for nothing"
          ><KitInput v-bind="bind" v-model="part.risk"
        /></KitField>
        <div v-if="part.risk.trim() !== ''" class="two">
          <KitField v-slot="{ bind }" label="In how many of 100 cases" :error="wrong[`chance ${i}`]"
            ><KitInput v-bind="bind" v-model="part.chance" mono inputmode="decimal"
          /></KitField>
          <KitField v-slot="{ bind }" :label="`What it costs then, ${currency}`" :error="wrong[`price ${i}`]"
            ><KitInput v-bind="bind" v-model="part.price" mono inputmode="decimal"
          /></KitField>
        </div>
        <KitButton small plain @click="parts.splice(i, 1)">Leave it out</KitButton>
      </fieldset>
      <KitButton small @click="add">Something comes off for it</KitButton>
      <CautionList step="arrival" />
      <div class="row">
        <KitButton submit main :disabled="busy">Keep this way</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
  gap: 0.5rem;
}
.part {
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 0.6rem 0.8rem;
  display: grid;
  gap: 0.5rem;
}
</style>
