<script setup lang="ts">
import { ref, watch } from 'vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { useUnits } from '../shell/units.ts';

/* The sheet that is taken: as the layer was built, or another. */
const props = defineProps<{ thickness: number | null; asBuilt: number; busy: boolean }>();
const emit = defineEmits<{ say: [mm: number | null] }>();
const units = useUnits();
const shown = () => (props.thickness === null ? '' : units.typed(props.thickness));
const text = ref(shown());
const wrong = ref<string | null>(null);
watch(
  () => props.thickness,
  () => (text.value = shown()),
);
function keep(): void {
  wrong.value = null;
  if (text.value === shown()) return;
  const mm = text.value.trim() === '' ? null : units.read(text.value);
  if (mm === null && text.value.trim() !== '') wrong.value = units.noLength();
  else emit('say', mm);
}
</script>

<template>
  <KitField
    v-slot="{ bind }"
    :label="`Sheet that is taken, ${units.word.value}`"
    :hint="`Empty: ${units.sheet(asBuilt)}, as it was built; a gauge as 18 ga`"
    :error="wrong"
    ><KitInput
      v-bind="bind"
      v-model="text"
      mono
      autocomplete="off"
      :disabled="busy"
      :placeholder="units.sheet(asBuilt)"
      @change="keep"
  /></KitField>
</template>
