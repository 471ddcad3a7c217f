<script setup lang="ts">
import { computed, ref } from 'vue';
import { OPTION_WORDS } from '@aspecta/contract/verdict';
import type { WholeRepair, WholeView } from '@aspecta/contract/whole';
import { panelOf, pieceName } from '@aspecta/core/body';
import type { CarPlan, OptionId } from '@aspecta/core/verdict';
import CarHead from '../car/CarHead.vue';
import { useVehicle } from '../car/useVehicle.ts';
import ChartView from '../charts/ChartView.vue';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
import { get, post, put } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import { hours, percent, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import { besideNow, isSame, plansChart } from './wholeScene.ts';

/* All repairs of a car together: carriage is shared, hours add up; a plan becomes decisions. */
const props = defineProps<{ id: string }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan }, view] = await Promise.all([
    car.ready(again),
    get<WholeView>(`/vehicles/${props.id}/whole`),
  ]);
  return { vehicle, plan, view };
});
car.keepFresh(load);
const view = computed(() => load.data.value!.view);
const picked = ref<'cheapest' | 'quickest' | 'mostOriginal' | 'now'>('cheapest');
const WORDS = { cheapest: 'Cheapest', quickest: 'Quickest', mostOriginal: 'Keeps most', now: 'As it stands' } as const;
const options = computed(() =>
  (['cheapest', 'quickest', 'mostOriginal', 'now'] as const).map((value) => ({ value, label: WORDS[value] })),
);
const plan = computed<CarPlan | null>(() => view.value[picked.value]);
const chart = computed(() => plansChart(view.value, plan.value, units.roundMoney));
const all = computed(() => Math.max(1, view.value.mostOriginal?.keeps ?? 1));
const nameOf = ({ panel, layers }: { panel: string; layers: readonly string[] }) =>
  pieceName(panelOf(load.data.value!.plan, panel), layers);
const choiceOf = (repair: WholeRepair) => plan.value!.choice[repair.id] as OptionId;
/** What this plan would change. */
const changes = computed(() =>
  plan.value ? view.value.repairs.filter((repair) => repair.decided?.choice !== choiceOf(repair)) : [],
);
/** The answer in one sentence. */
const answer = computed(() => {
  const { cheapest, now } = view.value;
  if (!cheapest || !now) return '';
  if (isSame(cheapest, now)) return 'Go on as it stands: no plan is cheaper, your hours counted at your rate.';
  return `The cheapest plan means ${besideNow(cheapest, now, { hours, money: units.roundMoney })}, your hours counted at ${units.money(view.value.hourRate)}.`;
});
const reason = ref('');
async function decide(): Promise<void> {
  await form.submit(async () => {
    for (const repair of changes.value) {
      const body = { choice: choiceOf(repair), reason: reason.value };
      if (repair.decided) await put(`/repairs/${repair.id}`, { ...body, done: false, version: repair.decided.version });
      else await post(`/vehicles/${props.id}/repairs`, { ...body, id: newId(), zoneIds: repair.zoneIds });
    }
  });
  // What was decided before a refusal stays decided: the page shows how it stands.
  await load.reload();
  if (form.rest() === null) picked.value = 'now';
}
</script>

<template>
  <Waiting :of="load" what="All repairs, weighed together">
    <main v-if="load.data.value" class="page">
      <CarHead :vehicle="load.data.value.vehicle" title="Whole car" question="Go on with patches, or order it all?" />
      <p v-if="view.repairs.length === 0" class="tile soft">
        No repair is open. Draw damage on a panel, and all of it is weighed together here.
        <RouterLink :to="`/vehicles/${id}`">To the Board</RouterLink>
      </p>
      <template v-else-if="plan">
        <p class="answer">{{ answer }}</p>
        <KitChips v-model="picked" legend="Which plan" hide-legend :options="options" />
        <div class="figures">
          <div>
            <p class="figure">{{ hours(plan.hours) }}</p>
            <p class="soft small">of work, middle of the range</p>
          </div>
          <div>
            <p class="figure">{{ units.roundMoney(plan.money) }}</p>
            <p class="soft small">paid out: panels, one carriage for each supplier, metal, gas, coats; tax included</p>
          </div>
          <div>
            <p class="figure">{{ percent(plan.keeps / all) }}</p>
            <p class="soft small">of the old sheet that could be kept stays</p>
          </div>
        </div>
        <ChartView v-if="view.plans.length > 1" :chart="chart" />
        <KitTable>
          <thead>
            <tr>
              <th>Repair</th>
              <th>In this plan</th>
              <th>Now</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="repair in view.repairs" :key="repair.id">
              <td>
                <RouterLink
                  :to="`/vehicles/${id}/panels/${repair.panel}/verdict${repair.decided ? `?repair=${repair.id}` : ''}`"
                  >{{ nameOf(repair) }}</RouterLink
                >
              </td>
              <td :class="{ other: repair.decided?.choice !== choiceOf(repair) }">
                {{ OPTION_WORDS[choiceOf(repair)].name }}
              </td>
              <td class="soft">{{ repair.decided ? OPTION_WORDS[repair.decided.choice].name : 'not decided' }}</td>
            </tr>
          </tbody>
        </KitTable>
        <form v-if="session.canWork && changes.length > 0" class="stack decide" @submit.prevent="decide">
          <KitField
            v-slot="{ bind }"
            label="You decide. Why?"
            hint="It stands with every decision that is made by this"
            :error="form.errors['reason']"
            ><KitInput v-bind="bind" v-model="reason"
          /></KitField>
          <KitNotice v-if="form.rest('reason')" bad>{{ form.rest('reason') }}</KitNotice>
          <KitButton submit main :disabled="form.busy.value">
            Decide so: {{ changes.length }} {{ changes.length === 1 ? 'decision' : 'decisions' }}
          </KitButton>
        </form>
        <p v-else-if="changes.length === 0" class="soft">All of it is decided like this.</p>
      </template>
    </main>
  </Waiting>
</template>

<style scoped>
.answer {
  font-size: 1.2rem;
  max-width: 60rem;
  margin: 0.4rem 0 1rem;
}
.figures {
  display: flex;
  gap: 2.5rem;
  flex-wrap: wrap;
  margin: 1rem 0;
}
.figures > div {
  max-width: 18rem;
}
.other {
  font-weight: 600;
  color: var(--mark);
}
.decide {
  margin-top: 1rem;
  max-width: 640px;
}
</style>
