<script setup lang="ts">
import { computed } from 'vue';
import { cautionsFor, type CautionStep } from '@aspecta/core/safety';
import { useSession } from './session.ts';

/* The usual cautions at the step where they bite; what the place asks for and what is peculiar to the page stand before them. */
const props = defineProps<{ step: CautionStep }>();
const session = useSession();
/** What the place asks for at this step, as the shop has written it down. */
const local = computed(() => session.current?.shop.localRules?.[props.step] ?? '');
</script>

<template>
  <ul class="cautions small">
    <li v-if="local" class="local"><strong>Here.</strong> {{ local }}</li>
    <slot />
    <li v-for="caution in cautionsFor(step)" :key="caution.id">
      <strong>{{ caution.title }}.</strong> {{ caution.text }}
    </li>
  </ul>
</template>

<style scoped>
.cautions {
  margin: 0;
  padding-left: 1.1rem;
}
.local {
  white-space: pre-line;
}
</style>
