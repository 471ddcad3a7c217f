<script setup lang="ts">
import { onMounted, shallowRef } from 'vue';
import type { Reminder } from '@aspecta/contract/close';
import ReminderList from '../close/ReminderList.vue';
import { get } from '../shell/api.ts';

/* What will not wait on any car. */
const reminders = shallowRef<readonly Reminder[]>([]);
onMounted(async () => {
  // The cars below are there without it; the bar at the top says when the server is away.
  reminders.value = await get<Reminder[]>('/reminders').catch(() => []);
});
const MOST = 5;
</script>

<template>
  <section v-if="reminders.length > 0" class="tile" aria-label="What will not wait">
    <p class="eyebrow">What will not wait</p>
    <ReminderList :reminders="reminders.slice(0, MOST)" with-car />
  </section>
</template>

<style scoped>
.tile {
  margin-bottom: 0.8rem;
}
</style>
