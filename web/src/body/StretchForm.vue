<script setup lang="ts">
import { ref } from 'vue';
import type { Edge, SaidEdge } from '@aspecta/core/body';
import { lineBetween, lineLength } from '@aspecta/core/geometry';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { useUnits } from '../shell/units.ts';
import { draftOf, edgeOf } from './edgeDraft.ts';
import EdgeFields from './EdgeFields.vue';

/* What a stretch of an edge is on this car: all of it, or from one place along it to another. */
const props = defineProps<{ edge: Edge; said: boolean; ends: readonly [string, string]; busy: boolean }>();
const emit = defineEmits<{ keep: [edge: SaidEdge]; usual: []; cancel: [] }>();
const units = useUnits();
const length = lineLength(props.edge.line);
const draft = ref(draftOf(props.edge, units.typed));
const name = ref(props.edge.name);
const from = ref(units.typed(0));
const to = ref(units.typed(Math.round(length * 10) / 10));
const wrong = ref<Record<string, string>>({});
function keep(): void {
  const { edge, wrong: bad } = edgeOf(draft.value, { read: units.read, noLength: units.noLength });
  const [start, end] = [units.read(from.value), units.read(to.value)];
  if (name.value.trim() === '') bad['name'] = 'Give it a name, as “lower edge”.';
  if (start === null || start < 0) bad['from'] = units.noLength();
  if (end === null) bad['to'] = units.noLength();
  if (start !== null && end !== null && end - start < 5) bad['to'] = 'It ends behind where it begins.';
  wrong.value = bad;
  if (Object.keys(bad).length > 0) return;
  emit('keep', {
    ...edge,
    name: name.value.trim(),
    line: lineBetween(props.edge.line, start!, Math.min(length, end!)),
  });
}
</script>

<template>
  <form class="stack stretch" @submit.prevent="keep">
    <EdgeFields v-model="draft" :errors="wrong" />
    <KitField v-slot="{ bind }" label="Name" :error="wrong['name'] ?? null"
      ><KitInput v-bind="bind" v-model="name" maxlength="60"
    /></KitField>
    <div class="two">
      <KitField
        v-slot="{ bind }"
        :label="`From, ${units.word.value}`"
        :hint="`Along it from the ${ends[0]}`"
        :error="wrong['from'] ?? null"
        ><KitInput v-bind="bind" v-model="from" mono autocomplete="off"
      /></KitField>
      <KitField
        v-slot="{ bind }"
        :label="`To, ${units.word.value}`"
        :hint="`The ${ends[1]} is at ${units.length(length)}`"
        :error="wrong['to'] ?? null"
        ><KitInput v-bind="bind" v-model="to" mono autocomplete="off"
      /></KitField>
    </div>
    <div class="row">
      <KitButton submit main :disabled="busy">Keep</KitButton>
      <KitButton v-if="said" :disabled="busy" @click="emit('usual')">As the plan has it</KitButton>
      <KitButton @click="emit('cancel')">Cancel</KitButton>
    </div>
  </form>
</template>

<style scoped>
.stretch {
  padding: 0.6rem 0 1rem;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.8rem;
}
</style>
