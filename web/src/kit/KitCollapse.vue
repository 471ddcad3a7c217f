<script setup lang="ts">
/*
 * What is opened when it is wanted. The library's collapse is not reached by keyboard: the browser's
 * own element stays inside. What can be opened says so; its mark is not read out.
 */
const props = defineProps<{
  title?: string;
  open?: boolean;
  /** Whether it is open is for the page to say: it is asked. */ held?: boolean;
}>();
const emit = defineEmits<{ toggle: [open: boolean] }>();
function press(event: Event): void {
  if (!props.held) return;
  event.preventDefault();
  emit('toggle', !props.open);
}
</script>

<template>
  <details class="collapse" :open="open">
    <summary @click="press">
      <slot name="title">{{ title }}</slot>
    </summary>
    <slot />
  </details>
</template>

<style>
.collapse > summary {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 0 0.4em;
  min-height: 44px;
  list-style: none;
  cursor: pointer;
  font-weight: 500;
}
.collapse > summary::-webkit-details-marker {
  display: none;
}
.collapse > summary::before {
  content: '▸' / '';
  flex: none;
  width: 0.9em;
  color: var(--mark);
}
.collapse[open] > summary::before {
  content: '▾' / '';
}
</style>
