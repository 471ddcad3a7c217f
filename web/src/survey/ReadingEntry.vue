<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import type { Layer } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { Problem } from '@aspecta/core';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitPress from '../kit/KitPress.vue';
import { ApiProblem } from '../shell/api.ts';
import { useUnits } from '../shell/units.ts';
import { parseEntry, type EntryKind, type Values } from './entry.ts';

/* Tap places, then type or dictate their numbers one after another. */
const props = defineProps<{
  places: readonly Point[];
  layers: readonly Layer[];
  store: (reading: Values & { layer: string; u: number; v: number; note: string }) => Promise<boolean>;
}>();
const emit = defineEmits<{ stored: []; drop: [] }>();
const layer = defineModel<string>('layer', { required: true });
const units = useUnits();
const kind = ref<EntryKind>('metal');
const text = ref('');
const note = ref('');
const error = ref<string | null>(null);
const said = ref('');
const input = ref<HTMLInputElement>();
const inches = computed(() => units.unit.value === 'in');
const kinds = computed(() => [
  { value: 'metal' as const, label: `Metal, ${units.word.value}` },
  { value: 'coating' as const, label: `Coating, ${units.coating.word.value}` },
  { value: 'probe' as const, label: 'Probe' },
]);
const layers = computed(() =>
  props.layers.map((entry) => ({ value: entry.id, label: `${entry.name} ${units.sheet(entry.thickness)}` })),
);
watch(
  () => props.places.length,
  async (now, before) => {
    if (now <= before) return;
    await nextTick();
    input.value?.focus({ preventScroll: true });
  },
);

async function submit(): Promise<void> {
  error.value = null;
  try {
    if (props.places.length === 0)
      throw new Problem('no-place', 'value', 'Tap the place on the sheet first, then enter its number.');
    const values = parseEntry(text.value, kind.value, units.unit.value, units.person.value.coating);
    if (values.length > props.places.length)
      throw new Problem(
        'too-many',
        'value',
        `These are ${values.length} numbers for ${props.places.length} marked ${props.places.length === 1 ? 'place' : 'places'}; tap the other places first.`,
      );
    const words = text.value.trim().split(/[\s;]+/);
    for (const [i, value] of values.entries()) {
      // What has been stored is no longer typed: a refusal leaves the rest with the places they are meant for.
      if (words.length === values.length) text.value = words.slice(i).join(' ');
      await storeOne(value, props.places[0]!);
    }
    text.value = '';
    note.value = '';
  } catch (problem) {
    error.value =
      problem instanceof ApiProblem && problem.body.field
        ? `${problem.message}`
        : units.said((problem as Error).message);
  }
  input.value?.focus({ preventScroll: true });
}
async function storeOne(value: Values, [u, v]: Point): Promise<void> {
  const stored = await props.store({
    ...value,
    layer: layer.value,
    u: Math.round(u * 10) / 10,
    v: Math.round(v * 10) / 10,
    note: note.value,
  });
  said.value = stored ? 'Stored.' : 'Kept on this device.';
  emit('stored');
}
function verdict(word: string): void {
  text.value = word;
  void submit();
}
</script>

<template>
  <form class="stack" @submit.prevent="submit">
    <KitChips v-model="kind" legend="What was measured?" hide-legend :options="kinds" />
    <KitChips v-if="layers.length > 1" v-model="layer" legend="Layer" :options="layers" />
    <p class="small soft">
      <template v-if="places.length === 0"
        >Tap the place on the sheet. Several places may be tapped first; their numbers then follow one after
        another.</template
      >
      <template v-else
        >Place {{ units.length(places[0]![0]) }} from the left, {{ units.length(places[0]![1]) }} up<template
          v-if="places.length > 1"
          >; {{ places.length - 1 }} more marked</template
        >. <KitPress class="link" @click="emit('drop')">Forget it</KitPress></template
      >
    </p>
    <div v-if="kind === 'probe'" class="row">
      <KitButton v-for="word in ['sound', 'soft', 'through']" :key="word" @click="verdict(word)" class="grow">
        {{ word }}
      </KitButton>
    </div>
    <KitField
      v-slot="{ bind }"
      :label="kind === 'metal' ? 'Metal left' : kind === 'coating' ? 'Coating' : 'Verdict of the probe'"
      :error="error"
      :hint="
        kind === 'metal'
          ? inches
            ? 'inches, or with a mark: 0.82 mm, 20 ga'
            : 'mm, or with a mark: 0.032&quot;, 20 ga'
          : kind === 'coating'
            ? units.coating.word.value === 'mil'
              ? 'mil; >60 where the gauge is over range'
              : 'µm; >1500 where the gauge is over range'
            : 'sound, soft or through'
      "
    >
      <div class="row one-line">
        <KitInput
          mono
          v-bind="bind"
          ref="input"
          v-model="text"
          autocomplete="off"
          inputmode="decimal"
          class="big grow"
        />
        <KitButton submit main>Store</KitButton>
      </div>
    </KitField>
    <KitCollapse>
      <template #title>Note</template>
      <KitInput v-model="note" rows="2" aria-label="Note to this reading" />
    </KitCollapse>
    <p class="small soft" role="status">{{ said }}</p>
  </form>
</template>

<style scoped>
.big {
  font-size: 1.5rem;
  min-height: 56px;
  width: auto;
  min-width: 0;
}
.btn.main {
  min-height: 56px;
}
.link {
  border: 0;
  background: none;
  color: var(--mark);
  text-decoration: underline;
  cursor: pointer;
  min-height: 32px;
  padding: 0 0.3rem;
}
.one-line {
  flex-wrap: nowrap;
  width: 100%;
}
</style>
