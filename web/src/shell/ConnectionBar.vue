<script setup lang="ts">
import { computed, ref } from 'vue';
import KitButton from '../kit/KitButton.vue';
import RefusedDialog from '../outbox/RefusedDialog.vue';
import { useOutbox } from '../outbox/useOutbox.ts';
import { useConnection } from './connection.ts';
import { since } from './days.ts';

/* What stands between this device and the server: away, old, on its way, refused. On every page. */
const connection = useConnection();
const outbox = useOutbox();
const open = ref(false);
const entries = (count: number) => (count === 1 ? '1 entry' : `${count} entries`);
const waiting = computed(() => outbox.pending.length);
</script>

<template>
  <div v-if="!connection.reachable || waiting > 0" class="bar" :class="{ away: !connection.reachable }" role="status">
    <template v-if="!connection.reachable">
      <strong>The server cannot be reached.</strong>
      <span v-if="connection.shownAsOf">What you see is as it was {{ since(connection.shownAsOf) }}.</span>
      <span>{{
        waiting > 0
          ? `${entries(waiting)} kept on this device; sent once it is back.`
          : 'You can go on; what you record is kept on this device.'
      }}</span>
    </template>
    <span v-else>Sending {{ entries(waiting) }} kept on this device …</span>
  </div>
  <div v-if="outbox.refused.length > 0" class="bar refused" role="alert">
    <strong>{{ entries(outbox.refused.length) }} could not be stored.</strong>
    <span>Kept on this device until you mend or drop {{ outbox.refused.length === 1 ? 'it' : 'them' }}.</span>
    <KitButton small @click="open = true">Look</KitButton>
  </div>
  <RefusedDialog v-if="open" @close="open = false" />
</template>

<style scoped>
.bar {
  display: flex;
  gap: 0.6rem;
  flex-wrap: wrap;
  align-items: center;
  padding: 0.45rem 1rem;
  background: var(--mark-soft);
  border-bottom: 1px solid var(--line);
}
.bar.away,
.bar.refused {
  background: var(--alarm-soft);
  color: var(--ink);
}
</style>
