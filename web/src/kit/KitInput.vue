<script setup lang="ts">
import { NInput, type InputInst } from 'naive-ui';
import { computed, ref, useAttrs } from 'vue';

/* A line of text, or several. What a label and its error need of it goes to the element that has the focus. */
defineOptions({ inheritAttrs: false });
const props = defineProps<{
  type?: 'text' | 'email' | 'password' | 'search' | 'date';
  /** Figures in the face in which they stand below each other. */
  mono?: boolean;
  /** Several lines. */
  rows?: number | string;
  disabled?: boolean;
  placeholder?: string;
  modelValue?: string | undefined;
}>();
const emit = defineEmits<{ 'update:modelValue': [text: string] }>();
const attrs = useAttrs();
const field = ref<InputInst>();
const own = computed(() =>
  Object.fromEntries(Object.entries(attrs).filter(([name]) => !['class', 'style'].includes(name) && !isEvent(name))),
);
const events = computed(() => Object.fromEntries(Object.entries(attrs).filter(([name]) => isEvent(name))));
const isEvent = (name: string) => /^on[A-Z]/.test(name);
/** The library knows two kinds of one line; the element itself may be told any. */
const kind = computed(() =>
  props.rows !== undefined ? 'textarea' : props.type === 'password' ? ('password' as const) : ('text' as const),
);
defineExpose({
  focus: (options?: FocusOptions) => (field.value?.inputElRef ?? field.value?.textareaElRef)?.focus(options),
});
</script>

<template>
  <NInput
    ref="field"
    :value="modelValue ?? ''"
    v-bind="events"
    @update:value="(text: string) => emit('update:modelValue', text)"
    :class="[$attrs['class'], 'entry', { mono }]"
    :style="$attrs['style'] as string"
    :type="kind"
    :rows="rows === undefined ? undefined : Number(rows)"
    :disabled="disabled"
    :placeholder="placeholder ?? ''"
    :status="own['aria-invalid'] ? 'error' : undefined"
    :input-props="{ ...own, ...(type && type !== 'password' ? { type: type as 'text' } : {}) } as object"
  />
</template>

<style>
.entry.mono {
  font-family: var(--mono);
}
.entry.n-input {
  min-width: 0;
}
.entry.n-input:not(.n-input--textarea) .n-input-wrapper {
  align-items: center;
}
</style>
