<script setup lang="ts">
import { computed } from 'vue';
import { CLOSING_WORDS } from '@aspecta/contract/repair';
import { ruleWords, SCHOOL_WORDS, TYPICAL_REPAIRS, type SchoolCost, type SchoolQuestion } from '@aspecta/contract/shop';
import { schoolDefaults, type Closing, type Schools } from '@aspecta/core/repair';
import { hours, useUnits } from '../shell/units.ts';
import SchoolChoice from './SchoolChoice.vue';
import SchoolReckoning from './SchoolReckoning.vue';
import { useSchoolCosts } from './useSchoolCosts.ts';

/* How joints are closed as a rule: each school in a sentence, and what it comes to on a typical repair by the rules as they are stored. */
const props = defineProps<{ schools: Schools; version: number }>();
const emit = defineEmits<{ choose: [schools: Partial<Schools>] }>();
const units = useUnits();
const QUESTIONS = Object.keys(SCHOOL_WORDS) as SchoolQuestion[];
const { costs, ...reckoning } = useSchoolCosts<SchoolCost>('/estimates/schools', QUESTIONS, () => props.version);
const words = computed(() => ruleWords(units.unit.value));
const ways = (question: SchoolQuestion) => Object.keys(SCHOOL_WORDS[question]) as Closing[];
const options = (question: SchoolQuestion) => ways(question).map((value) => ({ value, label: CLOSING_WORDS[value] }));
const told = (question: SchoolQuestion) =>
  ways(question).map((value) => {
    const cost = costs.value.find((one) => one.question === question && one.choice === value);
    return {
      value,
      name: `${CLOSING_WORDS[value]}${schoolDefaults[question] === value ? ', the usual' : ''}`,
      sentence: SCHOOL_WORDS[question][value]!,
      comesTo: cost ? `${hours(cost.hours)}, ${units.roundMoney(cost.cost)}` : '',
    };
  });
const choose = (question: SchoolQuestion, choice: string) => emit('choose', { [question]: choice as Closing });
</script>

<template>
  <SchoolReckoning :of="reckoning" />
  <SchoolChoice
    v-for="question in QUESTIONS"
    :key="question"
    :legend="words[question]"
    :chosen="props.schools[question]"
    :options="options(question)"
    :schools="told(question)"
    @choose="choose(question, $event)"
  >
    <p v-if="costs.length" class="small soft">
      Hours and money at half of the cases, for {{ TYPICAL_REPAIRS[question] }}, by the rules that are saved.
    </p>
  </SchoolChoice>
</template>
