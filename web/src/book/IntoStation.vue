<script setup lang="ts">
import { OPTION_WORDS, type RepairView } from '@aspecta/contract/verdict';
import type { GarageVehicle } from '@aspecta/contract/garage';
import { panelOf, pieceName } from '@aspecta/core/body';
import { keepsPanel } from '@aspecta/core/verdict';
import { get } from '../shell/api.ts';
import { bodyOf } from '../shell/plans.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import type { Into } from './page.ts';

/* Goes on with an answer in a station of the car: at once where it is about the car, else at one of its repairs. */
const props = defineProps<{ car: GarageVehicle; into: Into }>();
const load = useLoad(async () => {
  if (props.into.station === 'hold') return [];
  const [body, repairs] = await Promise.all([
    bodyOf(props.car),
    get<RepairView[]>(`/vehicles/${props.car.id}/repairs`),
  ]);
  return repairs
    .filter(({ choice, withdrawn }) => !keepsPanel(choice) && withdrawn === null)
    .map(({ id, panel, layers, choice }) => ({
      to: `/vehicles/${props.car.id}/repairs/${id}/${props.into.station}`,
      text: `${pieceName(panelOf(body, panel), layers)}: ${OPTION_WORDS[choice].name.toLowerCase()}`,
    }));
});
</script>

<template>
  <RouterLink v-if="into.station === 'hold'" :to="{ path: `/vehicles/${car.id}/hold`, query: into.query }"
    >Go on in Hold of {{ car.nickname }}</RouterLink
  >
  <Waiting v-else :of="load" what="The repairs">
    <ul v-if="load.data.value">
      <li v-for="one in load.data.value" :key="one.to">
        <RouterLink :to="{ path: one.to, query: into.query }">{{ one.text }}</RouterLink>
      </li>
    </ul>
    <p v-if="load.data.value?.length === 0">Nothing is decided on {{ car.nickname }} yet that is cut and fitted.</p>
  </Waiting>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
</style>
