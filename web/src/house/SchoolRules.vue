<script setup lang="ts">
import { computed, watch } from 'vue';
import { CLOSING_WORDS } from '@aspecta/contract/repair';
import { ruleWords, SCHOOL_WORDS, TYPICAL_REPAIRS, type SchoolCost, type SchoolQuestion } from '@aspecta/contract/shop';
import { schoolDefaults, type Closing, type Schools } from '@aspecta/core/repair';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import { get } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { hours, useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';

/* How joints are closed as a rule: each school in a sentence, and what it comes to on a typical repair by the rules as they are stored. */
const props = defineProps<{ schools: Schools; version: number }>();
const emit = defineEmits<{ choose: [schools: Partial<Schools>] }>();
const session = useSession();
const units = useUnits();
const QUESTIONS = Object.keys(SCHOOL_WORDS) as SchoolQuestion[];
/** One question after the other: together they would keep everybody else waiting. */
const costs = useLoad(async () => {
  const all: SchoolCost[] = [];
  if (session.canWork)
    for (const question of QUESTIONS) all.push(...(await get<SchoolCost[]>(`/estimates/schools/${question}`)));
  return all;
});
const words = computed(() => ruleWords(units.unit.value));
const ways = (question: SchoolQuestion) => Object.keys(SCHOOL_WORDS[question]) as Closing[];
const options = (question: SchoolQuestion) => ways(question).map((value) => ({ value, label: CLOSING_WORDS[value] }));
const cost = (question: SchoolQuestion, choice: Closing) =>
  costs.data.value?.find((one) => one.question === question && one.choice === choice);
const choose = (question: SchoolQuestion, choice: string) => emit('choose', { [question]: choice as Closing });
// Other rates come to other money.
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
  <p v-else-if="costs.loading.value && session.canWork" class="small soft" role="status">
    Reckoning what each comes to …
  </p>
  <section v-for="question in QUESTIONS" :key="question" class="school">
    <KitChips
      :model-value="props.schools[question]"
      :legend="words[question]"
      :options="options(question)"
      @update:model-value="choose(question, $event)"
    />
    <dl class="small">
      <div v-for="way in ways(question)" :key="way" :class="{ chosen: props.schools[question] === way }">
        <dt>
          {{ CLOSING_WORDS[way] }}<template v-if="schoolDefaults[question] === way">, the usual</template
          ><span v-if="cost(question, way)" class="mono"
            >{{ hours(cost(question, way)!.hours) }}, {{ units.roundMoney(cost(question, way)!.cost) }}</span
          >
        </dt>
        <dd class="soft">{{ SCHOOL_WORDS[question][way] }}</dd>
      </div>
    </dl>
    <p v-if="costs.data.value?.length" class="small soft">
      Hours and money at half of the cases, for {{ TYPICAL_REPAIRS[question] }}, by the rules that are saved.
    </p>
  </section>
</template>

<style scoped>
.school {
  display: grid;
  gap: 0.4rem;
}
dl {
  display: grid;
  gap: 0.4rem;
  margin: 0;
}
dl > div {
  border-left: 3px solid var(--line);
  padding-left: 0.6rem;
}
dl > .chosen {
  border-left-color: var(--mark);
}
dt {
  display: flex;
  gap: 0.75rem;
  justify-content: space-between;
  font-weight: 500;
}
dd {
  margin: 0;
}
</style>
