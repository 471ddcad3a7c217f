<script setup lang="ts">
import { ref, watch } from 'vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { useUnits } from './units.ts';

/* A thickness of sheet with all its figures, or a gauge; kept as it stands until something else is typed. */
const props = defineProps<{ label: string; mm: number | null; busy: boolean; hint?: string; placeholder?: string }>();
const emit = defineEmits<{ say: [mm: number]; empty: [] }>();
const units = useUnits();
const shown = () => (props.mm === null ? '' : units.typed(props.mm));
const text = ref(shown());
const wrong = ref<string | null>(null);
watch(
  () => props.mm,
  () => (text.value = shown()),
);
function keep(): void {
  wrong.value = null;
  if (text.value === shown()) return;
  if (text.value.trim() === '') return emit('empty');
  const mm = units.read(text.value);
  if (mm === null || mm <= 0) wrong.value = units.noLength();
  else emit('say', mm);
}
</script>

<template>
  <KitField v-slot="{ bind }" :label="label" :hint="hint ?? 'Or a gauge, as 18 ga'" :error="wrong"
    ><KitInput
      v-bind="bind"
      v-model="text"
      mono
      autocomplete="off"
      :disabled="busy"
      :placeholder="placeholder ?? ''"
      @change="keep"
  /></KitField>
</template>
