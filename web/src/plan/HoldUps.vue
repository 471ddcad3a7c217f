<script setup lang="ts">
import KitCollapse from '../kit/KitCollapse.vue';
import { hours } from '../shell/units.ts';
import { daysText } from '../shell/days.ts';
import type { HoldUp, Wait } from './holdUps.ts';

/* What holds the end up: first what is no work, then what is, longest first; each opens to its steps. */
defineProps<{ of: readonly HoldUp[]; waits: readonly Wait[] }>();
const runs = (share: number) => `in ${Math.round(share * 100)} of 100 runs`;
/** Nobody works on it: it is told in days. */
const long = ({ steps, hours: all }: HoldUp) => (steps[0]!.waits ? daysText(Math.ceil(all / 24)) : hours(all));
</script>

<template>
  <ul>
    <li v-for="wait in waits" :key="wait.what">
      {{ wait.what }}<span class="soft small">, {{ runs(wait.critical) }}</span>
    </li>
    <li v-for="one in of" :key="one.what">
      <template v-if="one.steps.length === 1">
        {{ one.steps[0]!.title }} <span class="soft small">{{ long(one) }}, {{ runs(one.critical) }}</span>
      </template>
      <KitCollapse v-else>
        <template #title
          >{{ one.what }}
          <span class="soft small"
            >{{ one.steps.length }} steps, {{ long(one) }}, {{ runs(one.critical) }}</span
          ></template
        >
        <ul>
          <li v-for="step in one.steps" :key="step.id" class="small">
            {{ step.title }} <span class="soft">{{ runs(step.critical) }}</span>
          </li>
        </ul>
      </KitCollapse>
    </li>
  </ul>
</template>
