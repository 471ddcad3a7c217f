<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { GarageVehicle } from '@aspecta/contract/garage';
import type { OrderLine } from '@aspecta/contract/order';
import type { RepairView } from '@aspecta/contract/verdict';
import { BOOK } from '../book/shelf.ts';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get } from '../shell/api.ts';
import { bodyOf } from '../shell/plans.ts';
import { useSession } from '../shell/session.ts';
import { useLoad } from '../shell/useLoad.ts';
import { placesFor, type OpenCar } from './places.ts';
import { find } from './rank.ts';

/* Anything by a word: panels, repairs, stations, parts, calculations; arrows and Enter, or a tap. */
const emit = defineEmits<{ close: [] }>();
const route = useRoute();
const router = useRouter();
const session = useSession();
const text = ref('');
const typed = ref<{ focus: () => void }>();
// One types at once: the field is what the window is for.
watch(typed, (field) => field?.focus(), { flush: 'post' });
const at = ref(0);
const load = useLoad(async () => {
  const id = route.path.startsWith('/vehicles/') ? String(route.params['id']) : null;
  const [cars, orders] = await Promise.all([
    get<GarageVehicle[]>('/vehicles'),
    session.isCustomer ? [] : get<OrderLine[]>('/orders'),
  ]);
  const own = cars.find((vehicle) => vehicle.id === id);
  const car: OpenCar | null = own
    ? {
        ...{ id: own.id, nickname: own.nickname, plan: await bodyOf(own) },
        repairs: session.isCustomer
          ? []
          : (await get<RepairView[]>(`/vehicles/${own.id}/repairs`)).filter(({ withdrawn }) => !withdrawn),
      }
    : null;
  return placesFor({ car, cars, orders, book: BOOK, customer: session.isCustomer });
});
const found = computed(() => find(text.value, load.data.value ?? []));
watch(found, () => (at.value = 0));
async function go(to: string): Promise<void> {
  emit('close');
  await router.push(to);
}
function step(by: number): void {
  const count = found.value.length;
  if (count > 0) at.value = (at.value + by + count) % count;
}
function enter(): void {
  const place = found.value[at.value];
  if (place) void go(place.to);
}
</script>

<template>
  <KitDialog title="Where to?" own-focus @close="emit('close')">
    <form @submit.prevent="enter" @keydown.down.prevent="step(1)" @keydown.up.prevent="step(-1)">
      <KitField v-slot="{ bind }" label="A panel, a repair, a part, a station, a calculation"
        ><KitInput ref="typed" v-bind="bind" v-model="text" autocomplete="off" placeholder="sill plug spacing"
      /></KitField>
      <ul class="plain found" aria-label="What was found">
        <li v-for="(place, i) in found" :key="place.to + place.title" :class="{ on: i === at }">
          <RouterLink :to="place.to" @click="emit('close')"
            ><span>{{ place.title }}</span> <span class="soft small">{{ place.kind }}</span></RouterLink
          >
        </li>
      </ul>
      <p v-if="load.loading.value" class="soft small">One moment …</p>
      <KitNotice v-if="load.error.value" bad>{{ load.error.value }}</KitNotice>
      <p v-else-if="load.data.value && found.length === 0" class="soft" role="status">
        Nothing is called so. Try another word for it, as people say it.
      </p>
    </form>
  </KitDialog>
</template>

<style scoped>
.found {
  margin-top: 0.6rem;
  max-height: 55vh;
  overflow-y: auto;
}
.found li {
  padding: 0;
}
.found a {
  display: flex;
  gap: 0.8rem;
  justify-content: space-between;
  align-items: center;
  min-height: 44px;
  padding: 0 0.5rem;
  color: inherit;
  text-decoration: none;
}
.found .on a {
  background: var(--mark-soft);
  outline: 2px solid var(--mark);
  outline-offset: -2px;
}
</style>
