<script setup lang="ts">
import { computed } from 'vue';
import { useUnits } from '../shell/units.ts';

/*
 * Notes of a car, a line each; a line that came from the Bench book leads back to its page, and is
 * read in the units of the shop as it is now. What people wrote stays as they wrote it.
 */
const props = defineProps<{ text: string }>();
const units = useUnits();
const lines = computed(() =>
  props.text.split('\n').map((line) => {
    const kept = /^(.*) \((\/book\/\S+)\)$/.exec(line);
    return kept ? { text: units.said(kept[1]!), to: kept[2]! } : { text: line, to: null };
  }),
);
</script>

<template>
  <p v-for="(line, i) in lines" :key="i" class="small">
    {{ line.text }} <RouterLink v-if="line.to" :to="line.to">how</RouterLink>
  </p>
</template>
