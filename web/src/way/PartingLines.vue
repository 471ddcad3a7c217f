<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import type { WayView } from '@aspecta/contract/way';
import { letterOf, type PartingLine } from '@aspecta/core/way';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { useUnits } from '../shell/units.ts';

/* Lines along which the piece may be parted: typed, or in the middle of what is stiff. */
const props = defineProps<{ view: WayView; canWork: boolean }>();
/** A change of the lines as they stand when it is sent: a field that is left by the same press is kept first. */
const emit = defineEmits<{ lines: [change: (lines: readonly PartingLine[]) => PartingLine[]] }>();
const isSame = (a: PartingLine, b: PartingLine) => a.across === b.across && Math.abs(a.at - b.at) < 1;
const withLine = ({ across, at }: PartingLine) =>
  emit('lines', (lines) =>
    lines.some((one) => isSame(one, { across, at })) ? [...lines] : [...lines, { across, at }],
  );
const without = (line: PartingLine) => emit('lines', (lines) => lines.filter((one) => !isSame(one, line)));
const units = useUnits();
const HOW = [
  { value: 'across', label: 'From its left edge' },
  { value: 'along', label: 'From its lower edge' },
] as const;
const draft = reactive<{ how: 'across' | 'along'; at: string }>({ how: 'across', at: '' });
const wrong = ref<string | null>(null);
const fresh = computed(() => props.view.suggested.filter((line) => !props.view.lines.some((one) => isSame(one, line))));
function add(): void {
  const mm = units.read(draft.at);
  wrong.value = mm === null || mm <= 0 ? units.noLength() : null;
  if (mm === null || mm <= 0) return;
  withLine({ across: draft.how === 'across', at: mm });
  draft.at = '';
}
</script>

<template>
  <section class="stack">
    <h3>Where it may be parted</h3>
    <ul v-if="view.lines.length > 0" class="plain">
      <li v-for="(line, i) in view.lines" :key="i" class="row spread">
        <span
          ><strong class="mono">{{ letterOf(i) }}</strong
          >: <span class="mono">{{ units.length(line.at) }}</span> from its
          {{ line.across ? 'left' : 'lower' }} edge</span
        >
        <KitButton v-if="canWork" small plain :aria-label="`Remove line ${letterOf(i)}`" @click="without(line)"
          >Remove</KitButton
        >
      </li>
    </ul>
    <p v-else class="small soft">Nowhere yet: it goes in whole or not at all.</p>
    <template v-if="canWork">
      <div v-if="fresh.length > 0" class="row">
        <KitButton v-for="line in fresh" :key="`${line.name} ${line.at}`" small @click="withLine(line)"
          >{{ line.name }}: {{ units.length(line.at) }}</KitButton
        >
      </div>
      <form class="row own" @submit.prevent="add">
        <KitChips v-model="draft.how" legend="Measured" :options="HOW" />
        <KitField v-slot="{ bind }" :label="`How far, ${units.word.value}`" :error="wrong"
          ><KitInput v-bind="bind" v-model="draft.at" mono autocomplete="off"
        /></KitField>
        <KitButton submit small>Add a line</KitButton>
      </form>
    </template>
  </section>
</template>

<style scoped>
h3 {
  font-size: 1.05rem;
  margin: 0;
}
.own {
  align-items: end;
}
</style>
