<script setup lang="ts">
import { useOutbox } from '../survey/outbox.ts';
import { useConnection } from './connection.ts';

const connection = useConnection();
const outbox = useOutbox();
</script>

<template>
  <div
    v-if="!connection.reachable || outbox.pending.length > 0"
    class="bar"
    :class="{ away: !connection.reachable }"
    role="status"
  >
    <template v-if="!connection.reachable">
      <strong>The server cannot be reached.</strong>
      <span>{{
        outbox.pending.length > 0
          ? `${outbox.pending.length} ${outbox.pending.length === 1 ? 'reading is' : 'readings are'} kept on this device and will be sent once it is back.`
          : 'You can go on reading; what you enter is kept on this device.'
      }}</span>
    </template>
    <span v-else
      >Sending {{ outbox.pending.length }} kept {{ outbox.pending.length === 1 ? 'reading' : 'readings' }} …</span
    >
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  gap: 0.6rem;
  flex-wrap: wrap;
  padding: 0.45rem 1rem;
  background: var(--mark-soft);
  border-bottom: 1px solid var(--line);
}
.bar.away {
  background: var(--alarm-soft);
  color: var(--ink);
}
</style>
