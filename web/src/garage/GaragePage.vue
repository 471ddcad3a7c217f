<script setup lang="ts">
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { GOALS, CLIMATES, type GarageVehicle, type Vehicle } from '@aspecta/contract/garage';
import type { Board } from '@aspecta/contract/board';
import { bodyPlan } from '@aspecta/core/body';
import type { PanelLook } from '../board/boardScene.ts';
import { belowVehicle } from '../car/belowVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitUpload from '../kit/KitUpload.vue';
import { get, post, postBytes, remove } from '../shell/api.ts';
import { bodyOf } from '../shell/plans.ts';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import FlankSketch from './FlankSketch.vue';
import RemindersTile from './RemindersTile.vue';
import TonightTile from './TonightTile.vue';
import VehicleForm from './VehicleForm.vue';

const session = useSession();
const form = useForm();
const router = useRouter();
const adding = ref(false);
const changing = ref<Vehicle | null>(null);
const removing = ref<string | null>(null);
const load = useLoad(async () => {
  const [vehicles, removed] = await Promise.all([
    get<GarageVehicle[]>('/vehicles'),
    get<Vehicle[]>('/vehicles/removed'),
  ]);
  const boards = await Promise.all(vehicles.map((vehicle) => get<Board>(`/vehicles/${vehicle.id}/board`)));
  const states = boards.map(
    (board) => Object.fromEntries(board.panels.map((panel) => [panel.panel, panel.state])) as Record<string, PanelLook>,
  );
  const plans = await Promise.all(vehicles.map((vehicle) => bodyOf(vehicle)));
  return { vehicles, removed, states, plans };
});
const bringing = ref(false);
/** How many came at once. */
const brought = ref(0);
/** A car that was taken out of another house, or all of its cars: all of it, under names of its own here. */
async function bring([file]: File[]): Promise<void> {
  if (!file || bringing.value) return;
  brought.value = 0;
  bringing.value = true;
  const done = await form.submit(async () => {
    const { ids } = await postBytes<{ ids: string[] }>('/archive/import', file, 'application/zip');
    if (ids.length === 1) await router.push(`/vehicles/${ids[0]!}`);
    else brought.value = ids.length;
  });
  bringing.value = false;
  if (!done || brought.value > 0) await load.reload();
}
const owner = () => session.current?.person.role === 'owner';

async function takeAway(id: string): Promise<void> {
  if (await form.submit(() => remove(`/vehicles/${id}`))) removing.value = null;
  await load.reload();
}
async function bringBack(id: string): Promise<void> {
  await form.submit(async () => {
    await post(`/vehicles/${id}/restore`);
  });
  await load.reload();
}
</script>

<template>
  <Waiting :of="load" what="The garage">
    <main v-if="load.data.value" class="page">
      <div class="row spread head">
        <div>
          <p class="eyebrow">{{ session.current?.shop.name }}</p>
          <h1>Which car, and what next?</h1>
        </div>
        <div class="row">
          <KitUpload
            v-if="owner()"
            :label="bringing ? 'Taking it in …' : 'Take cars in from a ZIP'"
            accept=".zip,application/zip"
            @files="bring"
          />
          <KitButton v-if="owner() && load.data.value.vehicles.length > 1" plain href="/api/archive/cars.zip" download
            >All cars as a ZIP</KitButton
          >
          <KitButton main v-if="session.canWork" @click="adding = true">Roll a car in</KitButton>
        </div>
      </div>
      <KitNotice v-if="brought > 0">{{ brought }} cars were taken in.</KitNotice>
      <KitNotice bad v-if="form.rest()">{{ form.rest() }}</KitNotice>
      <div v-if="load.data.value.vehicles.length === 0" class="tile empty">
        <FlankSketch :plan="bodyPlan('saloon')" :states="{}" />
        <h2>The garage is empty</h2>
        <p class="soft">Roll a car in: choose its body plan, and the whole body lies open to be measured.</p>
      </div>
      <RemindersTile v-if="!session.isCustomer" />
      <TonightTile v-if="!session.isCustomer" />
      <div class="cars">
        <article v-for="(vehicle, i) in load.data.value.vehicles" :key="vehicle.id" class="tile car">
          <RouterLink
            :to="`/vehicles/${vehicle.id}`"
            class="sketch"
            :aria-label="`Open the board of ${vehicle.nickname}`"
            ><FlankSketch :plan="load.data.value.plans[i]!" :states="load.data.value.states[i]!"
          /></RouterLink>
          <div class="row spread">
            <h2>
              <RouterLink :to="`/vehicles/${vehicle.id}`">{{ vehicle.nickname }}</RouterLink>
            </h2>
            <span class="mono">{{ vehicle.year }}</span>
          </div>
          <p class="soft small">{{ GOALS[vehicle.goal] }} · {{ CLIMATES[vehicle.climate] }}</p>
          <dl>
            <div>
              <dt>Readings</dt>
              <dd class="mono">{{ vehicle.readings }}</dd>
            </div>
            <div>
              <dt>Panels begun</dt>
              <dd class="mono">{{ vehicle.panelsMeasured }} of {{ vehicle.panels }}</dd>
            </div>
            <div>
              <dt>Decided</dt>
              <dd class="mono">{{ vehicle.decided }}</dd>
            </div>
            <div>
              <dt>Awaited</dt>
              <dd class="mono" :class="{ alarm: vehicle.late > 0 }">
                {{ vehicle.awaited }}{{ vehicle.late > 0 ? `, ${vehicle.late} late` : '' }}
              </dd>
            </div>
          </dl>
          <RouterLink class="next" :to="belowVehicle(vehicle.id, vehicle.next.path)"
            ><span class="eyebrow">Next</span>{{ vehicle.next.text }} →</RouterLink
          >
          <div v-if="session.canWork" class="row foot">
            <KitButton small plain @click="changing = vehicle">Change</KitButton>
            <template v-if="owner()">
              <KitButton small plain v-if="removing !== vehicle.id" @click="removing = vehicle.id"> Remove </KitButton>
              <template v-else
                ><span class="small">Remove {{ vehicle.nickname }}? It can be brought back for 30 days.</span
                ><KitButton small @click="takeAway(vehicle.id)">Yes, remove</KitButton
                ><KitButton small plain @click="removing = null">Keep</KitButton></template
              >
            </template>
          </div>
        </article>
      </div>
      <section v-if="load.data.value.removed.length > 0" class="removed">
        <h2>Removed in the last 30 days</h2>
        <p v-for="vehicle in load.data.value.removed" :key="vehicle.id" class="row">
          <span>{{ vehicle.nickname }}, {{ vehicle.year }}</span
          ><KitButton small v-if="owner()" @click="bringBack(vehicle.id)">Bring back</KitButton>
        </p>
      </section>
      <VehicleForm
        v-if="adding || changing"
        :vehicle="changing"
        @close="((adding = false), (changing = null))"
        @saved="load.reload()"
      />
    </main>
  </Waiting>
</template>

<style scoped>
.head {
  margin-bottom: 1.25rem;
}
.cars {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 430px), 1fr));
  gap: 1.25rem;
}
.car {
  display: flex;
  flex-direction: column;
  gap: 0.5rem;
}
.car h2 a {
  color: inherit;
  text-decoration: none;
}
.sketch {
  background: var(--sheet);
  border-radius: 8px;
  padding: 0.75rem 1rem 0.25rem;
  border: 1px solid var(--line);
}
dl {
  display: grid;
  grid-template-columns: repeat(4, auto);
  gap: 0.5rem;
  margin: 0.25rem 0;
}
dt {
  font-size: 0.8rem;
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
.next .eyebrow {
  display: block;
  margin: 0;
}
.next {
  display: block;
  text-decoration: none;
  font-weight: 600;
  background: var(--mark-soft);
  border-radius: 8px;
  padding: 0.6rem 0.8rem;
  margin-top: auto;
}
.foot {
  margin: -0.25rem -0.5rem -0.5rem;
}
.empty {
  max-width: 560px;
}
.removed {
  margin-top: 2rem;
}
@media (max-width: 480px) {
  dl {
    grid-template-columns: repeat(2, auto);
  }
}
</style>
