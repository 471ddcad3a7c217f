<script setup lang="ts">
/*
 * A sentence that must not be overlooked; `bad` is said at once to who cannot see it, `quiet` is not.
 * The library's is an alert for every kind, and its role cannot be changed: each hint would be read out at once.
 */
defineProps<{ bad?: boolean; quiet?: boolean }>();
</script>

<template>
  <div class="notice" :class="{ bad }" :role="quiet ? 'note' : bad ? 'alert' : 'status'"><slot /></div>
</template>

<style>
.notice {
  border-left: 4px solid var(--mark);
  background: var(--mark-soft);
  padding: 0.6rem 0.8rem;
  border-radius: 0 8px 8px 0;
}
.notice.bad {
  border-color: var(--alarm);
  background: var(--alarm-soft);
}
.notice p:last-child {
  margin: 0;
}
</style>
