<script setup lang="ts">
import { reactive, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { CLIMATES, GOALS, PASTS, type Climate, type Goal, type Past, type Vehicle } from '@aspecta/contract/garage';
import type { PlanView } from '@aspecta/contract/body';
import { bodyPlans } from '@aspecta/core/body';
import { ApiProblem, post, put } from '../shell/api.ts';
import Chips from '../shell/Chips.vue';
import Dialog from '../shell/Dialog.vue';
import Field from '../shell/Field.vue';
import { newId } from '../shell/newId.ts';
import { plansToChoose } from '../shell/plans.ts';
import { useForm } from '../shell/useForm.ts';
import { wholeNumber } from '../shell/whole.ts';

const props = defineProps<{ vehicle: Vehicle | null }>();
const emit = defineEmits<{ close: []; saved: [] }>();
const router = useRouter();
const form = useForm();
const draft = reactive({
  nickname: props.vehicle?.nickname ?? '',
  year: String(props.vehicle?.year ?? ''),
  planId: props.vehicle?.planId ?? bodyPlans()[0]!.id,
  goal: props.vehicle?.goal ?? ('driver' as Goal),
  climate: props.vehicle?.climate ?? ('temperate' as Climate),
  past: [...(props.vehicle?.past ?? [])] as Past[],
  notes: props.vehicle?.notes ?? '',
});
let version = props.vehicle?.version ?? 0;
/** One for this car, so that it is rolled in once however often it is sent. */
const id = newId();
const plans = shallowRef<PlanView[]>([]);
void plansToChoose().then((list) => (plans.value = list));
const pasts = Object.entries(PASTS) as [Past, string][];
const goals = Object.entries(GOALS).map(([value, label]) => ({ value: value as Goal, label }));
const climates = Object.entries(CLIMATES).map(([value, label]) => ({ value: value as Climate, label }));

async function save(): Promise<void> {
  const { planId, ...rest } = { ...draft, year: wholeNumber(draft.year) };
  const done = await form.submit(async () => {
    if (props.vehicle) {
      await put(`/vehicles/${props.vehicle.id}`, { ...rest, version }).catch((error: unknown) => {
        if (error instanceof ApiProblem && error.code === 'conflict') version = (error.body.current as Vehicle).version;
        throw error;
      });
    } else {
      const made = await post<Vehicle>('/vehicles', { ...rest, planId, id });
      await router.push(`/vehicles/${made.id}`);
    }
  });
  if (!done) return;
  emit('saved');
  emit('close');
}
</script>

<template>
  <Dialog :title="vehicle ? `Change ${vehicle.nickname}` : 'Roll a car in'" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <Field v-slot="{ bind }" label="Nickname" hint="How you call it in the shop" :error="form.errors['nickname']"
        ><input v-bind="bind" v-model="draft.nickname" class="input"
      /></Field>
      <Field v-slot="{ bind }" label="Year built" :error="form.errors['year']"
        ><input v-bind="bind" v-model="draft.year" class="input mono" inputmode="numeric"
      /></Field>
      <Field
        v-if="!vehicle"
        v-slot="{ bind }"
        label="Body plan"
        :hint="plans.find((plan) => plan.id === draft.planId)?.description"
        :error="form.errors['planId']"
      >
        <select v-bind="bind" v-model="draft.planId" class="input">
          <option v-for="plan in plans" :key="plan.id" :value="plan.id">
            {{ plan.name }}{{ plan.own ? ' (own)' : '' }}, {{ plan.panels }} panels
          </option>
        </select>
      </Field>
      <Chips v-model="draft.goal" legend="What is it being restored to?" :options="goals" />
      <Chips v-model="draft.climate" legend="Where has it lived?" :options="climates" />
      <fieldset class="chips">
        <legend>What is known of its past? It moves where the walk-round looks first.</legend>
        <label v-for="[id, label] in pasts" :key="id" class="chip"
          ><input v-model="draft.past" type="checkbox" :value="id" /><span>{{ label }}</span></label
        >
      </fieldset>
      <Field v-slot="{ bind }" label="Notes" :error="form.errors['notes']">
        <textarea v-bind="bind" v-model="draft.notes" class="input" />
      </Field>
      <p v-if="form.general.value" class="notice bad" role="alert">
        {{ form.general.value }} Saving again keeps what is written here.
      </p>
      <div class="row">
        <button class="btn main" :disabled="form.busy.value">{{ vehicle ? 'Save' : 'Roll in' }}</button><button
          type="button"
          class="btn"
          @click="emit('close')"
        >
          Cancel
        </button>
      </div>
    </form>
  </Dialog>
</template>
