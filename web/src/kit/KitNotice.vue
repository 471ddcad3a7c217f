<script setup lang="ts">
import { NAlert } from 'naive-ui';

/* A sentence that must not be overlooked; `bad` is said at once to who cannot see it. */
defineProps<{ bad?: boolean; quiet?: boolean }>();
</script>

<template>
  <NAlert
    class="notice"
    :class="{ bad }"
    :type="bad ? 'error' : 'info'"
    :show-icon="false"
    :bordered="false"
    :role="quiet ? 'note' : bad ? 'alert' : 'status'"
    ><slot
  /></NAlert>
</template>

<style>
.notice.n-alert {
  --n-padding: 0.6rem 0.8rem;
  --n-color: var(--mark-soft);
  --n-content-text-color: var(--ink);
  border-left: 4px solid var(--mark);
  border-radius: 0 8px 8px 0;
}
.notice.n-alert.bad {
  --n-color: var(--alarm-soft);
  border-color: var(--alarm);
}
.notice p:last-child {
  margin: 0;
}
</style>
