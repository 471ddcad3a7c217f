<script setup lang="ts">
import KitPress from '../kit/KitPress.vue';

/* One of the numbered places on a sheet, as a row that opens what can be said of it. */
defineProps<{ n: number; open: boolean }>();
const emit = defineEmits<{ press: [] }>();
</script>

<template>
  <KitPress class="edge-row" :aria-expanded="open" @click="emit('press')">
    <span class="n mono">{{ n }}</span>
    <span><slot /></span>
  </KitPress>
</template>

<style scoped>
.edge-row {
  display: flex;
  align-items: baseline;
  width: 100%;
  min-height: 44px;
  padding: 0.5rem 0.4rem;
  border-bottom: 1px solid var(--line);
}
.edge-row[aria-expanded='true'] {
  border-left: 4px solid var(--mark);
}
.n {
  min-width: 1.6rem;
}
</style>
