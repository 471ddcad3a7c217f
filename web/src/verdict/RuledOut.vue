<script setup lang="ts">
import type { VerdictOption } from '@aspecta/core/verdict';
import KitCollapse from '../kit/KitCollapse.vue';
import { useUnits } from '../shell/units.ts';

/* What cannot be done here, and why: out of the way of what can. */
defineProps<{ options: readonly VerdictOption[] }>();
const units = useUnits();
</script>

<template>
  <KitCollapse v-if="options.length > 0" :title="`Ruled out (${options.length})`">
    <ul>
      <li v-for="option in options" :key="option.id">
        <strong>{{ option.title }}.</strong> {{ units.said(option.ruledOut ?? '') }}
      </li>
    </ul>
  </KitCollapse>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 1.1rem;
  display: grid;
  gap: 0.3rem;
}
</style>
