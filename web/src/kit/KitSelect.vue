<script setup lang="ts">
/*
 * One of a list. The library's list has neither role nor name, and its options are not
 * reached by a screen reader: the browser's own element stays inside; a phone opens its own wheel for it.
 */
const model = defineModel<string>({ required: true });
</script>

<template>
  <select v-model="model" class="select">
    <slot />
  </select>
</template>

<style>
.select {
  min-height: 44px;
  padding: 0.4rem 0.7rem;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  background: var(--card);
  color: inherit;
  font: inherit;
  width: 100%;
  min-width: 0;
}
.select[aria-invalid='true'] {
  border-color: var(--alarm);
}
</style>
