<script setup lang="ts">
import { computed } from 'vue';
import { ruleWords } from '@aspecta/contract/shop';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { useUnits } from '../shell/units.ts';
import type { TypedTools } from './typedTools.ts';

/* What stands in the workshop, as far as the work depends on it. */
const props = defineProps<{ typed: Readonly<TypedTools>; errors: Readonly<Record<string, string>> }>();
const emit = defineEmits<{ type: [tools: Partial<TypedTools>] }>();
const units = useUnits();
const words = computed(() => ruleWords(units.unit.value));
const FIELDS = [
  ['spotArm', 'Empty: there is none, and spots are plugged'],
  ['bender', 'Empty: there is none, and what is short is folded over a bar'],
] as const;
</script>

<template>
  <KitCheckbox :model-value="props.typed.said" @update:model-value="emit('type', { said: Boolean($event) })"
    >Say what stands here
    <small class="soft">Joints, patterns and weld plans then tell what does not reach.</small></KitCheckbox
  >
  <template v-if="props.typed.said">
    <KitField
      v-for="[tool, hint] in FIELDS"
      :key="tool"
      v-slot="{ bind }"
      :label="`${words[tool]}, ${units.word.value}`"
      :hint="hint"
      :error="props.errors[`tools.${tool}`]"
      ><KitInput
        mono
        v-bind="bind"
        inputmode="decimal"
        :model-value="props.typed[tool]"
        @update:model-value="emit('type', { [tool]: $event })"
    /></KitField>
    <KitCheckbox :model-value="props.typed.turns" @update:model-value="emit('type', { turns: Boolean($event) })"
      >{{ words.turns }}
      <small class="soft"
        >In a rotisserie or on a tilter; its rotation is locked before anybody works under it.</small
      ></KitCheckbox
    >
  </template>
</template>
