<script setup lang="ts" generic="K extends string">
import { computed } from 'vue';
import KitChips from '../kit/KitChips.vue';
import { SPANS, type Span } from './bars.ts';

/* How bars are told apart: by days, weeks or months, and whose row each lies in. */
const props = defineProps<{ kinds: Readonly<Record<K, string>> }>();
const span = defineModel<Span>('span', { required: true });
const rows = defineModel<K>('rows', { required: true });
const spans = (Object.keys(SPANS) as Span[]).map((value) => ({ value, label: SPANS[value].label }));
const options = computed(() =>
  (Object.keys(props.kinds) as K[]).map((value) => ({ value, label: props.kinds[value] })),
);
</script>

<template>
  <div class="row choice">
    <KitChips v-model="span" legend="Bars over" :options="spans" hide-legend />
    <KitChips v-model="rows" legend="A row for each" :options="options" hide-legend />
  </div>
</template>

<style scoped>
.choice {
  gap: 0.6rem 1.6rem;
  flex-wrap: wrap;
  margin-bottom: 0.4rem;
}
</style>
