<script setup lang="ts">
import { computed, ref } from 'vue';
import type { PlanView, Worker } from '@aspecta/contract/plan';
import { belowVehicle } from '../car/belowVehicle.ts';
import CarHead from '../car/CarHead.vue';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import PurseTile from '../purse/PurseTile.vue';
import { get } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { CLOCK, written } from '../shell/days.ts';
import { hours, percent } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import { hoursText } from './hoursText.ts';
import { holdUps, waits } from './holdUps.ts';
import HoldUps from './HoldUps.vue';
import PlanBars from './PlanBars.vue';
import { slotsOf, takesIn, tonightOf } from './planScene.ts';
import StagesTable from './StagesTable.vue';
import WhatIf from './WhatIf.vue';
import WishForm from './WishForm.vue';
import WorkerForm from './WorkerForm.vue';

/* Tonight, the weeks ahead, and when it is ready: the steps of the job in the hours that people have. */
const props = defineProps<{ id: string }>();
const session = useSession();
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle }, view] = await Promise.all([car.ready(again), get<PlanView>(`/vehicles/${props.id}/plan`)]);
  return { vehicle, view };
});
car.keepFresh(load);
const view = computed(() => load.data.value!.view);
function wished(now: PlanView): void {
  load.data.value = { ...load.data.value!, view: now };
}
/** Less likely than that is no promise to give. */
const FAIR = 0.8;
const clock = () => view.value.timeZone;
const dayText = written({ weekday: 'short', day: 'numeric', month: 'short' }, clock);
const longDay = written({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }, clock);
const clockText = written(CLOCK, clock);
const slots = computed(() => slotsOf(view.value.steps, dayText));
const tonight = computed(() => tonightOf(slots.value));
const days = computed(() =>
  [...new Set(slots.value.map(({ day }) => day))].map((day) => ({
    day,
    slots: slots.value.filter((slot) => slot.day === day),
  })),
);
/** Share of the runs over which a step is said to hold the end up. */
const OFTEN = 0.5;
const holding = computed(() => holdUps(view.value.steps, OFTEN));
const waiting = computed(() => waits(view.value.steps, OFTEN));
/** The next spells of rain, as many as one can keep in mind. */
const rain = computed(() => view.value.wet.slice(0, 4).map(([from, to]) => ({ from, to })));
const editing = ref<Worker | 'new' | null>(null);
const isOwner = computed(() => session.current?.person.role === 'owner');
const anybody = computed(() => view.value.workers.length > 0);
</script>

<template>
  <Waiting :of="load" what="The plan">
    <main v-if="load.data.value" class="page">
      <CarHead
        :vehicle="load.data.value.vehicle"
        title="Plan"
        question="What can be done tonight, and when is it ready?"
      >
        <KitButton v-if="view.steps.length > 0" :href="`/api/vehicles/${id}/plan.ics`">For my calendar</KitButton>
        <KitButton v-if="view.steps.length > 0" plain to="/account">Keep my calendar up to date</KitButton>
        <KitButton :to="`/vehicles/${id}/job`">All steps and why</KitButton>
      </CarHead>
      <KitNotice v-if="view.problem" :bad="anybody">
        <p>{{ view.problem }}</p>
        <KitButton v-if="isOwner && !anybody" small main @click="editing = 'new'">Say who works when</KitButton>
      </KitNotice>
      <p v-else-if="view.steps.length === 0" class="tile soft">
        {{ view.blocked.length > 0 ? 'All that is left is blocked.' : 'Nothing is left to plan here.' }}
        <RouterLink :to="`/vehicles/${id}/job`">To the job</RouterLink>
      </p>
      <template v-else>
        <div class="figures">
          <div>
            <p class="figure">{{ dayText(view.p50!) }}</p>
            <p class="soft small">
              ready as likely as not; nine times in ten by {{ longDay(view.p90!) }}. {{ hours(view.left) }} of work are
              left.
            </p>
          </div>
          <div v-if="view.inTime !== null && view.wish.promised">
            <p class="figure" :class="{ alarm: view.inTime < FAIR }">{{ percent(view.inTime) }}</p>
            <p class="soft small">
              of the runs are ready by {{ longDay(`${view.wish.promised}T12:00:00Z`) }}, as it was promised.
            </p>
          </div>
        </div>
        <p v-if="rain.length > 0" class="small soft">
          Rain is forecast
          {{ rain.map(({ from, to }) => `${dayText(from)}, ${clockText(from)} to ${clockText(to)}`).join('; ') }}: no
          electric welding and no coating then.
        </p>
        <section v-for="slot in tonight" :key="slot.by" class="tile tonight">
          <p class="eyebrow">Next for {{ slot.by }}</p>
          <h2>{{ longDay(slot.from) }}, {{ clockText(slot.from) }} to {{ clockText(slot.to) }}</h2>
          <ol>
            <li v-for="step in slot.steps" :key="step.id">
              <RouterLink :to="belowVehicle(id, step.path)">{{ step.title }}</RouterLink>
              <span class="small soft">
                · {{ takesIn(slot, step)
                }}<template v-if="step.needs.length > 0"> · {{ step.needs.join(', ') }}</template
                ><template v-if="step.critical >= OFTEN"> · holds the end up</template></span
              >
            </li>
          </ol>
        </section>
        <KitNotice v-if="view.broken.length > 0" bad>
          <p v-for="late in view.broken" :key="late.title">
            {{ late.title }} comes {{ hours(late.late) }} too late after “{{ late.after }}”: bare metal stands longer
            than it may. Move one of them, or take an hour in between.
          </p>
        </KitNotice>
        <PlanBars :vehicle="id" :view="view" :day-text="dayText" :can-work="session.canWork" @saved="load.reload()" />
        <section v-if="holding.length + waiting.length > 0">
          <h2>What holds the end up</h2>
          <HoldUps :of="holding" :waits="waiting" />
        </section>
        <section v-if="view.stages.length > 0">
          <h2>From bare metal to paint</h2>
          <StagesTable :vehicle="id" :stages="view.stages" :day-text="dayText" :promised="view.wish.promised" />
        </section>
        <WhatIf :vehicle="id" />
        <KitCollapse title="Day by day">
          <div v-for="{ day, slots: own } in days" :key="day" class="day">
            <h3>{{ day }}</h3>
            <p v-for="slot in own" :key="slot.by + slot.from" class="small">
              <strong>{{ slot.by }}</strong> {{ clockText(slot.from) }} to {{ clockText(slot.to) }}:
              {{ slot.steps.map(({ title }) => title).join('; ') }}
            </p>
          </div>
        </KitCollapse>
      </template>
      <KitNotice v-if="view.blocked.length > 0">
        <p v-for="step in view.blocked" :key="step.title">
          Not planned: {{ step.title }} ({{ step.reason }}), and what waits for it.
        </p>
      </KitNotice>
      <PurseTile
        v-if="session.canWork"
        class="people"
        :money="view.money"
        :from="view.from"
        :until="view.finish"
        :day-text="dayText"
        @saved="load.reload()"
      />
      <section v-if="session.canWork" class="people">
        <h2>What is wanted of it</h2>
        <WishForm :key="view.wish.version" :vehicle="id" :wish="view.wish" @saved="wished" />
      </section>
      <section class="people">
        <h2>Who works when</h2>
        <p v-if="!anybody" class="soft">Nobody yet.</p>
        <ul class="plain">
          <li v-for="worker in view.workers" :key="worker.id" class="row spread">
            <span
              ><strong>{{ worker.name }}</strong
              >{{ ' '
              }}<span class="small soft">{{
                worker.week
                  .map((spans, i) =>
                    spans.length > 0 ? `${['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'][i]} ${hoursText(spans)}` : '',
                  )
                  .filter((text) => text !== '')
                  .join(' · ') || 'no hours'
              }}</span></span
            >
            <KitButton v-if="isOwner" small @click="editing = worker">Change</KitButton>
          </li>
        </ul>
        <KitButton v-if="isOwner" @click="editing = 'new'">Add somebody</KitButton>
      </section>
      <WorkerForm
        v-if="editing"
        :worker="editing === 'new' ? null : editing"
        :usual="anybody ? '' : (session.current?.person.name ?? '')"
        @close="editing = null"
        @saved="load.reload()"
      />
    </main>
  </Waiting>
</template>

<style scoped>
.figures {
  display: flex;
  gap: 2.5rem;
  margin: 1rem 0;
}
.tonight {
  border-left: 5px solid var(--mark);
  margin-bottom: 0.8rem;
}
.tonight h2 {
  font-size: 1.15rem;
  margin: 0.2rem 0 0.4rem;
}
.tonight li {
  min-height: 32px;
}
.day h3 {
  font-size: 1rem;
  margin: 0.6rem 0 0.1rem;
}
.day p {
  margin: 0;
}
.people {
  margin-top: 1.5rem;
  max-width: 900px;
}
</style>
