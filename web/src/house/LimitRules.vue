<script setup lang="ts">
import { computed } from 'vue';
import { ruleWords } from '@aspecta/contract/shop';
import { usualLimits, type Limits } from '@aspecta/core/survey';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { percent, useUnits } from '../shell/units.ts';
import { LIMIT_KINDS, type TypedLimits } from './typedLimits.ts';

/* By which limits metal is judged, as they are typed; each with what is usual. */
const props = defineProps<{ typed: Readonly<TypedLimits>; errors: Readonly<Record<string, string>> }>();
const emit = defineEmits<{ type: [limit: Partial<TypedLimits>] }>();
const units = useUnits();
const words = computed(() => ruleWords(units.unit.value));
/** Of classes: where one ends and the next begins. */
const CLASSES: readonly { heading: string; limits: readonly (keyof Limits)[] }[] = [
  { heading: 'Classes of metal', limits: ['soundShare', 'wornShare', 'thinShare', 'throughShare'] },
  { heading: 'Classes of coating', limits: ['bareUm', 'originalUm', 'repaintedUm', 'heavyUm'] },
];
const usual = (limit: keyof Limits) => {
  const value = usualLimits[limit];
  const kind = LIMIT_KINDS[limit];
  if (kind === 'share') return percent(value);
  if (kind === 'coating') return units.coating.text(value);
  return limit === 'weldableMm' ? units.sheet(value) : units.length(value);
};
const UNITS = { share: '', length: () => units.word.value, coating: () => units.coating.word.value } as const;
function field(limit: keyof Limits): { key: keyof Limits; label: string; hint: string } {
  const unit = UNITS[LIMIT_KINDS[limit]];
  const asRule = `${limit === 'mountRadius' ? 'So near to a mount only welded metal of equal thickness counts; as' : 'As'} a rule ${usual(limit)}`;
  return {
    key: limit,
    label: unit ? `${words.value[limit]}, ${unit()}` : words.value[limit],
    hint: limit === 'mountRadius' ? `${asRule}. Follow the local code.` : asRule,
  };
}
const groups = computed(() => [
  { heading: '', fields: (['weldableShare', 'weldableMm', 'mountRadius', 'certainty'] as const).map(field) },
  ...CLASSES.map(({ heading, limits }) => ({ heading, fields: limits.map(field) })),
]);
</script>

<template>
  <component
    :is="heading ? KitCollapse : 'div'"
    v-for="{ heading, fields } in groups"
    :key="heading"
    :title="heading || undefined"
    :open="Boolean(heading) && fields.some(({ key }) => props.errors[`limits.${key}`])"
    class="group"
  >
    <div :class="{ two: heading }">
      <KitField
        v-for="{ key, label, hint } in fields"
        :key="key"
        v-slot="{ bind }"
        :label="label"
        :hint="hint"
        :error="props.errors[`limits.${key}`]"
        ><KitInput
          mono
          v-bind="bind"
          inputmode="decimal"
          :model-value="props.typed[key]"
          @update:model-value="emit('type', { [key]: $event })"
      /></KitField>
    </div>
  </component>
</template>

<style scoped>
.group > div {
  display: grid;
  gap: 0.75rem;
}
.group > .two {
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  align-items: end;
  margin-top: 0.5rem;
}
</style>
