<script setup lang="ts">
import { computed } from 'vue';
import { ruleWords } from '@aspecta/contract/shop';
import { usualLimits, type Limits } from '@aspecta/core/survey';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { percent, useUnits } from '../shell/units.ts';

/* By which limits metal is judged, as they are typed; each with what is usual. */
const props = defineProps<{
  typed: Readonly<Record<keyof Limits, string>>;
  errors: Readonly<Record<string, string>>;
}>();
const emit = defineEmits<{ type: [limit: Partial<Record<keyof Limits, string>>] }>();
const units = useUnits();
const words = computed(() => ruleWords(units.unit.value));
const fields = computed((): { key: keyof Limits; label: string; hint: string }[] => [
  { key: 'weldableShare', label: words.value.weldableShare, hint: `As a rule ${percent(usualLimits.weldableShare)}` },
  {
    key: 'weldableMm',
    label: `${words.value.weldableMm}, ${units.word.value}`,
    hint: `As a rule ${units.sheet(usualLimits.weldableMm)}`,
  },
  {
    key: 'mountRadius',
    label: `${words.value.mountRadius}, ${units.word.value}`,
    hint: `So near to a mount only welded metal of equal thickness counts; as a rule ${units.length(usualLimits.mountRadius)}. Follow the local code.`,
  },
]);
</script>

<template>
  <KitField
    v-for="{ key, label, hint } in fields"
    :key="key"
    v-slot="{ bind }"
    :label="label"
    :hint="hint"
    :error="props.errors[`limits.${key}`]"
    ><KitInput mono v-bind="bind" :model-value="props.typed[key]" @update:model-value="emit('type', { [key]: $event })"
  /></KitField>
</template>
