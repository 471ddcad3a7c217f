<script setup lang="ts">
import { computed } from 'vue';
import type { CutSettings } from '@aspecta/contract/cut';
import type { Panel } from '@aspecta/core/body';
import { datumsOn, holesOn } from '@aspecta/core/cut';
import type { Ring } from '@aspecta/core/geometry';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitSelect from '../kit/KitSelect.vue';
import LengthField from '../shell/LengthField.vue';

/* How the line is wanted, and from what its corners are measured. */
const props = defineProps<{
  panel: Panel;
  /** The piece that comes out: nothing is measured from what lies in it. */
  piece: Ring;
  errors: Readonly<Record<string, string | undefined>>;
  disabled: boolean;
}>();
const settings = defineModel<CutSettings>({ required: true });
const edges = computed(() =>
  [
    ...new Set([...datumsOn(props.panel, props.piece), ...holesOn(props.panel, props.piece)].map(({ name }) => name)),
  ].sort(),
);
/** The two that the person measures from; empty where it is left to the nearest. */
const from = computed(() => [settings.value.from[0] ?? '', settings.value.from[1] ?? '']);
function measureFrom(k: number, name: string): void {
  const named = from.value.map((old, i) => (i === k ? name : old)).filter(Boolean);
  settings.value.from = [...new Set(named)];
}
</script>

<template>
  <fieldset class="settings" :disabled="disabled">
    <LengthField v-model="settings.margin" label="Sound metal beyond the damage" :error="errors['margin']" />
    <LengthField v-model="settings.cornerRadius" label="Inside corners, radius" :error="errors['cornerRadius']" />
    <LengthField v-model="settings.kerf" label="Blade" :error="errors['kerf']" />
    <div class="field">
      <span class="label">Straight runs, at most</span>
      <div class="row">
        <KitButton aria-label="One run fewer" :disabled="settings.maxCorners <= 3" @click="settings.maxCorners--">
          −</KitButton
        ><span class="mono">{{ settings.maxCorners }}</span
        ><KitButton aria-label="One run more" :disabled="settings.maxCorners >= 12" @click="settings.maxCorners++">
          +
        </KitButton>
      </div>
    </div>
    <KitField
      v-for="(named, k) in from"
      :key="k"
      v-slot="{ bind }"
      :label="k === 0 ? 'Measure from' : 'and from'"
      :error="k === 0 ? errors['from'] : undefined"
    >
      <KitSelect v-bind="bind" :model-value="named" @update:model-value="(name) => measureFrom(k, name)">
        <option value="">what is nearest</option>
        <option v-for="edge in edges" :key="edge" :value="edge">{{ edge }}</option>
      </KitSelect>
    </KitField>
    <LengthField v-model="settings.reach" label="One arm lays a tape of" :error="errors['reach']" />
  </fieldset>
</template>

<style scoped>
.settings {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.6rem;
  align-items: end;
}
</style>
