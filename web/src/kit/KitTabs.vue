<script setup lang="ts" generic="T extends string">
import { useId } from 'vue';

/*
 * One of a few views, as a strip that takes one line. The library's tabs are not reached by
 * keyboard and say no role: radio buttons stay inside, which every screen reader knows.
 */
defineProps<{ legend: string; options: readonly { value: T; label: string }[]; small?: boolean }>();
const model = defineModel<T>({ required: true });
const name = useId();
</script>

<template>
  <fieldset class="tabs" :class="{ small }">
    <legend class="visually-hidden">{{ legend }}</legend>
    <label v-for="option in options" :key="option.value">
      <input v-model="model" type="radio" :name="name" :value="option.value" />
      <span>{{ option.label }}</span>
    </label>
  </fieldset>
</template>

<style scoped>
.tabs {
  display: flex;
  border: 0;
  border-bottom: 1px solid var(--line-strong);
  margin: 0;
  padding: 0;
  min-width: 0;
}
label {
  position: relative;
  flex: 1 1 auto;
}
input {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  margin: 0;
  opacity: 0;
  cursor: pointer;
}
span {
  display: flex;
  align-items: center;
  justify-content: center;
  min-height: 44px;
  padding: 0 0.35rem;
  font-weight: 500;
  color: var(--ink-soft);
  border-bottom: 3px solid transparent;
  white-space: nowrap;
}
.small span {
  font-size: 0.9rem;
}
input:hover + span {
  color: var(--ink);
}
input:checked + span {
  color: var(--mark);
  border-color: var(--mark);
}
input:focus-visible + span {
  outline: 3px solid var(--mark);
  outline-offset: -3px;
}
</style>
