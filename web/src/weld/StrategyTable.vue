<script setup lang="ts">
import { computed, shallowRef } from 'vue';
import { STRATEGY_WORDS, type WeldSettingsInput } from '@aspecta/contract/weld';
import type { StrategyPlan, Strategy } from '@aspecta/core/weld';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
import { post } from '../shell/api.ts';
import { duration, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* The same welds by each strategy: what it costs in time, and how much it pulls the sheet about. */
const props = defineProps<{ repair: string; input: WeldSettingsInput }>();
const units = useUnits();
const form = useForm();
const plans = shallowRef<StrategyPlan[]>([]);
const compare = () =>
  form.submit(async () => {
    plans.value = await post<StrategyPlan[]>(`/repairs/${props.repair}/weld/compare`, props.input);
  });
const now = computed(() => plans.value.find(({ strategy }) => strategy === props.input.strategy));
/** What another strategy means beside the one that is chosen, in a sentence. */
function beside(plan: StrategyPlan): string {
  if (!now.value || plan === now.value) return 'as chosen';
  const time = plan.totalTime - now.value.totalTime;
  const longer = Math.abs(time) < MINUTE ? 'as long' : `${duration(Math.abs(time))} ${time > 0 ? 'longer' : 'shorter'}`;
  if (now.value.distortionIndex === 0) return longer;
  const pull = plan.distortionIndex / now.value.distortionIndex - 1;
  const more =
    Math.abs(pull) < 0.01 ? 'as much pull' : `${Math.round(Math.abs(pull) * 100)} % ${pull > 0 ? 'more' : 'less'} pull`;
  return `${longer}, ${more}`;
}
const MINUTE = 60;
const word = (strategy: Strategy) => STRATEGY_WORDS[strategy];
</script>

<template>
  <KitButton :disabled="form.busy.value" @click="compare">
    {{ form.busy.value ? 'Working it out …' : plans.length > 0 ? 'Compare again' : 'Compare them' }}
  </KitButton>
  <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
  <KitTable v-if="plans.length > 0">
    <thead>
      <tr>
        <th>Order</th>
        <th class="num">In all</th>
        <th class="num">Waits</th>
        <th class="num">Hottest</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="plan in plans" :key="plan.strategy">
        <td>
          {{ word(plan.strategy) }}<span class="small soft block">{{ beside(plan) }}</span>
        </td>
        <td class="num">{{ duration(plan.totalTime) }}</td>
        <td class="num">{{ duration(plan.waitTime) }}</td>
        <td class="num">{{ units.heat.text(plan.hottestStart) }}</td>
      </tr>
    </tbody>
  </KitTable>
  <p v-if="plans.length > 0" class="small soft">
    Pull compares these with each other; it is no forecast in {{ units.word.value }}.
  </p>
</template>

<style scoped>
.block {
  display: block;
}
</style>
