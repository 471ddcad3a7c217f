<script setup lang="ts">
import KitButton from '../kit/KitButton.vue';
import type { useSchoolCosts } from './useSchoolCosts.ts';

/* Whether what the schools come to is being reckoned, or could not be. */
defineProps<{ of: Pick<ReturnType<typeof useSchoolCosts>, 'load' | 'asked'> }>();
</script>

<template>
  <p v-if="of.load.error.value" class="small">
    What each comes to could not be reckoned: {{ of.load.error.value }}
    <KitButton small plain @click="of.load.reload()">Try again</KitButton>
  </p>
  <p v-else-if="of.load.loading.value && of.asked" class="small soft" role="status">Reckoning what each comes to …</p>
</template>
