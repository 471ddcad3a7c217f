<script setup lang="ts">
import { reactive } from 'vue';
import type { GarageVehicle } from '@aspecta/contract/garage';
import type { Person } from '@aspecta/contract/shop';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get, put } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';

/* Which cars a customer sees: without prices, and none but these. */
const props = defineProps<{ customer: Person }>();
const emit = defineEmits<{ close: [] }>();
const form = useForm();
const guests = reactive<Record<string, string[]>>({});
const load = useLoad(async () => {
  const cars = await get<GarageVehicle[]>('/vehicles');
  for (const car of cars) guests[car.id] = await get<string[]>(`/vehicles/${car.id}/guests`);
  return cars;
});
const sees = (car: string) => guests[car]?.includes(props.customer.id) ?? false;
async function toggle(car: string): Promise<void> {
  const others = (guests[car] ?? []).filter((id) => id !== props.customer.id);
  const personIds = sees(car) ? others : [...others, props.customer.id];
  await form.submit(async () => {
    guests[car] = await put<string[]>(`/vehicles/${car}/guests`, { personIds });
  });
}
</script>

<template>
  <KitDialog :title="`Cars that ${customer.name} sees`" @close="emit('close')">
    <Waiting :of="load" what="The cars">
      <div v-if="load.data.value" class="stack">
        <KitCheckbox
          v-for="car in load.data.value"
          :key="car.id"
          :model-value="sees(car.id)"
          :disabled="form.busy.value"
          @update:model-value="toggle(car.id)"
          >{{ car.nickname }}, {{ car.year }}</KitCheckbox
        >
        <p v-if="load.data.value.length === 0" class="soft">There is no car yet.</p>
        <KitNotice bad v-if="form.rest()">{{ form.rest() }}</KitNotice>
      </div>
    </Waiting>
  </KitDialog>
</template>

<style scoped>
.check {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  min-height: 44px;
}
</style>
