<script setup lang="ts">
import { computed } from 'vue';

/* Notes of a car, a line each; a line that came from the Bench book leads back to its page. */
const props = defineProps<{ text: string }>();
const lines = computed(() =>
  props.text.split('\n').map((line) => {
    const kept = /^(.*) \((\/book\/\S+)\)$/.exec(line);
    return kept ? { text: kept[1]!, to: kept[2]! } : { text: line, to: null };
  }),
);
</script>

<template>
  <p v-for="(line, i) in lines" :key="i" class="small">
    {{ line.text }} <RouterLink v-if="line.to" :to="line.to">how</RouterLink>
  </p>
</template>
