<script setup lang="ts">
import { computed } from 'vue';
import { ruleWords, type ChangedRules, type Rule } from '@aspecta/contract/shop';
import { dayOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';

/* Who changed which of these rules last, and when; nothing where nobody has touched them. */
const props = defineProps<{ rules: readonly Rule[]; changed: ChangedRules | null | undefined }>();
const units = useUnits();
const lines = computed(() => {
  const words = ruleWords(units.unit.value);
  return props.rules.flatMap((rule) => {
    const change = props.changed?.[rule];
    return change ? [`${words[rule]}: ${change.by}, ${dayOf(change.at)}`] : [];
  });
});
</script>

<template>
  <p v-if="lines.length > 0" class="small soft">Changed last – {{ lines.join('; ') }}.</p>
</template>
