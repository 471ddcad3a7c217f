<script setup lang="ts">
/* A place along a way. The library's slider has no name for a screen reader: the browser's own stays inside. */
defineProps<{ label: string; min?: number; max: number; step?: number; hideLabel?: boolean }>();
const model = defineModel<number>({ required: true });
</script>

<template>
  <label class="slider">
    <span :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    <input v-model.number="model" type="range" :min="min ?? 0" :max="max" :step="step ?? 1" />
  </label>
</template>

<style scoped>
.slider {
  display: flex;
  flex-direction: column;
  flex: 1;
  min-width: 0;
  font-size: 0.9rem;
}
input {
  min-height: 44px;
  width: 100%;
  accent-color: var(--mark);
}
</style>
