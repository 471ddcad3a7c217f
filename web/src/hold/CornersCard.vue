<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { CORNER_TAPES, type CornerTape, type HoldView, type RoundView } from '@aspecta/contract/hold';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { newId } from '../shell/newId.ts';
import { useUnits } from '../shell/units.ts';
import { cornersText, sideText } from './cornersText.ts';
import type { Hold } from './useHold.ts';

/* An opening that no drawing knows: four sides and two diagonals → is it square, and which corner moves where. */
const props = defineProps<{
  hold: Hold;
  view: HoldView;
  round: RoundView;
  /** Lengths that come from elsewhere, as they are typed. */
  given: Partial<Record<CornerTape, string>>;
  canWork: boolean;
}>();
/** Name of the opening that is looked at; empty for a new one. */
const opening = defineModel<string>('opening', { required: true });
const units = useUnits();
const { form } = props.hold;
/** Openings of this measurement, and those of the first one that are to be taken again. */
const names = computed(() => [
  ...new Set([...props.round.corners, ...(props.view.rounds[0]?.corners ?? [])].map(({ name }) => name)),
]);
const now = computed(() => props.round.corners.find(({ name }) => name === opening.value) ?? null);
const before = computed(() =>
  props.view.rounds[0]?.id === props.round.id
    ? null
    : (props.view.rounds[0]?.corners.find(({ name }) => name === opening.value) ?? null),
);
const name = ref('');
const draft = reactive<Record<CornerTape, string>>({ ab: '', bc: '', cd: '', da: '', ac: '', bd: '', ...props.given });
watch(opening, () => {
  for (const tape of CORNER_TAPES) draft[tape] = '';
  wrong.value = {};
});
const wrong = ref<Record<string, string>>({});
async function keep(): Promise<void> {
  const called = opening.value || name.value.trim();
  const typed = CORNER_TAPES.filter((tape) => draft[tape].trim() !== '').map((tape) => ({
    tape,
    mm: units.read(draft[tape]),
  }));
  wrong.value = {
    ...(called.length < 2 ? { name: 'Name the opening, so that you find it again: floor behind the seats.' } : {}),
    ...(typed.length === 0 ? { ab: 'Type at least one length.' } : {}),
    ...Object.fromEntries(typed.filter(({ mm }) => mm === null).map(({ tape }) => [tape, units.noLength()])),
  };
  if (Object.keys(wrong.value).length > 0) return;
  for (const { tape, mm } of typed) {
    const one = { id: newId(), kind: 'corners' as const, from: called, to: tape, length: mm! };
    if (!(await props.hold.tape(props.round.id, one, `${called}, ${sideText(tape)}: ${units.length(mm!)}`))) return;
    draft[tape] = '';
  }
  opening.value = called;
}
const hintOf = (tape: CornerTape) => {
  const [is, was] = [now.value?.lengths[tape], before.value?.lengths[tape]];
  return [
    ...(is === undefined ? [] : [`read ${units.length(is)}`]),
    ...(was === undefined ? [] : [`${units.length(was)} the first time`]),
  ].join(', ');
};
const sentences = computed(() => (now.value?.found ? cornersText(now.value.found, units.length) : []));
const trouble = computed(() => now.value?.trouble && units.said(now.value.trouble));
</script>

<template>
  <div class="stack">
    <KitField v-if="names.length > 0" v-slot="{ bind }" label="Opening"
      ><KitSelect v-bind="bind" v-model="opening"
        ><option v-for="one in names" :key="one" :value="one">{{ one }}</option>
        <option value="">Another one …</option></KitSelect
      ></KitField
    >
    <div v-if="now?.found" class="answer" aria-live="polite">
      <p class="figure">{{ units.length(Math.abs(now.found.difference)) }}</p>
      <p class="small soft">between the diagonals</p>
      <p v-for="sentence in sentences" :key="sentence">{{ sentence }}</p>
      <p class="small soft">
        The marks are drawn 25 times as long. Corners: {{ now.found.corners.map((angle, i) => `${'ABCD'[i]} ${angle.toFixed(1)}°`).join(', ') }}. Square means
        even on either side of the middle of A–B.
      </p>
    </div>
    <KitNotice v-if="trouble" bad>{{ trouble }}</KitNotice>
    <form v-if="canWork && !round.finished" class="stack" @submit.prevent="keep">
      <p class="small soft">
        A front left, B front right, C rear right, D rear left; an upright opening from its lower front corner round.
        Leave out what is not taken yet.
      </p>
      <KitField
        v-if="opening === ''"
        v-slot="{ bind }"
        label="Which opening"
        hint="As: floor behind the seats"
        :error="wrong['name'] ?? form.errors['from']"
        ><KitInput v-bind="bind" v-model="name"
      /></KitField>
      <div class="two">
        <KitField
          v-for="tape in CORNER_TAPES"
          :key="tape"
          v-slot="{ bind }"
          :label="`${sideText(tape)}, ${units.word.value}`"
          :hint="hintOf(tape)"
          :error="wrong[tape]"
          ><KitInput v-bind="bind" v-model="draft[tape]" mono autocomplete="off"
        /></KitField>
      </div>
      <KitNotice v-if="form.rest('from')" bad>{{ form.rest('from') }}</KitNotice>
      <KitButton submit main :disabled="form.busy.value">Is it square?</KitButton>
    </form>
    <div v-if="now && canWork && !round.finished" class="row">
      <KitButton
        v-for="tape in round.tapes.filter(({ kind, from }) => kind === 'corners' && from === opening)"
        :key="tape.id"
        small
        plain
        @click="hold.takeBack(round.id, tape.id)"
        >Take {{ sideText(tape.to as CornerTape) }} back</KitButton
      >
    </div>
  </div>
</template>

<style scoped>
.answer p {
  margin: 0 0 0.3rem;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.6rem;
  align-items: start;
}
</style>
