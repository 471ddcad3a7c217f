<script setup lang="ts">
import { computed } from 'vue';
import {
  METALWORK_WORDS,
  ruleWords,
  TYPICAL_METALWORK,
  type MetalworkCost,
  type MetalworkQuestion,
} from '@aspecta/contract/shop';
import { usualMetalwork, type Metalwork } from '@aspecta/core/repair';
import { hours, useUnits } from '../shell/units.ts';
import SchoolChoice from './SchoolChoice.vue';
import SchoolReckoning from './SchoolReckoning.vue';
import { useSchoolCosts } from './useSchoolCosts.ts';

/* How this shop works on metal as a rule: how far it cuts, what it does with rust that stays, how it finishes and coats. */
const props = defineProps<{ metalwork: Metalwork; version: number }>();
const emit = defineEmits<{ choose: [metalwork: Partial<Metalwork>] }>();
const units = useUnits();
const QUESTIONS = Object.keys(METALWORK_WORDS) as MetalworkQuestion[];
const { costs, ...reckoning } = useSchoolCosts<MetalworkCost>('/estimates/schools', QUESTIONS, () => props.version);
const words = computed(() => ruleWords(units.unit.value));
const ways = (question: MetalworkQuestion) =>
  Object.entries(METALWORK_WORDS[question]) as [string, { name: string; sentence: string }][];
const told = ({ hours: h, cost, dries }: MetalworkCost) =>
  [hours(h), ...(dries === undefined ? [] : [`${hours(dries)} drying`]), units.roundMoney(cost)].join(', ');
const schools = (question: MetalworkQuestion) =>
  ways(question).map(([value, { name, sentence }]) => {
    const cost = costs.value.find((one) => one.question === question && one.choice === value);
    const usual = usualMetalwork[question] === value ? ', the usual' : '';
    return { value, name: `${name}${usual}`, sentence, comesTo: cost ? told(cost) : '' };
  });
</script>

<template>
  <SchoolReckoning :of="reckoning" />
  <SchoolChoice
    v-for="question in QUESTIONS"
    :key="question"
    :legend="words[question]"
    :chosen="props.metalwork[question]"
    :options="ways(question).map(([value, { name }]) => ({ value, label: name }))"
    :schools="schools(question)"
    @choose="emit('choose', { [question]: $event })"
  >
    <p v-if="costs.length" class="small soft">For {{ TYPICAL_METALWORK[question] }}, by the rules that are saved.</p>
  </SchoolChoice>
</template>
