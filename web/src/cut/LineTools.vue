<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { Redo2, Undo2 } from 'lucide-vue-next';
import type { Panel } from '@aspecta/core/body';
import { EDGE, FARTHEST_BESIDE } from '@aspecta/core/cut';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { useUnits } from '../shell/units.ts';
import type { OwnLine } from './useOwnLine.ts';

/* The line in the person's hand: the picked corner by its two tape figures, the run after it along an edge, and every step back. */
const props = defineProps<{ line: OwnLine; panel: Panel }>();
const emit = defineEmits<{ found: []; done: [] }>();
const units = useUnits();
const { corners, pins, picked, taped, tried, refusal, canUndo, canRedo } = props.line;
/** The two figures of the picked corner as they are typed. */
const figures = ref<[string, string]>(['', '']);
const wrong = ref<string | null>(null);
watch(
  taped,
  () => {
    if (!taped.value) return;
    figures.value = [taped.value.offsets[0]!.text, taped.value.offsets[1]!.text];
    wrong.value = null;
  },
  { immediate: true },
);
function place(): void {
  const [first, second] = figures.value.map(units.read);
  wrong.value =
    first === null || second === null
      ? `Write both figures as lengths, in ${units.word.value} or with their unit.`
      : null;
  if (wrong.value === null) props.line.place([first!, second!]);
}
const distance = ref(units.typed(units.unit.value === 'in' ? 50.8 : 50));
const wrongDistance = ref<string | null>(null);
/** The edge, or the crease along which the run is laid. */
const along = ref(EDGE);
const LINES = computed(() => [
  { value: EDGE, label: 'the edge' },
  ...[...new Set(props.panel.creases.map(({ name }) => name))].map((name) => ({
    value: name,
    label: inSentence(name),
  })),
]);
const inSentence = (name: string) => `the ${name.toLowerCase()}`;
/** What the picked corner is held to, in words. */
const heldTo = computed(() => {
  const pin = pins.value[picked.value];
  if (!pin) return null;
  const what = pin.along === EDGE ? 'the edge' : inSentence(pin.along);
  return pin.at > 0 ? `${units.length(pin.at)} from ${what}` : pin.along === EDGE ? 'the edge, out over it' : what;
});
function beside(): void {
  const mm = units.read(distance.value);
  wrongDistance.value =
    mm === null || mm < 0 || (mm === 0 && along.value === EDGE)
      ? `Write how far from it, in ${units.word.value} or with its unit.`
      : mm > FARTHEST_BESIDE
        ? `At most ${units.length(FARTHEST_BESIDE)}: farther in, no edge is followed.`
        : null;
  if (wrongDistance.value === null) props.line.beside({ along: along.value, at: mm! });
}
const next = computed(() => ((picked.value + 1) % (corners.value?.length ?? 1)) + 1);
</script>

<template>
  <section class="tile tools" aria-label="The line in your hand">
    <div class="row spread">
      <p class="eyebrow">Corner {{ picked + 1 }} of {{ corners?.length }}</p>
      <div class="row">
        <KitButton small aria-label="Undo" :disabled="!canUndo" @click="line.undo()"><Undo2 :size="18" /></KitButton>
        <KitButton small aria-label="Redo" :disabled="!canRedo" @click="line.redo()"><Redo2 :size="18" /></KitButton>
      </div>
    </div>
    <p class="small soft">
      Drag a corner, tap the middle of a run for a new one, or take the figures of your tape. A corner beyond the edge
      takes the piece out to the edge.
    </p>
    <KitNotice v-if="tried?.refused ?? refusal" bad>{{ units.said((tried?.refused ?? refusal)!) }}</KitNotice>
    <form v-if="taped" class="figures" @submit.prevent="place">
      <KitField v-for="(datum, k) in taped.datums" :key="k" v-slot="{ bind }" :label="`From the ${datum.name}`">
        <KitInput mono v-bind="bind" v-model="figures[k]!" autocomplete="off" />
      </KitField>
      <KitButton submit small class="wide">Set corner {{ picked + 1 }}</KitButton>
    </form>
    <p v-if="wrong" class="alarm small" role="alert">{{ wrong }}</p>
    <div v-if="heldTo" class="row spread">
      <p class="small">Corner {{ picked + 1 }} is held to {{ heldTo }}: it slides along there.</p>
      <KitButton small @click="line.letGo()">Let it go</KitButton>
    </div>
    <form class="figures beside" @submit.prevent="beside">
      <KitField v-if="LINES.length > 1" v-slot="{ bind }" :label="`Run ${picked + 1} to ${next}, along`">
        <KitSelect v-bind="bind" v-model="along">
          <option v-for="{ value, label } in LINES" :key="value" :value="value">{{ label }}</option>
        </KitSelect>
      </KitField>
      <KitField
        v-slot="{ bind }"
        :label="LINES.length > 1 ? 'at a distance of' : `Run ${picked + 1} to ${next}, along the edge at`"
        :error="wrongDistance"
      >
        <KitInput mono v-bind="bind" v-model="distance" autocomplete="off" />
      </KitField>
      <KitButton submit small>Lay it there</KitButton>
      <KitButton small @click="line.beside({ along: EDGE, at: 0 })">Out to the edge</KitButton>
    </form>
    <div class="row">
      <KitButton small :disabled="(corners?.length ?? 0) <= 3" @click="line.drop()"
        >Take corner {{ picked + 1 }} away</KitButton
      >
      <KitButton small plain @click="emit('found')">Find the line again</KitButton>
      <KitButton small main @click="emit('done')">Done</KitButton>
    </div>
  </section>
</template>

<style scoped>
.tools {
  display: grid;
  gap: 0.6rem;
}
.tools p {
  margin: 0;
}
.figures {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
  gap: 0.5rem;
  align-items: end;
}
.wide,
.beside > :first-child {
  grid-column: 1 / -1;
}
</style>
