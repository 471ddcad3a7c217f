<script setup lang="ts">
import { computed, useId } from 'vue';

const props = defineProps<{ label: string; error?: string | null | undefined; hint?: string | undefined }>();
const id = useId();
const described = computed(() => (props.error ? `${id}-wrong` : props.hint ? `${id}-hint` : undefined));
const bind = computed(() => ({
  id,
  'aria-describedby': described.value,
  'aria-invalid': props.error ? ('true' as const) : undefined,
}));
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <slot :bind="bind" />
    <span v-if="error" :id="`${id}-wrong`" class="wrong" role="alert">{{ error }}</span>
    <span v-else-if="hint" :id="`${id}-hint`" class="hint">{{ hint }}</span>
  </div>
</template>
