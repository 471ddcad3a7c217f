<script setup lang="ts">
import { NProgress } from 'naive-ui';

/* How far something has come; without a share nobody knows yet. */
defineProps<{ label: string; share: number | null }>();
</script>

<template>
  <NProgress
    :aria-label="label"
    type="line"
    :percentage="Math.round((share ?? 0) * 100)"
    :processing="share === null"
    :show-indicator="false"
    color="var(--mark)"
    rail-color="var(--line)"
  />
</template>
