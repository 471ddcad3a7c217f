<script setup lang="ts">
import type { NextReading } from '@aspecta/core/survey';
import KitButton from '../kit/KitButton.vue';
import { percent, useUnits } from '../shell/units.ts';
import type { Advice } from '../workers/compute.ts';
import { CALLED } from './called.ts';

/* Where the next reading tells most, and when the panel can be called. */
defineProps<{ advice: Advice | null; called: number; canWork: boolean }>();
const units = useUnits();
const emit = defineEmits<{ next: [place: NextReading] }>();
</script>

<template>
  <div v-if="advice">
    <p class="eyebrow">Where to read next</p>
    <p v-if="called >= CALLED" class="small good" role="status">
      <strong>This layer can be called:</strong> {{ percent(called) }} of it is on its side of the limit with 90 %
      certainty. More readings would tell little.
    </p>
    <p v-else class="small soft" role="status">
      {{ percent(called) }} of the layer can be called; it takes {{ percent(CALLED) }}.
    </p>
    <ol v-if="canWork && called < CALLED">
      <li v-for="place in advice.next" :key="`${place.u} ${place.v}`">
        <KitButton small @click="emit('next', place)">Mark it</KitButton>
        <span class="small">{{ units.said(place.reason) }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
ol {
  margin: 0;
  padding-left: 1.2rem;
  display: grid;
  gap: 0.4rem;
}
li::marker {
  font: 600 0.9rem var(--mono);
  color: var(--mark);
}
li .btn {
  margin-right: 0.6rem;
}
</style>
