<script setup lang="ts">
import { computed } from 'vue';
import {
  AS_LAST,
  HEAT_WORDS,
  ruleWords,
  TYPICAL_PATCH,
  WELDING_WORDS,
  type WeldingCost,
  type WeldingQuestion,
  type WeldingSchools,
} from '@aspecta/contract/shop';
import { HOLDING_WORDS, PROCESS_WORDS, STRATEGY_WORDS } from '@aspecta/contract/weld';
import { hours, percent, useUnits } from '../shell/units.ts';
import SchoolChoice from './SchoolChoice.vue';
import SchoolReckoning from './SchoolReckoning.vue';
import { useSchoolCosts } from './useSchoolCosts.ts';

/* How this shop welds as a rule: each school in a sentence, and how long a typical patch takes by it, and how much it pulls. */
const props = defineProps<{ welding: WeldingSchools; version: number }>();
const emit = defineEmits<{ choose: [welding: Partial<WeldingSchools>] }>();
const units = useUnits();
const QUESTIONS = Object.keys(WELDING_WORDS) as WeldingQuestion[];
/** Nothing said: a chip needs a word for it. */
const OPEN = 'open';
const NAMES: Readonly<Record<string, string>> = {
  ...PROCESS_WORDS,
  ...STRATEGY_WORDS,
  ...HOLDING_WORDS,
  ...HEAT_WORDS,
};
const { costs, ...reckoning } = useSchoolCosts<WeldingCost>('/weld/schools', QUESTIONS, () => props.version);
const words = computed(() => ruleWords(units.unit.value));
const ways = (question: WeldingQuestion) => Object.entries(WELDING_WORDS[question]) as [string, string][];
const options = (question: WeldingQuestion) => [
  { value: OPEN, label: AS_LAST.replace(/^a/, 'A') },
  ...ways(question).map(([value]) => ({ value, label: NAMES[value]! })),
];
const HOUR = 3600;
/** Less than that is the same pull. */
const SAME = 0.005;
function told({ total, wait, pull }: WeldingCost): string {
  const more = pull > 1 + SAME ? `pulls ${percent(pull - 1)} more` : 'pulls least';
  return `${hours(total / HOUR)}, ${hours(wait / HOUR)} of it waiting; ${more}`;
}
const schools = (question: WeldingQuestion) =>
  ways(question).map(([value, sentence]) => {
    const cost = costs.value.find((one) => one.question === question && one.choice === value);
    return { value, name: NAMES[value]!, sentence, comesTo: cost ? told(cost) : '' };
  });
const choose = (question: WeldingQuestion, choice: string) =>
  emit('choose', { [question]: choice === OPEN ? null : choice });
const patch = computed(
  () =>
    `a patch of ${units.length(TYPICAL_PATCH.width)} by ${units.length(TYPICAL_PATCH.height)} in ${units.sheet(TYPICAL_PATCH.thickness)} sheet, one edge plugged to a flange`,
);
</script>

<template>
  <p class="small soft">
    What a new weld plan begins with; each plan may still say otherwise. Nobody runs from one end to the other on sheet.
  </p>
  <SchoolReckoning :of="reckoning" />
  <SchoolChoice
    v-for="question in QUESTIONS"
    :key="question"
    :legend="words[question]"
    :chosen="props.welding[question] ?? OPEN"
    :options="options(question)"
    :schools="schools(question)"
    @choose="choose(question, $event)"
  />
  <p v-if="costs.length" class="small soft">
    Reckoned as a weld plan for {{ patch }}, at the temperature of the workshop, by the rules that are saved. The pull
    compares ways of welding; it is no forecast.
  </p>
</template>
