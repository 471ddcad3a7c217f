<script setup lang="ts">
import { darkTheme, NConfigProvider, NMessageProvider } from 'naive-ui';
import { computed, nextTick, ref, watch } from 'vue';
import { themeOf } from './theme.ts';
import { readTokens } from './tokens.ts';

/* The library in our look: around the whole page. */
const props = defineProps<{ night: boolean }>();
const tokens = ref(readTokens());
watch(
  () => props.night,
  // The page takes its colours by an attribute that changes at the same moment.
  () => void nextTick(() => (tokens.value = readTokens())),
);
const overrides = computed(() => themeOf(tokens.value));
</script>

<template>
  <!-- Its values stand in classes, not on each element: our own rules then go before them. -->
  <NConfigProvider :theme="night ? darkTheme : null" :theme-overrides="overrides" inline-theme-disabled abstract>
    <NMessageProvider placement="bottom"><slot /></NMessageProvider>
  </NConfigProvider>
</template>
