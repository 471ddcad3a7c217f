<script setup lang="ts">
import { percent } from '../shell/units.ts';

/* What a long calculation shows: how far it has come, and how to stop it. */
defineProps<{ progress: number | null; stopped: boolean }>();
const emit = defineEmits<{ stop: []; again: [] }>();
</script>

<template>
  <div v-if="progress !== null" class="running" role="status">
    <progress :value="progress > 0 ? progress : undefined" max="1" aria-label="Computing" />
    <span class="mono small">{{ progress > 0 ? percent(progress) : '…' }}</span>
    <button type="button" class="btn small-btn" @click="emit('stop')">Stop</button>
  </div>
  <p v-else-if="stopped" class="notice small" role="status">
    Stopped. <button type="button" class="btn small-btn" @click="emit('again')">Compute again</button>
  </p>
</template>

<style scoped>
.running {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  margin: 0.6rem 0;
}
progress {
  flex: 1;
  accent-color: var(--mark);
}
</style>
