<script setup lang="ts" generic="T extends string">
import { NRadioButton, NRadioGroup } from 'naive-ui';
import { useId } from 'vue';

/* One of a few, all in sight. */
defineProps<{
  legend: string;
  options: readonly { value: T; label: string; disabled?: boolean }[];
  hideLegend?: boolean;
}>();
const model = defineModel<T>({ required: true });
const name = useId();
</script>

<template>
  <div class="chips" role="radiogroup" :aria-labelledby="name">
    <p :id="name" class="legend" :class="{ 'visually-hidden': hideLegend }">{{ legend }}</p>
    <NRadioGroup v-model:value="model" :name="name" class="group">
      <NRadioButton
        v-for="option in options"
        :key="option.value"
        class="chip"
        :value="option.value"
        :disabled="option.disabled ?? false"
        >{{ option.label }}</NRadioButton
      >
    </NRadioGroup>
  </div>
</template>

<style>
.chips .legend {
  font-weight: 500;
  font-size: 0.9rem;
  margin: 0 0 0.25rem;
}
.chips .group.n-radio-group {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  height: auto;
  font-size: 1rem;
}
.chips .n-radio-group__splitor {
  display: none;
}
.chips .chip.n-radio-button {
  min-height: 44px;
  height: auto;
  line-height: 1.2;
  padding: 0 0.85rem;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  display: inline-flex;
  align-items: center;
}
.chips .chip.n-radio-button--checked {
  border-color: var(--mark);
}
.chips .chip .n-radio-button__state-border {
  display: none;
}
.chips .chip:has(input:focus-visible) {
  outline: 3px solid var(--mark);
  outline-offset: 2px;
}
.chips .chip.n-radio-button .n-radio-input {
  position: absolute;
  z-index: 1;
  pointer-events: auto;
  inset: 0;
  width: 100%;
  height: 100%;
  margin: 0;
  cursor: pointer;
}
.chips .chip .n-radio__label {
  pointer-events: none;
}
</style>
