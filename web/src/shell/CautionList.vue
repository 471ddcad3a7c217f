<script setup lang="ts">
import { cautionsFor, type CautionStep } from '@aspecta/core/safety';

/* The usual cautions at the step where they bite; what is peculiar to the page stands before them. */
defineProps<{ step: CautionStep }>();
</script>

<template>
  <ul class="cautions small">
    <slot />
    <li v-for="caution in cautionsFor(step)" :key="caution.id">
      <strong>{{ caution.title }}.</strong> {{ caution.text }}
    </li>
  </ul>
</template>

<style scoped>
.cautions {
  margin: 0;
  padding-left: 1.1rem;
}
</style>
