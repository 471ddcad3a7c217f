<script setup lang="ts">
import { computed } from 'vue';
import KitButton from '../../kit/KitButton.vue';
import KitCheckbox from '../../kit/KitCheckbox.vue';
import KitField from '../../kit/KitField.vue';
import KitInput from '../../kit/KitInput.vue';
import { useUnits } from '../../shell/units.ts';
import FigureRows from './FigureRows.vue';
import type { Figure, FigureShape } from './shape.ts';
import type { Draft, DraftRecord } from './text.ts';

/* One field of a calculation: a figure, a list, a table, or a group of fields. */
const props = defineProps<{ figure: Figure; error: string | null }>();
const draft = defineModel<Draft>({ required: true });
const units = useUnits();
const HINTS: Partial<Record<FigureShape['kind'], string>> = {
  numbers: 'numbers with spaces in between',
  words: 'one on a line',
  points: 'one place on a line, with commas in between',
  rings: 'one place on a line; an empty line between two outlines',
  polygons: 'one place on a line; an empty line before a hole, three dashes between two',
  named: 'a name and a number on a line',
  spans: 'a name and hours on a line: Ines 18-20, 42-44',
  any: 'as JSON',
};
const unit = computed(() => {
  const own = 'unit' in props.figure.shape ? props.figure.shape.unit : null;
  if (own === 'mm') return units.word.value;
  if (own === 'celsius') return units.heat.word.value;
  return own === 'money' ? 'money' : props.figure.unitWord;
});
const label = computed(
  () =>
    `${props.figure.label.charAt(0).toUpperCase()}${props.figure.label.slice(1)}${unit.value ? `, ${unit.value}` : ''}${props.figure.optional ? ' (may be left out)' : ''}`,
);
const hint = computed(() => HINTS[props.figure.shape.kind] ?? '');
const lines = computed(() => (typeof draft.value === 'string' ? Math.min(10, draft.value.split('\n').length + 1) : 3));
const group = computed(() => (props.figure.shape.kind === 'group' ? props.figure.shape.fields : []));
const setPart = (key: string, value: Draft) => (draft.value = { ...(draft.value as DraftRecord), [key]: value });
</script>

<template>
  <KitCheckbox
    v-if="figure.shape.kind === 'flag'"
    :model-value="draft === true"
    @update:model-value="(is: boolean) => (draft = is)"
    >{{ label }}</KitCheckbox
  >
  <fieldset v-else-if="figure.shape.kind === 'group'" class="group">
    <legend>{{ label }}</legend>
    <FigureField
      v-for="field in group"
      :key="field.key"
      :figure="field"
      :error="null"
      :model-value="(draft as DraftRecord)[field.key] ?? ''"
      @update:model-value="setPart(field.key, $event)"
    />
    <p v-if="error" class="alarm small" role="alert">{{ error }}</p>
  </fieldset>
  <FigureRows
    v-else-if="figure.shape.kind === 'rows'"
    :label="label"
    :shape="figure.shape"
    :error="error"
    :model-value="draft as DraftRecord[]"
    @update:model-value="draft = $event"
  />
  <KitField v-else v-slot="{ bind }" :label="hint ? `${label} – ${hint}` : label" :error="error ?? undefined">
    <KitInput
      v-bind="bind"
      mono
      :rows="figure.shape.kind === 'number' || figure.shape.kind === 'text' ? undefined : lines"
      :inputmode="figure.shape.kind === 'number' ? 'decimal' : undefined"
      spellcheck="false"
      :model-value="String(draft)"
      @update:model-value="draft = $event"
    />
  </KitField>
  <KitButton v-if="figure.optional && figure.shape.kind === 'any' && draft" small plain @click="draft = ''"
    >Leave it out</KitButton
  >
</template>

<style scoped>
.group {
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 0.6rem 0.8rem;
  margin: 0;
  display: grid;
  gap: 0.6rem;
}
legend {
  font-weight: 500;
  font-size: 0.9rem;
}
</style>
