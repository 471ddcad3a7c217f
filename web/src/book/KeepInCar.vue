<script setup lang="ts">
import { ref } from 'vue';
import type { GarageVehicle } from '@aspecta/contract/garage';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import { get } from '../shell/api.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import IntoStation from './IntoStation.vue';
import NoteInCar from './NoteInCar.vue';
import OfferInCar from './OfferInCar.vue';
import StepInCar from './StepInCar.vue';
import type { Into, PanelPrice } from './page.ts';

/* Where in a car an answer goes: on into a station, into its notes, into its job as a step, or as the price of one of its panels. */
const props = defineProps<{
  text: string;
  link: string;
  price: PanelPrice | null;
  into?: Into | null;
  /** All other figures of the answer, each in its words. */
  figures?: readonly string[];
}>();
const emit = defineEmits<{ close: [] }>();
const load = useLoad(() => get<GarageVehicle[]>('/vehicles'));
const STATIONS = { hold: 'Into Hold', fit: 'Into Fit', weld: 'Into Weld' } as const;
const WAYS = [
  { what: 'into', label: '' },
  { what: 'note', label: 'Into its notes' },
  { what: 'step', label: 'Step of its job' },
  { what: 'price', label: 'Price of a panel' },
] as const;
const asked = ref<{ what: (typeof WAYS)[number]['what']; car: GarageVehicle } | null>(null);
const offered = ({ what }: { what: string }) =>
  what === 'into' ? Boolean(props.into) : what === 'price' ? Boolean(props.price) : true;
const whole = () => [props.text, ...(props.figures?.length ? [`${props.figures.join('; ')}.`] : [])].join(' ');
</script>

<template>
  <KitDialog title="Use in a car" @close="emit('close')">
    <p class="small soft">
      The answer, its figures and its link go into the notes of the car, shown on its Board; or it becomes a step of the
      job and is planned with the rest<template v-if="price"
        >; a price can be weighed in the verdict of a panel</template
      ><template v-if="into">; or the station that it belongs to goes on with it</template>.
    </p>
    <Waiting :of="load" what="The cars">
      <ul v-if="load.data.value">
        <li v-for="car in load.data.value" :key="car.id">
          <strong>{{ car.nickname }}, {{ car.year }}</strong>
          <KitButton
            v-for="{ what, label } in WAYS.filter(offered)"
            :key="what"
            :aria-pressed="asked?.what === what && asked.car === car"
            @click="asked = { what, car }"
            >{{ what === 'into' ? STATIONS[into!.station] : label }}</KitButton
          >
        </li>
      </ul>
      <p v-if="load.data.value?.length === 0">No car has been rolled in yet.</p>
    </Waiting>
    <template v-if="asked">
      <IntoStation v-if="asked.what === 'into' && into" :key="asked.car.id" :car="asked.car" :into="into" />
      <NoteInCar v-else-if="asked.what === 'note'" :key="asked.car.id" :car="asked.car" :text="whole()" :link="link" />
      <StepInCar v-else-if="asked.what === 'step'" :key="asked.car.id" :car="asked.car" :text="text" />
      <OfferInCar v-else-if="price" :key="asked.car.id" :car="asked.car" :price="price" />
    </template>
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
