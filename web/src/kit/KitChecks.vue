<script setup lang="ts" generic="T extends string">
import { NCheckbox, NCheckboxGroup } from 'naive-ui';
import { useId } from 'vue';

/* Any of a few. */
defineProps<{ legend: string; options: readonly { value: T; label: string }[] }>();
const model = defineModel<T[]>({ required: true });
const id = useId();
</script>

<template>
  <div role="group" :aria-labelledby="id">
    <p :id="id" class="legend">{{ legend }}</p>
    <NCheckboxGroup v-model:value="model" class="row">
      <NCheckbox v-for="option in options" :key="option.value" class="check" :value="option.value">{{
        option.label
      }}</NCheckbox>
    </NCheckboxGroup>
  </div>
</template>

<style scoped>
.legend {
  font-weight: 500;
  font-size: 0.9rem;
  margin: 0 0 0.25rem;
}
.row {
  gap: 0.25rem 1rem;
}
.row :deep(.n-checkbox) {
  min-height: 44px;
  align-items: center;
}
</style>
