<script setup lang="ts">
import { computed } from 'vue';
import type { OrderNeed } from '@aspecta/contract/order';
import { dayOf, today } from '../shell/units.ts';

/* By when a wanted part has to be ordered, and why. */
const props = defineProps<{ need: OrderNeed }>();
const days = (value: number) => String(Math.round(value));
const late = computed(() => props.need.orderBy !== null && props.need.orderBy < today());
</script>

<template>
  <p class="small need">
    <template v-if="need.orderBy && need.lead">
      <strong :class="{ alarm: late }">{{
        late ? `Should have been ordered by ${dayOf(need.orderBy)}` : `Order by ${dayOf(need.orderBy)}`
      }}</strong>: it takes {{ days(need.lead.p50) }} days, in 9 of 10 cases up to {{ days(need.lead.p90) }}.
    </template>
    <template v-else
      >Nobody has said how long it takes; note a price with its days in the verdict of this panel.</template
    >
    Needed on {{ dayOf(need.neededOn) }} for “{{ need.step }}”.
  </p>
</template>
