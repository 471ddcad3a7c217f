<script setup lang="ts">
import { computed } from 'vue';
import { WORK_WORDS, type PacesView } from '@aspecta/contract/pace';
import ChartView from '../charts/ChartView.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
import { get, remove } from '../shell/api.ts';
import ForgetIt from '../shell/ForgetIt.vue';
import { useSession } from '../shell/session.ts';
import { dayOf } from '../shell/days.ts';
import { hours } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import { paceChart, pacesChart } from './paceCharts.ts';

/* How long this shop takes for one counted hour, by kind of work, with its doubt and the steps that taught it. */
const session = useSession();
const form = useForm();
const load = useLoad(() => get<PacesView>('/paces'));
const learnt = computed(() => load.data.value?.paces.some(({ cases }) => cases.length > 0) ?? false);
const second = computed(() => load.data.value?.second);
const times = (factor: number) => `× ${factor.toFixed(2)}`;
async function forget(): Promise<void> {
  await form.submit(async () => {
    load.data.value = await remove<PacesView>('/paces');
  });
}
</script>

<template>
  <section v-if="load.data.value" class="tile">
    <h2>How long do we take?</h2>
    <p class="small soft">
      Hours that were noted on steps, against what was counted for them. From three steps of a kind on, new estimates
      follow; what is decided keeps its figures.
      <template v-if="load.data.value.since"
        >Only what was done since {{ dayOf(load.data.value.since) }} counts.</template
      >
    </p>
    <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
    <KitTable>
      <thead>
        <tr>
          <th>Work</th>
          <th class="num">Own hours for a counted one</th>
          <th class="num">Eight in ten</th>
          <th class="num">Steps</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="pace in load.data.value.paces" :key="pace.kind">
          <td>
            {{ WORK_WORDS[pace.kind] }}<br /><span class="small soft">{{
              pace.used ? 'estimates follow it' : pace.cases.length === 0 ? 'nothing noted yet' : 'too few yet'
            }}</span>
          </td>
          <td class="num">{{ pace.cases.length === 0 ? '–' : times(pace.factor) }}</td>
          <td class="num">{{ pace.cases.length === 0 ? '–' : `${times(pace.low)} to ${times(pace.high)}` }}</td>
          <td class="num">{{ pace.cases.length }}</td>
        </tr>
      </tbody>
    </KitTable>
    <ChartView v-if="learnt" :chart="pacesChart(load.data.value.paces)" />
    <KitCollapse v-if="learnt" title="The steps that taught it">
      <template v-for="pace in load.data.value.paces" :key="pace.kind">
        <ChartView v-if="pace.cases.length > 1" :chart="paceChart(pace)" />
        <p v-for="(one, i) in pace.cases" :key="i" class="small">
          {{ WORK_WORDS[pace.kind] }}, {{ one.panel }} ({{ one.vehicle }}), {{ dayOf(one.at) }}:
          {{ hours(one.spent) }} where {{ hours(one.counted) }} were counted.
        </p>
      </template>
    </KitCollapse>
    <template v-if="second && second.cases.length > 0">
      <h3>The second side</h3>
      <p>
        <strong class="mono">{{ times(second.factor) }}</strong> of the hours of the first (eight in ten between
        {{ times(second.low) }} and {{ times(second.high) }}).
      </p>
      <p v-for="(one, i) in second.cases" :key="i" class="small">
        {{ one.panel }} ({{ one.vehicle }}), {{ dayOf(one.at) }}: {{ hours(one.second) }} where the first side took
        {{ hours(one.first) }}.
      </p>
    </template>
    <ForgetIt
      v-if="session.current?.person.role === 'owner' && learnt"
      label="Forget what was learnt …"
      :busy="form.busy.value"
      @forget="forget"
    />
  </section>
</template>

<style scoped>
.tile {
  margin: 1rem 0;
  max-width: 60rem;
}
h2,
h3 {
  margin: 0;
}
</style>
