<script setup lang="ts">
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import type { Load } from './useLoad.ts';

/* Loading, refused, or the thing itself: no screen stays blank. */
defineProps<{ of: Load<unknown>; what: string }>();
</script>

<template>
  <slot v-if="of.data.value !== null" />
  <div v-else-if="of.loading.value" class="page" role="status">
    <p class="soft">Fetching {{ what.charAt(0).toLowerCase() + what.slice(1) }} …</p>
  </div>
  <div v-else class="page">
    <KitNotice bad>
      <p>
        <strong>{{ of.missing.value ? 'This page leads nowhere.' : `${what} could not be fetched.` }}</strong>
      </p>
      <p>{{ of.error.value }}</p>
      <div class="row">
        <KitButton v-if="!of.missing.value" @click="of.reload()">Try again</KitButton>
        <KitButton to="/">To the garage</KitButton>
      </div>
    </KitNotice>
  </div>
</template>
