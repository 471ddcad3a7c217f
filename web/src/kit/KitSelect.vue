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

<style src="./native.css"></style>
