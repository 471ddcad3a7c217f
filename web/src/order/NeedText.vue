<script setup lang="ts">
import { computed } from 'vue';
import type { OrderNeed } from '@aspecta/contract/order';
import { dayOf, daysText, today } from '../shell/days.ts';

/* By when a wanted part has to be ordered, and why. */
const props = defineProps<{ need: OrderNeed }>();
const late = computed(() => props.need.orderBy !== null && props.need.orderBy < today());
</script>

<template>
  <p class="small need">
    <template v-if="need.orderBy && need.lead">
      <strong :class="{ alarm: late }">{{ late ? 'Order it today' : `Order by ${dayOf(need.orderBy)}` }}</strong>: it
      takes {{ daysText(need.lead.p50) }}, in 9 of 10 cases up to {{ daysText(need.lead.p90) }}.
    </template>
    <template v-else
      >Nobody has said how long it takes; note a price with its days in the verdict of this panel.</template
    >
    <template v-if="late">“{{ need.step }}” could begin on {{ dayOf(need.neededOn) }} and waits for it.</template>
    <template v-else>Needed on {{ dayOf(need.neededOn) }} for “{{ need.step }}”.</template>
  </p>
</template>
