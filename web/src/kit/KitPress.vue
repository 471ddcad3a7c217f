<script setup lang="ts">
/*
 * A whole area that can be pressed: a row, a card, a word within a sentence. The library's button
 * sets its content into one centred line with a height of its own, which such areas are not.
 */
defineProps<{ disabled?: boolean }>();
</script>

<template>
  <button type="button" class="press-area" :disabled="disabled"><slot /></button>
</template>

<style>
.press-area {
  border: 0;
  padding: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: inherit;
  cursor: pointer;
}
</style>
