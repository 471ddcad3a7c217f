<script setup lang="ts">
import { EDGE_WORDS } from '@aspecta/contract/body';
import { EDGE_KINDS, hasHeight, hasPitch, type EdgeKind } from '@aspecta/core/body';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitSelect from '../kit/KitSelect.vue';
import { useUnits } from '../shell/units.ts';
import type { EdgeDraft } from './edgeDraft.ts';

/* What an edge is: its kind, how far apart it is fastened, how wide it is. */
defineProps<{ errors: Readonly<Record<string, string>> }>();
const draft = defineModel<EdgeDraft>({ required: true });
const units = useUnits();
const set = (change: Partial<EdgeDraft>) => (draft.value = { ...draft.value, ...change });
</script>

<template>
  <KitField v-slot="{ bind }" label="What it is" :error="errors['kind'] ?? null"
    ><KitSelect v-bind="bind" :model-value="draft.kind" @update:model-value="set({ kind: $event as EdgeKind })">
      <option v-for="kind in EDGE_KINDS" :key="kind" :value="kind">{{ EDGE_WORDS[kind] }}</option>
    </KitSelect></KitField
  >
  <KitField
    v-if="hasPitch(draft.kind)"
    v-slot="{ bind }"
    :label="`From one to the next, ${units.word.value}`"
    :hint="draft.kind === 'lip' || draft.kind === 'drip' ? 'Empty where it is not spotted to anything' : ''"
    :error="errors['pitch'] ?? null"
    ><KitInput
      v-bind="bind"
      :model-value="draft.pitch"
      mono
      autocomplete="off"
      @update:model-value="set({ pitch: $event })"
  /></KitField>
  <KitField
    v-if="hasHeight(draft.kind)"
    v-slot="{ bind }"
    :label="`How wide, ${units.word.value}`"
    :error="errors['height'] ?? null"
    ><KitInput
      v-bind="bind"
      :model-value="draft.height"
      mono
      autocomplete="off"
      @update:model-value="set({ height: $event })"
  /></KitField>
  <template v-if="draft.kind !== 'free' && hasPitch(draft.kind)">
    <KitField v-slot="{ bind }" label="Sheets that meet there" :error="errors['sheets'] ?? null"
      ><KitInput
        v-bind="bind"
        :model-value="draft.sheets"
        mono
        inputmode="numeric"
        @update:model-value="set({ sheets: $event })"
    /></KitField>
    <KitCheckbox :model-value="draft.hidden" @update:model-value="set({ hidden: $event })"
      >Its fasteners have to be found first, under sealer or trim</KitCheckbox
    >
  </template>
</template>
