<script setup lang="ts">
import { ref } from 'vue';
import type { GarageVehicle, Vehicle } from '@aspecta/contract/garage';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get, put } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import OfferInCar from './OfferInCar.vue';
import StepInCar from './StepInCar.vue';
import type { PanelPrice } from './page.ts';

/* Puts an answer into the notes of a car, with the link that reproduces it, makes a step of its job of it, or gives a price to one of its panels. */
const props = defineProps<{ text: string; link: string; price: PanelPrice | null }>();
const emit = defineEmits<{ close: [] }>();
const load = useLoad(() => get<GarageVehicle[]>('/vehicles'));
const form = useForm();
const kept = ref<string | null>(null);
/** Which car gets a step, or a price for a panel. */
const asked = ref<{ what: 'step' | 'price'; car: GarageVehicle } | null>(null);
const isAsked = (what: 'step' | 'price', car: GarageVehicle) => asked.value?.what === what && asked.value.car === car;
async function keep(id: string): Promise<void> {
  const done = await form.submit(async () => {
    const { nickname, year, goal, climate, past, notes, version } = await get<Vehicle>(`/vehicles/${id}`);
    const line = `${props.text} (${new URL(props.link).pathname}${new URL(props.link).search})`;
    await put(`/vehicles/${id}`, {
      nickname,
      year,
      goal,
      climate,
      past,
      notes: notes === '' ? line : `${notes}\n${line}`,
      version,
    });
  });
  if (done) kept.value = id;
}
</script>

<template>
  <KitDialog title="Use in a car" @close="emit('close')">
    <p class="small soft">
      The answer and its link go into the notes of the car, shown on its Board; or it becomes a step of the job and is
      planned with the rest<template v-if="price">; a price can be weighed in the verdict of a panel</template>.
    </p>
    <Waiting :of="load" what="The cars">
      <ul v-if="load.data.value">
        <li v-for="car in load.data.value" :key="car.id">
          <strong>{{ car.nickname }}, {{ car.year }}</strong>
          <KitButton :disabled="form.busy.value || kept !== null" @click="keep(car.id)">Into its notes</KitButton>
          <KitButton :aria-pressed="isAsked('step', car)" @click="asked = { what: 'step', car }"
            >Step of its job</KitButton
          >
          <KitButton v-if="price" :aria-pressed="isAsked('price', car)" @click="asked = { what: 'price', car }">
            Price of a panel
          </KitButton>
          <RouterLink v-if="kept === car.id" :to="`/vehicles/${car.id}`">Kept. To its Board</RouterLink>
        </li>
      </ul>
      <p v-if="load.data.value?.length === 0">No car has been rolled in yet.</p>
    </Waiting>
    <StepInCar v-if="asked?.what === 'step'" :key="asked.car.id" :car="asked.car" :text="text" />
    <OfferInCar v-else-if="asked && price" :key="asked.car.id" :car="asked.car" :price="price" />
    <KitNotice bad v-if="form.rest()">
      {{ form.rest() }}
    </KitNotice>
  </KitDialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0 0 0.9rem;
  padding: 0;
  display: grid;
  gap: 0.5rem;
}
li strong {
  flex: 1 1 10rem;
}
li {
  display: flex;
  gap: 0.8rem;
  align-items: center;
  flex-wrap: wrap;
}
@media (max-width: 500px) {
  li strong {
    flex-basis: 100%;
  }
}
</style>
