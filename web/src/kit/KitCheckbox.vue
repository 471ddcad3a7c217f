<script setup lang="ts">
import { NCheckbox } from 'naive-ui';

/* Yes or no, with its words as part of the area that is pressed. */
defineProps<{ disabled?: boolean }>();
const model = defineModel<boolean>({ required: true });
</script>

<template>
  <NCheckbox v-model:checked="model" class="check" :disabled="disabled"><slot /></NCheckbox>
</template>

<style>
.check.n-checkbox {
  min-height: 44px;
  align-items: center;
}
.check.n-checkbox:focus-visible {
  outline: 3px solid var(--mark);
  outline-offset: 2px;
  border-radius: 4px;
}
</style>
