<script setup lang="ts" generic="T extends string">
import { useId } from 'vue';

defineProps<{
  legend: string;
  options: readonly { value: T; label: string; disabled?: boolean }[];
  hideLegend?: boolean;
}>();
const model = defineModel<T>({ required: true });
const name = useId();
</script>

<template>
  <fieldset class="chips">
    <legend :class="{ 'visually-hidden': hideLegend }">{{ legend }}</legend>
    <label v-for="option in options" :key="option.value" class="chip">
      <input v-model="model" type="radio" :name="name" :value="option.value" :disabled="option.disabled" />
      <span>{{ option.label }}</span>
    </label>
  </fieldset>
</template>
