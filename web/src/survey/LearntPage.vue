<script setup lang="ts">
import { computed, ref } from 'vue';
import type { MakerRecord } from '@aspecta/core/order';
import { EVIDENCE, type LearntView } from '@aspecta/contract/survey';
import ChartView from '../charts/ChartView.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
import MakersTile from '../order/MakersTile.vue';
import PacesTile from '../pace/PacesTile.vue';
import { get, remove } from '../shell/api.ts';
import ForgetIt from '../shell/ForgetIt.vue';
import { useForm } from '../shell/useForm.ts';
import { useSession } from '../shell/session.ts';
import { dayOf } from '../shell/days.ts';
import { percent, useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import { learntChart } from './surveyCharts.ts';

/* What a shop's own openings have taught it: how much more was found than predicted, by what had shown. */
const units = useUnits();
const session = useSession();
const makers = ref<readonly MakerRecord[]>([]);
const load = useLoad(async () => {
  // Prices and deliveries are the shop's own.
  const [learnt, delivered] = await Promise.all([
    get<LearntView[]>('/learnt'),
    session.isCustomer ? [] : get<MakerRecord[]>('/orders/makers').catch(() => []),
  ]);
  makers.value = delivered;
  return learnt;
});
const form = useForm();
const since = computed(() => load.data.value?.[0]?.since ?? null);
const forget = () =>
  form.submit(async () => {
    load.data.value = await remove<LearntView[]>('/learnt');
  });
const times = (factor: number) => `× ${factor.toFixed(factor < 3 ? 2 : 1)}`;
</script>

<template>
  <Waiting :of="load" what="The history">
    <main v-if="load.data.value" class="page" tabindex="0">
      <p class="eyebrow">Learnt</p>
      <h1>What has this shop learnt?</h1>
      <PacesTile />
      <MakersTile v-if="makers.length > 0" :makers="makers" />
      <h2>How much more was there than it seemed?</h2>
      <p class="soft wide">
        For each zone Aspecta keeps what showed, what it predicted, and what was found when it was opened further. The
        factor moves the next prediction; it starts from common practice, which counts as four openings.
        <template v-if="since">Only what was foretold since {{ dayOf(since) }} counts.</template>
      </p>
      <ForgetIt
        v-if="session.current?.person.role === 'owner' && load.data.value.some(({ cases }) => cases.length > 0)"
        label="Forget what openings taught …"
        :busy="form.busy.value"
        @forget="forget"
      />
      <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
      <section v-for="entry in load.data.value" :key="entry.evidence" class="tile">
        <div class="row spread">
          <h3>{{ EVIDENCE[entry.evidence] }}</h3>
          <span class="mono big">{{ times(entry.factor) }}</span>
        </div>
        <p class="small soft">
          learnt from {{ entry.cases.length }} {{ entry.cases.length === 1 ? 'opening' : 'openings' }}. What is seen now
          is expected to become <strong class="mono">{{ times(entry.ratio.p50) }}</strong> (eight in ten between
          {{ times(entry.ratio.p10) }} and {{ times(entry.ratio.p90) }}).
        </p>
        <p class="small soft">
          The layer behind has it too in about <strong class="mono">{{ percent(entry.behind.chance) }}</strong> of
          cases; {{ entry.behind.found }} of {{ entry.behind.cases }} here.
        </p>
        <ChartView
          v-if="entry.cases.length > 1"
          :chart="learntChart(entry.evidence === 'map' ? 'stripped' : entry.evidence, entry.cases)"
        />
        <KitTable v-if="entry.cases.length > 0">
          <thead>
            <tr>
              <th>Car, panel</th>
              <th class="num">Predicted</th>
              <th class="num">Found</th>
              <th class="num">Factor</th>
              <th>Day</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, i) in entry.cases" :key="i">
              <td>{{ one.vehicle }}, {{ one.panel }}</td>
              <td class="num">{{ units.area(one.predicted) }}</td>
              <td class="num">{{ units.area(one.found) }}</td>
              <td class="num">{{ times(one.found / one.predicted) }}</td>
              <td>{{ dayOf(one.at) }}</td>
            </tr>
          </tbody>
        </KitTable>
        <p v-else class="small">No zone with this evidence has been opened further yet.</p>
      </section>
    </main>
  </Waiting>
</template>

<style scoped>
.wide {
  max-width: 46rem;
}
.tile {
  margin-top: 1rem;
  max-width: 60rem;
}
.big {
  font-size: 1.6rem;
}
</style>
