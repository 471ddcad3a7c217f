<script setup lang="ts">
import { NFormItem } from 'naive-ui';
import { computed, useId } from 'vue';

/* A named field with what is wrong with it, or a hint, below; what stands in it takes `bind`. */
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
  <NFormItem
    class="field"
    :label="label"
    :label-props="{ for: id }"
    :show-feedback="Boolean(error || hint)"
    :validation-status="error ? 'error' : undefined"
    :show-require-mark="false"
  >
    <slot :bind="bind" />
    <template #feedback>
      <span v-if="error" :id="`${id}-wrong`" class="wrong" role="alert">{{ error }}</span>
      <span v-else-if="hint" :id="`${id}-hint`" class="hint">{{ hint }}</span>
    </template>
  </NFormItem>
</template>

<style>
.field.n-form-item .n-form-item-blank {
  min-height: 44px;
}
.field.n-form-item .n-form-item-feedback-wrapper {
  min-height: 0;
  line-height: 1.3;
}
.field .hint {
  color: var(--ink-soft);
}
.field .wrong {
  color: var(--alarm);
  font-weight: 500;
}
</style>
