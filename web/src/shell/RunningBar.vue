<script setup lang="ts">
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitProgress from '../kit/KitProgress.vue';
import { percent } from './units.ts';

/* What a long calculation shows: how far it has come, and how to stop it. */
defineProps<{ progress: number | null; stopped: boolean }>();
const emit = defineEmits<{ stop: []; again: [] }>();
</script>

<template>
  <div v-if="progress !== null" class="running" role="status">
    <KitProgress label="Computing" :share="progress > 0 ? progress : null" />
    <span class="mono small">{{ progress > 0 ? percent(progress) : '…' }}</span>
    <KitButton small @click="emit('stop')">Stop</KitButton>
  </div>
  <KitNotice v-else-if="stopped" class="small">
    Stopped. <KitButton small @click="emit('again')">Compute again</KitButton>
  </KitNotice>
</template>

<style scoped>
.running {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  margin: 0.6rem 0;
}
</style>
