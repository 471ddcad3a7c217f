<script setup lang="ts">
import type { RecordView } from '@aspecta/contract/record';
import { useUnits } from '../shell/units.ts';

/* The record of a car in words, as a tester, a buyer or a judge reads it. */
defineProps<{ view: RecordView }>();
const units = useUnits();
</script>

<template>
  <article class="record">
    <p v-if="view.parts.length === 0" class="soft">Nothing is recorded yet.</p>
    <section v-for="part in view.parts" :key="part.title">
      <h2>{{ part.title }}</h2>
      <ul>
        <li v-for="line in part.lines" :key="line">{{ units.said(line) }}</li>
      </ul>
    </section>
    <section v-if="view.notInspected.length > 0">
      <h2>Not inspected</h2>
      <p>Nothing is said of these: {{ view.notInspected.join(', ') }}.</p>
    </section>
    <p class="small soft">{{ view.deference }}</p>
  </article>
</template>

<style scoped>
.record {
  max-width: 900px;
}
h2 {
  font-size: 1.1rem;
  margin: 1rem 0 0.2rem;
}
ul {
  margin: 0;
  padding-left: 1.1rem;
}
li {
  padding: 0.15rem 0;
}
</style>
