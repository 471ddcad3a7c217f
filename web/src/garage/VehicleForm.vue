<script setup lang="ts">
import { reactive, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { CLIMATES, GOALS, PASTS, type Climate, type Goal, type Past, type Vehicle } from '@aspecta/contract/garage';
import type { PlanView } from '@aspecta/contract/body';
import { bodyPlans } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';
import KitChecks from '../kit/KitChecks.vue';
import KitChips from '../kit/KitChips.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { ApiProblem, post, put } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { plansToChoose } from '../shell/plans.ts';
import { useForm } from '../shell/useForm.ts';
import { wholeNumber } from '../shell/typedNumber.ts';

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
const pasts = Object.entries(PASTS).map(([value, label]) => ({ value: value as Past, label }));
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
  <KitDialog :title="vehicle ? `Change ${vehicle.nickname}` : 'Roll a car in'" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitField v-slot="{ bind }" label="Nickname" hint="How you call it in the shop" :error="form.errors['nickname']"
        ><KitInput v-bind="bind" v-model="draft.nickname"
      /></KitField>
      <KitField v-slot="{ bind }" label="Year built" :error="form.errors['year']"
        ><KitInput mono v-bind="bind" v-model="draft.year" inputmode="numeric"
      /></KitField>
      <KitField
        v-if="!vehicle"
        v-slot="{ bind }"
        label="Body plan"
        :hint="plans.find((plan) => plan.id === draft.planId)?.description"
        :error="form.errors['planId']"
      >
        <KitSelect v-bind="bind" v-model="draft.planId">
          <option v-for="plan in plans" :key="plan.id" :value="plan.id">
            {{ plan.name }}{{ plan.own ? ' (own)' : '' }}, {{ plan.panels }} panels
          </option>
        </KitSelect>
      </KitField>
      <KitChips v-model="draft.goal" legend="What is it being restored to?" :options="goals" />
      <KitChips v-model="draft.climate" legend="Where has it lived?" :options="climates" />
      <KitChecks
        v-model="draft.past"
        legend="What is known of its past? It moves where the walk-round looks first."
        :options="pasts"
      />
      <KitField v-slot="{ bind }" label="Notes" :error="form.errors['notes']">
        <KitInput v-bind="bind" v-model="draft.notes" rows="4" />
      </KitField>
      <KitNotice bad v-if="form.rest('nickname', 'notes', 'planId', 'year')">
        {{ form.rest('nickname', 'notes', 'planId', 'year') }} Saving again keeps what is written here.
      </KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">{{ vehicle ? 'Save' : 'Roll in' }}</KitButton><KitButton
          @click="emit('close')"
        >
          Cancel
        </KitButton>
      </div>
    </form>
  </KitDialog>
</template>
