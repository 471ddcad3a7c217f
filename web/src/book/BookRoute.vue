<script setup lang="ts">
import { computed } from 'vue';
import BookPage from './BookPage.vue';
import { pageOf } from './shelf.ts';

/* A page by its name in the address. */
const props = defineProps<{ name: string }>();
const page = computed(() => pageOf(props.name));
</script>

<template>
  <BookPage v-if="page" :page="page" />
  <main v-else class="page">
    <h1>No such page</h1>
    <p>The Bench book has no page called “{{ name }}”. <RouterLink to="/book">To the Bench book</RouterLink></p>
  </main>
</template>
