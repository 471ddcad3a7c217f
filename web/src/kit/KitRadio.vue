<script setup lang="ts">
import { NRadio } from 'naive-ui';

/* One of several that stand apart: what has the same `name` belongs together. */
defineProps<{ name: string; chosen: boolean; disabled?: boolean }>();
const emit = defineEmits<{ choose: [] }>();
</script>

<template>
  <NRadio class="radio" :name="name" :checked="chosen" :disabled="disabled" @update:checked="emit('choose')"
    ><slot
  /></NRadio>
</template>

<style>
.radio.n-radio {
  min-height: 44px;
  align-items: center;
  white-space: normal;
}
.radio.n-radio:has(input:focus-visible) {
  outline: 3px solid var(--mark);
  outline-offset: 2px;
  border-radius: 4px;
}
.radio.n-radio .n-radio-input {
  inset: 0;
  z-index: 1;
  width: 100%;
  height: 100%;
  cursor: pointer;
}
</style>
