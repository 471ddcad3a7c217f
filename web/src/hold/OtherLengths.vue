<script setup lang="ts">
import { computed, ref } from 'vue';
import type { CornerTape, HoldView, RoundView, TapeKind } from '@aspecta/contract/hold';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitSelect from '../kit/KitSelect.vue';
import { newId } from '../shell/newId.ts';
import { useUnits } from '../shell/units.ts';
import { sideText } from './cornersText.ts';
import type { Hold } from './useHold.ts';

/* Heights of points, and measures of one's own by name: the same figure before and after is the proof. */
const props = defineProps<{ hold: Hold; view: HoldView; round: RoundView; canWork: boolean }>();
const units = useUnits();
const { form } = props.hold;
const kind = ref<'height' | 'own'>('height');
const at = ref(props.view.points[0]?.id ?? '');
const name = ref('');
const text = ref('');
const wrong = ref<Record<string, string>>({});
async function keep(): Promise<void> {
  const mm = units.read(text.value);
  const from = kind.value === 'height' ? at.value : name.value.trim();
  wrong.value = {
    ...(mm === null ? { length: units.noLength() } : {}),
    ...(from === '' ? { name: 'Say what it is that you measure, so that you find it again.' } : {}),
  };
  if (mm === null || from === '') return;
  const tape = { id: newId(), kind: kind.value, from, to: '', length: mm };
  if (await props.hold.tape(props.round.id, tape, `${titleOf(tape)}: ${units.length(mm)}`)) text.value = '';
}
const titleOf = (tape: { kind: TapeKind; from: string; to: string }) => {
  const point = (id: string) => props.view.points.find((one) => one.id === id)?.name ?? id;
  if (tape.kind === 'own') return tape.from;
  if (tape.kind === 'corners') return `${tape.from}, ${sideText(tape.to as CornerTape)}`;
  return tape.kind === 'height' ? `Height of ${point(tape.from)}` : `${point(tape.from)} to ${point(tape.to)}`;
};
const isOther = ({ kind: one }: { kind: TapeKind }) => one === 'height' || one === 'own';
const others = computed(() => props.round.tapes.filter(isOther));
/** Measures of one's own that the first measurement has and this one lacks. */
const lacking = computed(() =>
  (props.view.rounds[0]?.tapes ?? []).filter(
    (one) => isOther(one) && !others.value.some((own) => own.kind === one.kind && own.from === one.from),
  ),
);
function again({ kind: which, from }: { kind: TapeKind; from: string }): void {
  if (which !== 'height' && which !== 'own') return;
  kind.value = which;
  if (which === 'height') at.value = from;
  else name.value = from;
}
/** mm. Less is level, as far as heights on a floor tell. */
const LEVEL = 1;
const leaning = computed(() => {
  const { left, rear, off } = props.round.tilt!;
  const parts = [
    ...(Math.abs(left) >= LEVEL
      ? [`the ${left > 0 ? 'left' : 'right'} side stands ${over(left)} higher for every ${metre.value} across`]
      : []),
    ...(Math.abs(rear) >= LEVEL
      ? [`the ${rear > 0 ? 'rear' : 'front'} stands ${over(rear)} higher for every ${metre.value} along`]
      : []),
  ];
  const lies =
    parts.length > 0
      ? `No: ${parts.join(', and ')}. Level it before heights are compared.`
      : 'Yes, as far as a floor tells.';
  return off > props.view.mayMove
    ? `${lies} Apart from that one point lies ${units.length(off)} off: it was misread, or the body is twisted.`
    : lies;
});
/** mm over which a lean is told: a length that one has before one's eyes. */
const reach = computed(() => (units.unit.value === 'in' ? 304.8 : 1000));
const metre = computed(() => units.length(reach.value));
const over = (perMetre: number) => units.length((Math.abs(perMetre) * reach.value) / 1000);
const signed = (mm: number) => `${mm > 0 ? '+' : mm < 0 ? '−' : ''}${units.length(Math.abs(mm))}`;
</script>

<template>
  <div class="stack">
    <form v-if="canWork && !round.finished" class="stack" @submit.prevent="keep">
      <KitChips
        v-model="kind"
        legend="What is measured"
        hide-legend
        :options="[
          { value: 'height', label: 'Height of a point' },
          { value: 'own', label: 'A measure of my own' },
        ]"
      />
      <KitField v-if="kind === 'height'" v-slot="{ bind }" label="Point" :error="form.errors['from']"
        ><KitSelect v-bind="bind" v-model="at"
          ><option v-for="point in view.points" :key="point.id" :value="point.id">{{ point.name }}</option></KitSelect
        ></KitField
      >
      <KitField
        v-else
        v-slot="{ bind }"
        label="What it is"
        hint="As: old sill, height at the jack, left"
        :error="wrong['name']"
        ><KitInput v-bind="bind" v-model="name"
      /></KitField>
      <KitField
        v-slot="{ bind }"
        :label="`Read, in ${units.word.value}`"
        :error="wrong['length'] ?? form.errors['length']"
        ><KitInput v-bind="bind" v-model="text" mono autocomplete="off"
      /></KitField>
      <KitButton submit main :disabled="form.busy.value">Keep</KitButton>
    </form>
    <div v-if="lacking.length > 0 && canWork && !round.finished" class="row">
      <span class="small soft">Still to be read again:</span>
      <KitButton v-for="one in lacking" :key="one.id" small @click="again(one)">{{ titleOf(one) }}</KitButton>
    </div>
    <ul class="plain">
      <li v-for="tape in others" :key="tape.id" class="row spread">
        <span
          >{{ titleOf(tape) }} <strong class="mono">{{ units.length(tape.length) }}</strong></span
        >
        <KitButton v-if="canWork && !round.finished" small plain @click="hold.takeBack(round.id, tape.id)"
          >Take back</KitButton
        >
      </li>
    </ul>
    <template v-if="round.sides.length > 0">
      <h2>Left against right</h2>
      <ul class="plain">
        <li v-for="side in round.sides" :key="side.name">
          {{ side.name }}: <span class="mono">{{ units.length(side.left) }}</span> and
          <span class="mono">{{ units.length(side.right) }}</span>, the left one
          <strong class="mono">{{ signed(side.left - side.right) }}</strong>
        </li>
      </ul>
    </template>
    <template v-if="round.tilt">
      <h2>Does it stand level?</h2>
      <p class="small">{{ leaning }}</p>
    </template>
    <template v-if="round.compared.length > 0">
      <h2>Then and now</h2>
      <ul class="plain">
        <li v-for="one in round.compared" :key="one.kind + one.from + one.to">
          {{ titleOf(one) }}: <span class="mono">{{ units.length(one.was) }}</span> →
          <span class="mono">{{ units.length(one.now) }}</span>,
          <strong class="mono" :class="{ alarm: Math.abs(one.now - one.was) > view.mayMove }">{{
            signed(one.now - one.was)
          }}</strong>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
  margin: 0.6rem 0 0;
}
.alarm {
  color: var(--alarm);
}
</style>
