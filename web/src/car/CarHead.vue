<script setup lang="ts">
import type { Vehicle } from '@aspecta/contract/garage';
import { crumbsTo } from './crumbs.ts';

/* The head of a page about a whole car: the way to it, its question, and what can be done from here. */
defineProps<{ vehicle: Pick<Vehicle, 'id' | 'nickname'>; title: string; question: string }>();
</script>

<template>
  <nav class="crumbs small" aria-label="Where you are">
    <template v-for="crumb in crumbsTo(vehicle)" :key="crumb.text">
      <RouterLink v-if="crumb.to" :to="crumb.to">{{ crumb.text }}</RouterLink>{{ ' ' }}<span aria-hidden="true">›</span
      >{{ ' ' }}</template
    ><span>{{ title }}</span>
  </nav>
  <div class="row spread head">
    <div>
      <p class="eyebrow">{{ title }}</p>
      <h1>{{ question }}</h1>
    </div>
    <div class="row"><slot /></div>
  </div>
</template>

<style scoped>
.crumbs {
  margin-bottom: 0.6rem;
}
.head {
  margin-bottom: 1rem;
  gap: 1rem;
  flex-wrap: wrap;
}
</style>
