<script setup lang="ts">
import { ref, watch } from 'vue';
import { formatLength, parseLength } from '@aspecta/core/units';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { useUnits } from './units.ts';

/* A length in the person's unit; typing accepts either unit everywhere. */
const props = defineProps<{ label: string; error?: string | null; hint?: string }>();
const model = defineModel<number>({ required: true });
const units = useUnits();
const write = (mm: number) => formatLength({ mm, unit: units.unit.value }).text;
const text = ref(write(model.value));
const own = ref<string | null>(null);
watch(model, (mm) => {
  if (own.value === null && mm !== read(text.value)) text.value = write(mm);
});

function read(value: string): number | undefined {
  try {
    return parseLength({ text: value, unit: units.unit.value }).mm;
  } catch (error) {
    own.value = (error as Error).message;
    return undefined;
  }
}
function commit(): void {
  // What stands there as it was written is rounded: reading it back would change the length.
  if (own.value === null && text.value === write(model.value)) return;
  own.value = null;
  const mm = read(text.value);
  if (mm === undefined) return;
  model.value = mm;
  text.value = write(mm);
}
</script>

<template>
  <KitField v-slot="{ bind }" :label="props.label" :error="own ?? props.error" :hint="props.hint">
    <KitInput mono v-bind="bind" v-model="text" autocomplete="off" @change="commit" />
  </KitField>
</template>
