<script setup lang="ts">
import { ref } from 'vue';

/*
 * Files: chosen, taken with the camera, or dropped. The library's area for it is not reached by
 * keyboard: the browser's own element stays inside.
 */
const props = defineProps<{ label: string; accept: string; multiple?: boolean; capture?: boolean; main?: boolean }>();
const emit = defineEmits<{ files: [files: File[]] }>();
const over = ref(false);
function take(list: FileList | null | undefined): void {
  const files = [...(list ?? [])];
  over.value = false;
  if (files.length > 0) emit('files', props.multiple ? files : files.slice(0, 1));
}
function chosen(event: Event): void {
  const input = event.target as HTMLInputElement;
  take(input.files);
  // The same file chosen again is told again.
  input.value = '';
}
</script>

<template>
  <label
    class="upload"
    :class="{ main, over }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="take($event.dataTransfer?.files)"
  >
    <slot>{{ label }}</slot>
    <input
      type="file"
      class="visually-hidden"
      :accept="accept"
      :multiple="multiple"
      :capture="capture ? 'environment' : undefined"
      :aria-label="label"
      @change="chosen"
    />
  </label>
</template>

<style scoped>
.upload {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 0.45rem;
  min-height: 44px;
  padding: 0 1rem;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  background: var(--card);
  font-weight: 500;
  cursor: pointer;
}
.upload:hover,
.upload.over {
  border-color: var(--mark);
}
.upload.main {
  background: var(--mark);
  border-color: var(--mark);
  color: var(--mark-ink);
}
.upload:has(input:focus-visible) {
  outline: 3px solid var(--mark);
  outline-offset: 2px;
}
</style>
