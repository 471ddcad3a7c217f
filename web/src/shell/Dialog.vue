<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, useId } from 'vue';

/* The browser's own dialog: keeps focus inside, Escape closes. */
const props = defineProps<{ title: string; wide?: boolean; stay?: boolean }>();
const emit = defineEmits<{ close: [] }>();
const element = ref<HTMLDialogElement>();
const id = useId();
onMounted(() => element.value?.showModal());
onBeforeUnmount(() => element.value?.close());
function cancel(event: Event): void {
  event.preventDefault();
  if (!props.stay) emit('close');
}
</script>

<template>
  <dialog ref="element" class="dialog" :class="{ wide }" :aria-labelledby="id" @cancel="cancel">
    <div class="row spread head">
      <h2 :id="id">{{ title }}</h2>
      <button v-if="!stay" class="btn plain" aria-label="Close" @click="emit('close')">✕</button>
    </div>
    <slot />
  </dialog>
</template>

<style scoped>
.head {
  margin-bottom: 0.75rem;
}
</style>
