<script setup lang="ts">
import { ref } from 'vue';
import type { GarageVehicle, Vehicle } from '@aspecta/contract/garage';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { get, put } from '../shell/api.ts';
import { bodyOf } from '../shell/plans.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';

/* Puts an answer with all its figures into the notes of a car, said of one of its panels or of the whole, with the link that reproduces it. */
const props = defineProps<{ car: GarageVehicle; text: string; link: string }>();
const load = useLoad(async () => (await bodyOf(props.car)).panels);
const form = useForm();
const panel = ref('');
const kept = ref(false);
async function keep(): Promise<void> {
  kept.value = Boolean(
    await form.submit(async () => {
      const { nickname, year, goal, climate, past, notes, version } = await get<Vehicle>(`/vehicles/${props.car.id}`);
      const about = load.data.value?.find(({ id }) => id === panel.value);
      const address = new URL(props.link);
      const line = `${about ? `${about.name}: ` : ''}${props.text} (${address.pathname}${address.search})`;
      const known = { nickname, year, goal, climate, past, version };
      await put(`/vehicles/${props.car.id}`, { ...known, notes: notes === '' ? line : `${notes}\n${line}` });
    }),
  );
}
</script>

<template>
  <Waiting :of="load" what="The panels">
    <form v-if="load.data.value" class="stack" @submit.prevent="keep">
      <KitField v-slot="{ bind }" :label="`Of which part of ${car.nickname} is it said?`">
        <KitSelect v-bind="bind" v-model="panel">
          <option value="">The whole car</option>
          <option v-for="one in load.data.value" :key="one.id" :value="one.id">{{ one.name }}</option>
        </KitSelect>
      </KitField>
      <KitNotice bad v-if="form.rest()">{{ form.rest() }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value || kept">Note it</KitButton>
        <RouterLink v-if="kept" :to="`/vehicles/${car.id}`">Kept. To its Board</RouterLink>
      </div>
    </form>
  </Waiting>
</template>
