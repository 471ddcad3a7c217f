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
  <div class="field">
    <NFormItem
      :label="label"
      :label-props="{ for: id }"
      :show-feedback="false"
      :validation-status="error ? 'error' : undefined"
      :show-require-mark="false"
    >
      <slot :bind="bind" />
    </NFormItem>
    <!-- Not the library's: what it says fades away slowly, and an old refusal would stand beside a new one. -->
    <span v-if="error" :id="`${id}-wrong`" class="wrong" role="alert">{{ error }}</span>
    <span v-else-if="hint" :id="`${id}-hint`" class="hint">{{ hint }}</span>
  </div>
</template>

<style>
.field {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.field .n-form-item-blank {
  min-height: 44px;
}
.field > .hint,
.field > .wrong {
  font-size: 0.85rem;
  line-height: 1.3;
  padding-top: 0.2rem;
}
.field > .hint {
  color: var(--ink-soft);
}
.field > .wrong {
  color: var(--alarm);
  font-weight: 500;
}
</style>
