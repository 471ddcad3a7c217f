<script setup lang="ts">
import { computed, ref } from 'vue';
import type { TonightStep, WeeksView } from '@aspecta/contract/plan';
import ChartView from '../charts/ChartView.vue';
import { belowVehicle } from '../car/belowVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
import { barsOf, spanFor, type Span } from '../plan/bars.ts';
import BarsChoice from '../plan/BarsChoice.vue';
import { slotsOf, takesIn } from '../plan/planScene.ts';
import { get } from '../shell/api.ts';
import { CLOCK, written } from '../shell/days.ts';
import { hours } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';

/* All cars in one plan: bars by car or by person, when each is ready, and the evenings of the next week, for the wall. */
const chosen = ref<Span | null>(null);
const rows = ref<'car' | 'person'>('car');
const load = useLoad(() => get<WeeksView>('/weeks'));
const view = computed(() => load.data.value!);
const clock = () => view.value.timeZone;
const dayText = written({ weekday: 'short', day: 'numeric', month: 'short' }, clock);
const longDay = written({ weekday: 'long', day: 'numeric', month: 'long' }, clock);
const clockText = written(CLOCK, clock);
const WEEK = 7 * 86_400_000;
/** What goes by the clock stands in nobody's row. */
const worked = computed(() => view.value.steps.filter(({ by }) => by !== null));
const span = computed({
  get: () =>
    chosen.value ??
    spanFor(
      view.value.from,
      view.value.cars
        .map(({ ready }) => ready)
        .sort()
        .at(-1) ?? null,
    ),
  set: (value: Span) => (chosen.value = value),
});
const bars = computed(() =>
  barsOf(
    worked.value.map((step) => ({ ...step, title: `${step.nickname}: ${step.title}` })),
    {
      from: view.value.from,
      span: span.value,
      title: rows.value === 'car' ? 'What is worked on each car' : 'What each person works on',
      dayText,
      row: ({ by, nickname }: TonightStep) => (rows.value === 'car' ? nickname : by!),
    },
  ),
);
const cars = computed(() =>
  view.value.cars.map((car) => {
    const own = view.value.steps.filter(({ vehicle }) => vehicle === car.id);
    return { ...car, steps: own.length, next: own.find(({ by }) => by !== null) ?? own[0]! };
  }),
);
const leftIn = (id: string) =>
  worked.value.filter(({ vehicle }) => vehicle === id).reduce((sum, step) => sum + step.hours * (1 - step.share), 0);
const week = computed(() =>
  slotsOf(worked.value, dayText).filter(({ from }) => Date.parse(from) - Date.parse(view.value.from) < WEEK),
);
const print = () => window.print();
</script>

<template>
  <Waiting :of="load" what="The weeks ahead">
    <main v-if="load.data.value" class="page">
      <div class="row spread head">
        <div>
          <p class="eyebrow">All cars</p>
          <h1>The weeks ahead</h1>
          <p class="soft">Who works on which car when, and when is each ready?</p>
        </div>
        <KitButton v-if="week.length > 0" @click="print">Print the week</KitButton>
      </div>
      <KitNotice v-if="view.problem" :bad="view.workers.length > 0">{{ view.problem }}</KitNotice>
      <p v-else-if="view.steps.length === 0" class="tile soft">
        Nothing is left to do on any car. <RouterLink to="/">To the garage</RouterLink>
      </p>
      <template v-else>
        <div class="wide" tabindex="0" role="region" aria-label="When each car is ready">
          <KitTable>
            <thead>
              <tr>
                <th scope="col">Car</th>
                <th scope="col">Ready</th>
                <th scope="col">Left</th>
                <th scope="col">Next</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="car in cars" :key="car.id">
                <th scope="row">
                  <RouterLink :to="`/vehicles/${car.id}/plan`">{{ car.nickname }}</RouterLink>
                </th>
                <td class="mono">{{ dayText(car.ready) }}</td>
                <td class="mono">
                  {{ hours(leftIn(car.id)) }}, {{ car.steps }} {{ car.steps === 1 ? 'step' : 'steps' }}
                </td>
                <td>
                  <RouterLink :to="belowVehicle(car.id, car.next.path)">{{ car.next.title }}</RouterLink>,
                  {{ dayText(car.next.pieces[0]![0]) }}
                </td>
              </tr>
            </tbody>
          </KitTable>
        </div>
        <KitNotice v-if="view.later.length > 0" bad>
          Too many steps to plan at once: {{ view.later.map(({ nickname }) => nickname).join(', ') }}
          {{ view.later.length === 1 ? 'is' : 'are' }} not among these. Finish or take away what is done with.
        </KitNotice>
        <p class="small soft">
          Planned together: whoever works on one car does not work on another, and the welder and the money are there
          once. How sure an end is stands in the plan of each car.
        </p>
        <section class="screen">
          <BarsChoice v-model:span="span" v-model:rows="rows" :kinds="{ car: 'By car', person: 'By person' }" />
          <ChartView :chart="bars.chart" />
        </section>
        <section>
          <h2>The next seven days</h2>
          <p v-if="week.length === 0" class="soft">Nobody works in them.</p>
          <ul class="plain week">
            <li v-for="slot in week" :key="slot.by + slot.from">
              <p>
                <strong>{{ longDay(slot.from) }}</strong>, {{ clockText(slot.from) }} to {{ clockText(slot.to) }} ·
                {{ slot.by }}
              </p>
              <ul>
                <li v-for="step in slot.steps" :key="step.vehicle + step.id">
                  {{ step.nickname }}:
                  <RouterLink :to="belowVehicle(step.vehicle, step.path)">{{ step.title }}</RouterLink>
                  <span class="small soft">
                    · {{ takesIn(slot, step)
                    }}<template v-if="step.needs.length > 0"> · {{ step.needs.join(', ') }}</template></span
                  >
                </li>
              </ul>
            </li>
          </ul>
        </section>
      </template>
    </main>
  </Waiting>
</template>

<style scoped>
.head {
  margin-bottom: 0.8rem;
}
.wide {
  overflow-x: auto;
}
td.mono {
  white-space: nowrap;
}
section {
  margin-top: 1.2rem;
}
.week p {
  margin: 0.2rem 0;
}
.week ul {
  margin: 0 0 0.4rem;
  padding-left: 1.2rem;
}
@media print {
  .screen {
    display: none;
  }
}
</style>
