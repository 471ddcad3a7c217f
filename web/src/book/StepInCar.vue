<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { GarageVehicle } from '@aspecta/contract/garage';
import type { OwnStepInput } from '@aspecta/contract/job';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { decimal } from '../shell/typedNumber.ts';
import { useForm } from '../shell/useForm.ts';

/* Makes a step of the job of a car out of an answer, so that it is planned with everything else. */
const props = defineProps<{ car: GarageVehicle; text: string }>();
const form = useForm();
/** One for this step, so that it is stored once however often it is sent. */
const id = newId();
/** Letters that a step may have. */
const MOST = 200;
const draft = reactive({ title: props.text.slice(0, MOST), hours: '' });
const kept = ref(false);
async function keep(): Promise<void> {
  const hours = decimal(draft.hours) as number;
  const step: OwnStepInput = { id, title: draft.title, hours, after: [], before: [], waits: false, dry: false };
  kept.value = Boolean(await form.submit(() => post(`/vehicles/${props.car.id}/job/steps`, step)));
}
</script>

<template>
  <form class="stack" @submit.prevent="keep">
    <KitField v-slot="{ bind }" :label="`What is to be done on ${car.nickname}`" :error="form.errors['title']">
      <KitInput v-bind="bind" v-model="draft.title" />
    </KitField>
    <KitField v-slot="{ bind }" label="Hours" :error="form.errors['hours']">
      <KitInput mono v-bind="bind" v-model="draft.hours" inputmode="decimal" />
    </KitField>
    <KitNotice bad v-if="form.rest('title', 'hours')">{{ form.rest('title', 'hours') }}</KitNotice>
    <div class="row">
      <KitButton submit main :disabled="form.busy.value || kept">Make it a step</KitButton>
      <RouterLink v-if="kept" :to="`/vehicles/${car.id}/job`">Kept. To its job</RouterLink>
    </div>
  </form>
</template>
