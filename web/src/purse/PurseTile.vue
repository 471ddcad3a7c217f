<script setup lang="ts">
import { computed, ref } from 'vue';
import type { PlannedMoney, PurseView } from '@aspecta/contract/purse';
import ChartView from '../charts/ChartView.vue';
import KitButton from '../kit/KitButton.vue';
import { get } from '../shell/api.ts';
import { dayOf } from '../shell/days.ts';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import { balances, moneyChart } from './moneyChart.ts';
import PurseForm from './PurseForm.vue';
import { EVERY_WORDS } from './words.ts';

/* What money there is for parts, what comes in, and what a plan makes of it: which order waits for which pay day. */
const props = defineProps<{
  money: PlannedMoney | null;
  from: string;
  until: string | null;
  dayText: (iso: string) => string;
}>();
const emit = defineEmits<{ saved: [] }>();
const session = useSession();
const units = useUnits();
const load = useLoad(() => get<PurseView>('/purse'));
const changing = ref(false);
const purse = computed(() => load.data.value);
const moves = computed(() => (props.money ? balances(props.money) : []));
const chart = computed(() =>
  props.money && props.until && moves.value.length > 0
    ? moneyChart(props.money, { from: props.from, until: props.until, dayText: props.dayText, write: units.roundMoney })
    : null,
);
async function saved(): Promise<void> {
  changing.value = false;
  await load.reload();
  emit('saved');
}
</script>

<template>
  <section>
    <h2>Money for parts</h2>
    <Waiting :of="load" what="The money">
      <div v-if="purse" class="stack">
        <p v-if="purse.there === null" class="soft">
          This plan orders parts as if money were always there. Say what is there and when more comes in: then each
          order waits for its pay day.
        </p>
        <p v-else>
          <strong class="mono">{{ units.money(purse.left!) }}</strong> there now<template
            v-for="income in purse.comes"
            :key="income.first + income.every"
            >; {{ units.money(income.amount) }} {{ EVERY_WORDS[income.every] }} {{ dayOf(income.first) }}</template
          >.
        </p>
        <ChartView v-if="chart" :chart="chart" :height="180" />
        <ul v-if="moves.length > 0" class="plain small">
          <li v-for="(move, i) in moves" :key="i">
            <span class="mono">{{ dayText(move.at) }}</span>: {{ move.title ?? 'comes in' }},
            <span class="mono">{{ units.money(Math.abs(move.amount)) }}</span>;
            <span class="mono">{{ units.money(move.left) }}</span> is left
          </li>
        </ul>
        <KitButton v-if="session.current?.person.role === 'owner'" small @click="changing = true">{{
          purse.there === null ? 'Say what money there is' : 'Change'
        }}</KitButton>
        <PurseForm v-if="changing" :purse="purse" @close="changing = false" @saved="saved" />
      </div>
    </Waiting>
  </section>
</template>
