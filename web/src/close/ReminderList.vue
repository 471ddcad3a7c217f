<script setup lang="ts">
import type { Reminder } from '@aspecta/contract/close';
import { dayOf, timeOf } from '../shell/days.ts';

/* What will not wait: bare metal that gets wet, coats over which the next one has its hours. Soonest first. */
defineProps<{ reminders: readonly Reminder[]; withCar?: boolean }>();
const now = Date.now();
function when({ kind, from, until, passed, wet }: Reminder): string {
  if (kind === 'bare') {
    const sofar = `${wet} wet ${wet === 1 ? 'hour' : 'hours'} so far`;
    if (passed) return `${sofar}: look whether it has begun to rust, clean it again first`;
    return until
      ? `by ${timeOf(until)}, as the weather is forecast (${sofar})`
      : `it stays dry as far as is forecast (${sofar})`;
  }
  if (passed) return `its hours ended ${timeOf(until!)}`;
  return from && Date.parse(from) > now ? `from ${timeOf(from)} until ${timeOf(until!)}` : `until ${timeOf(until!)}`;
}
</script>

<template>
  <ul class="reminders">
    <li v-for="(one, i) in reminders" :key="i" :class="{ passed: one.passed }">
      <RouterLink :to="`/vehicles/${one.vehicle}/close`">{{ one.what }}</RouterLink><template v-if="withCar"
        >, {{ one.car }}</template
      >: {{ one.todo }}<template v-if="one.since"> since {{ dayOf(one.since) }}</template
      >; <strong>{{ when(one) }}</strong>.
    </li>
  </ul>
</template>

<style scoped>
.reminders {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  padding: 0.3rem 0 0.3rem 0.7rem;
  border-left: 4px solid var(--mark);
  margin-bottom: 0.3rem;
}
li.passed {
  border-left-color: var(--alarm);
}
</style>
