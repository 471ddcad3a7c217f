<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import { ARRIVAL_WORDS, OUTCOME_WORDS, type OrderLine } from '@aspecta/contract/order';
import {
  ARRIVAL_OUTCOMES,
  ARRIVAL_POINTS,
  adviseArrival,
  type ArrivalOutcome,
  type ArrivalPoint,
} from '@aspecta/core/order';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitChips from '../kit/KitChips.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitUpload from '../kit/KitUpload.vue';
import { sendPhotos } from '../photo/takePhoto.ts';
import CautionList from '../shell/CautionList.vue';
import { post } from '../shell/api.ts';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { useSession } from '../shell/session.ts';
import { today } from '../shell/days.ts';
import { hours as hoursText, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* A part that is here is held against the car, point by point, before anything is cut; then it is said what becomes of it. */
const props = defineProps<{ line: OrderLine }>();
const emit = defineEmits<{ close: []; saved: [] }>();
const units = useUnits();
const form = useForm();
const { rates } = useSession().current!.shop;
const SEEN = [
  { value: 'open', label: 'Not looked at' },
  { value: 'good', label: 'Right' },
  { value: 'wrong', label: 'Wrong' },
] as const;
const seen = reactive(
  Object.fromEntries(ARRIVAL_POINTS.map((point) => [point, 'open'])) as Record<ArrivalPoint, 'open' | 'good' | 'wrong'>,
);
const draft = reactive({ thickness: '', short: '', hours: '', credit: '', note: '' });
const elsewhere = ref(false);
const again = reactive({ maker: '', price: '', carriage: '' });
const points = computed(() =>
  Object.fromEntries(
    ARRIVAL_POINTS.filter((point) => seen[point] !== 'open').map((point) => [point, seen[point] === 'good']),
  ),
);
/** mm; null where nothing is typed, undefined where it is no length. */
const lengthOf = (text: string): number | null | undefined =>
  text.trim() === '' ? null : (units.read(text) ?? undefined);
const thickness = computed(() => lengthOf(draft.thickness));
const short = computed(() => lengthOf(draft.short));
const advice = computed(() => {
  try {
    return adviseArrival({
      points: points.value,
      thickness: thickness.value ?? null,
      expected: props.line.sheet,
      short: short.value ?? 0,
      rate: rates.hour,
      price: props.line.price,
      carriage: props.line.carriage,
    });
  } catch {
    return null;
  }
});
const said = ref<ArrivalOutcome | null>(null);
const outcome = computed<ArrivalOutcome>({
  get: () => said.value ?? advice.value?.outcome ?? 'fits',
  set: (value) => (said.value = value),
});
const OUTCOMES = ARRIVAL_OUTCOMES.map((value) => ({ value, label: OUTCOME_WORDS[value] }));
const gone = computed(() => outcome.value === 'keep' || outcome.value === 'return');
const wrong = ref<Record<string, string>>({});

/** Pictures that were taken of it so far. */
const pictures = ref(0);
/** They are kept at once, whatever becomes of the part: a claim needs them even where this form is left. */
async function take(files: readonly File[]): Promise<void> {
  const { line } = props;
  const place = { panel: line.panel || null, layer: null, u: null, v: null };
  const note = `As it arrived from ${line.maker}: ${line.panelName}`.slice(0, 200);
  await form.submit(() => sendPhotos(line.vehicleId, files, { ...place, note }, () => (pictures.value += 1)));
}

async function save(): Promise<void> {
  const bad: Record<string, string> = {};
  if (thickness.value === undefined) bad['thickness'] = units.noLength();
  if (short.value === undefined) bad['short'] = units.noLength();
  const hours = draft.hours.trim() === '' ? (advice.value?.hours ?? 0) : Number(draft.hours.replace(',', '.'));
  if (!Number.isFinite(hours)) bad['hours'] = 'Type hours, as 1.5.';
  wrong.value = bad;
  if (Object.keys(bad).length > 0) return;
  const { line } = props;
  const done = await form.submit(() => {
    const money = (text: string, field: string) => minorUnits(text, line.currency, field);
    return post(`/orders/${line.id}/check`, {
      points: points.value,
      thickness: thickness.value ?? null,
      short: short.value ?? 0,
      outcome: outcome.value,
      hours: outcome.value === 'rework' ? hours : 0,
      on: today(),
      note: draft.note,
      credit: outcome.value === 'return' && draft.credit.trim() !== '' ? money(draft.credit, 'credit') : null,
      again:
        gone.value && elsewhere.value
          ? {
              maker: again.maker,
              price: money(again.price, 'price'),
              carriage: money(again.carriage || '0', 'carriage'),
            }
          : null,
      version: line.version,
    });
  });
  if (!done) return;
  emit('saved');
  emit('close');
}
</script>

<template>
  <KitDialog :title="`${line.panelName}: is it right?`" wide @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <div class="points">
        <KitChips
          v-for="point in ARRIVAL_POINTS"
          :key="point"
          v-model="seen[point]"
          :legend="ARRIVAL_WORDS[point]"
          :options="SEEN"
        />
        <KitField
          v-slot="{ bind }"
          :label="`Sheet as measured, ${units.word.value}`"
          :hint="line.sheet === null ? '' : `On the car: ${units.sheet(line.sheet)}`"
          :error="wrong['thickness'] ?? form.errors['thickness']"
          ><KitInput v-bind="bind" v-model="draft.thickness" mono autocomplete="off"
        /></KitField>
        <KitField
          v-slot="{ bind }"
          :label="`Too short by, ${units.word.value}`"
          hint="Leave it empty where it is not"
          :error="wrong['short'] ?? form.errors['short']"
          ><KitInput v-bind="bind" v-model="draft.short" mono autocomplete="off"
        /></KitField>
      </div>
      <div v-if="advice" class="advice" role="status">
        <p class="eyebrow">What speaks for what</p>
        <p class="large">
          {{
            advice.open.length === ARRIVAL_POINTS.length && advice.hours === 0
              ? 'Look at it first'
              : OUTCOME_WORDS[advice.outcome]
          }}<template v-if="advice.outcome === 'rework'">: {{ hoursText(advice.hours) }}</template>
        </p>
        <p v-for="reason in advice.why" :key="reason" class="small">{{ reason }}</p>
        <p v-if="advice.strip > 0" class="small">
          Strip: {{ units.length(advice.strip) }} wide, and as much more as its joints lie over each other.
        </p>
        <p v-if="advice.rework > 0" class="small soft">
          Work on it: {{ units.roundMoney(advice.rework) }} at the shop’s hour. Sending it back loses about
          {{ units.roundMoney(advice.back, line.currency) }} of carriage.
        </p>
        <p v-if="advice.open.length > 0" class="small soft">
          Not looked at: {{ advice.open.map((point) => ARRIVAL_WORDS[point].toLowerCase()).join(', ') }}.
        </p>
      </div>
      <KitChips v-model="outcome" legend="What becomes of it" :options="OUTCOMES" />
      <KitField
        v-if="outcome === 'rework'"
        v-slot="{ bind }"
        label="Hours of work on it"
        :hint="advice && advice.hours > 0 ? `Empty: ${hoursText(advice.hours)}, as reckoned` : ''"
        :error="wrong['hours'] ?? form.errors['hours']"
        ><KitInput v-bind="bind" v-model="draft.hours" mono inputmode="decimal"
      /></KitField>
      <KitField
        v-if="outcome === 'return'"
        v-slot="{ bind }"
        :label="`Credit for it, ${line.currency}`"
        hint="Leave it empty until it is agreed"
        :error="form.errors['credit']"
        ><KitInput v-bind="bind" v-model="draft.credit" mono inputmode="decimal"
      /></KitField>
      <template v-if="gone">
        <KitCheckbox v-model="elsewhere">Put it into the book again, from somebody else</KitCheckbox>
        <template v-if="elsewhere">
          <KitField v-slot="{ bind }" label="Maker" :error="form.errors['again.maker']"
            ><KitInput v-bind="bind" v-model="again.maker"
          /></KitField>
          <KitField v-slot="{ bind }" :label="`Price each, before tax, ${line.currency}`" :error="form.errors['price']"
            ><KitInput v-bind="bind" v-model="again.price" mono inputmode="decimal"
          /></KitField>
          <KitField v-slot="{ bind }" :label="`Carriage, before tax, ${line.currency}`" :error="form.errors['carriage']"
            ><KitInput v-bind="bind" v-model="again.carriage" mono inputmode="decimal" :placeholder="majorUnits(0)"
          /></KitField>
        </template>
      </template>
      <KitField v-slot="{ bind }" label="Note" :error="form.errors['note']"
        ><KitInput v-bind="bind" v-model="draft.note"
      /></KitField>
      <div class="row">
        <KitUpload label="Take a picture of it" accept="image/*" capture multiple @files="take" />
        <span v-if="pictures > 0" role="status"
          >{{ pictures === 1 ? 'One picture' : `${pictures} pictures` }} kept:
          <RouterLink :to="`/vehicles/${line.vehicleId}/photos`">all of this car</RouterLink></span
        >
        <span v-else class="small soft">What is wrong with it is sent back with a picture.</span>
      </div>
      <CautionList step="arrival" />
      <KitNotice
        v-if="form.rest('thickness', 'short', 'hours', 'credit', 'again.maker', 'price', 'carriage', 'note')"
        bad
        >{{ form.rest('thickness', 'short', 'hours', 'credit', 'again.maker', 'price', 'carriage', 'note') }}</KitNotice
      >
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Note: {{ OUTCOME_WORDS[outcome].toLowerCase() }}</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
.points {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
  gap: 0.8rem 1.2rem;
}
.advice {
  border-left: 4px solid var(--mark);
  padding-left: 0.8rem;
}
.advice p {
  margin: 0.15rem 0;
}
.advice .large {
  font-size: 1.3rem;
  font-weight: 600;
}
</style>
