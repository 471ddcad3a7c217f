<script setup lang="ts">
/* A day. The library's calendar cannot be walked through by keyboard: the browser's own element stays inside. */
const model = defineModel<string>({ required: true });
</script>

<template><input v-model="model" type="date" class="select" /></template>

<style src="./native.css"></style>
