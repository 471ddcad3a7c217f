<script setup lang="ts">
import KitButton from '../kit/KitButton.vue';
</script>

<template>
  <main class="page">
    <h1>There is nothing at this address</h1>
    <p>It may have been mistyped, or what it showed has been removed.</p>
    <KitButton main to="/">To the garage</KitButton>
  </main>
</template>
