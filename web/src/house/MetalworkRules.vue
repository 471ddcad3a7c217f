<script setup lang="ts">
import { computed, watch } from 'vue';
import {
  METALWORK_WORDS,
  ruleWords,
  TYPICAL_METALWORK,
  type MetalworkCost,
  type MetalworkQuestion,
} from '@aspecta/contract/shop';
import { usualMetalwork, type Metalwork } from '@aspecta/core/repair';
import KitButton from '../kit/KitButton.vue';
import { get } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { hours, useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import SchoolChoice from './SchoolChoice.vue';

/* How this shop works on metal as a rule: how far it cuts, what it does with rust that stays, how it finishes and coats. */
const props = defineProps<{ metalwork: Metalwork; version: number }>();
const emit = defineEmits<{ choose: [metalwork: Partial<Metalwork>] }>();
const session = useSession();
const units = useUnits();
const QUESTIONS = Object.keys(METALWORK_WORDS) as MetalworkQuestion[];
/** One question after the other: together they would keep everybody else waiting. */
const costs = useLoad(async () => {
  const all: MetalworkCost[] = [];
  if (session.canWork)
    for (const question of QUESTIONS) all.push(...(await get<MetalworkCost[]>(`/estimates/schools/${question}`)));
  return all;
});
const words = computed(() => ruleWords(units.unit.value));
const ways = (question: MetalworkQuestion) =>
  Object.entries(METALWORK_WORDS[question]) as [string, { name: string; sentence: string }][];
const told = ({ hours: h, cost, dries }: MetalworkCost) =>
  [hours(h), ...(dries === undefined ? [] : [`${hours(dries)} drying`]), units.roundMoney(cost)].join(', ');
const schools = (question: MetalworkQuestion) =>
  ways(question).map(([value, { name, sentence }]) => {
    const cost = costs.data.value?.find((one) => one.question === question && one.choice === value);
    const usual = usualMetalwork[question] === value ? ', the usual' : '';
    return { value, name: `${name}${usual}`, sentence, comesTo: cost ? told(cost) : '' };
  });
watch(
  () => props.version,
  () => costs.reload(),
);
</script>

<template>
  <p v-if="costs.error.value" class="small">
    What each comes to could not be reckoned: {{ costs.error.value }}
    <KitButton small plain @click="costs.reload()">Try again</KitButton>
  </p>
  <SchoolChoice
    v-for="question in QUESTIONS"
    :key="question"
    :legend="words[question]"
    :chosen="props.metalwork[question]"
    :options="ways(question).map(([value, { name }]) => ({ value, label: name }))"
    :schools="schools(question)"
    @choose="emit('choose', { [question]: $event })"
  >
    <p v-if="costs.data.value?.length" class="small soft">
      For {{ TYPICAL_METALWORK[question] }}, by the rules that are saved.
    </p>
  </SchoolChoice>
</template>
