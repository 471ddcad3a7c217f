<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import {
  CLOSING_WORDS,
  FASTENER_WORDS,
  type ClosingChange,
  type FastenerView,
  type JointView,
} from '@aspecta/contract/repair';
import type { Closing } from '@aspecta/core/repair';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { hours, useUnits } from '../shell/units.ts';

/* One joint in the hand: how it is closed, how far apart its welds stand, and each of its fasteners to mark. */
const props = defineProps<{
  joint: JointView;
  fasteners: readonly FastenerView[];
  canWork: boolean;
  busy: boolean;
  errors: Readonly<Record<string, string>>;
}>();
const emit = defineEmits<{
  choose: [change: Omit<ClosingChange, 'version'>];
  mark: [fastener: FastenerView];
}>();
const units = useUnits();
const ways = computed(() => props.joint.ways.map((value) => ({ value, label: CLOSING_WORDS[value] })));
const closing = computed({
  get: () => props.joint.closing,
  set: (value: Closing) => choose(value, null),
});
const shown = () => (props.joint.weldPitch === undefined ? '' : units.length(props.joint.weldPitch));
const pitch = ref(shown());
const wrong = ref<string | null>(null);
/** Which of its straight runs is meant; null: all of it. */
const run = ref<number | null>(null);
watch(
  // The same joint read again is no news: what is being typed stays.
  () => JSON.stringify(props.joint),
  () => {
    pitch.value = shown();
    wrong.value = null;
    run.value = null;
    count.value = counted();
    badCount.value = null;
  },
);
const runs = computed(() => [
  { value: '', label: 'All of it' },
  ...props.joint.runs.map(({ length, name }, i) => ({
    value: String(i),
    label: `${units.length(length)} towards the ${name}`,
  })),
]);
const meant = computed({
  get: () => (run.value === null ? '' : String(run.value)),
  set: (value: string) => (run.value = value === '' ? null : Number(value)),
});
/** What is said of it now, with what is said anew. */
function say(change: Partial<Pick<ClosingChange, 'closing' | 'pitch' | 'found'>>): void {
  const { at: whole, kind, chosen, counted, weldPitch, fasteners, alone = false } = props.joint;
  const only = run.value === null ? undefined : props.joint.runs[run.value];
  if (only) {
    const none = { closing: null, pitch: null, found: null };
    return emit('choose', { kind, at: only.at, alone: true, ...none, ...change });
  }
  emit('choose', {
    ...{ at: whole, kind, alone },
    closing: chosen ? props.joint.closing : null,
    pitch: chosen && weldPitch !== undefined ? weldPitch : null,
    found: counted ? fasteners : null,
    ...change,
  });
}
const choose = (way: Closing | null, mm: number | null) => say({ closing: way, pitch: mm });
/** How many there really are, as it is typed. */
const isHem = computed(() => props.joint.kind === 'hem');
const counted = () => String(isHem.value ? props.joint.welds : props.joint.fasteners);
const count = ref(counted());
/** How their number is known: of a hem the small welds that hold it, which the new one takes over. */
const countHint = computed(() => {
  if (props.joint.counted)
    return isHem.value ? 'Counted on the old hem; the new one gets as many' : 'Counted on the car';
  return isHem.value
    ? 'Small welds of the old hem, reckoned from its length: count them'
    : 'Reckoned from the pitch: count them';
});
const badCount = ref<string | null>(null);
function setCount(): void {
  if (count.value.trim() === counted()) return;
  const found = Number(count.value);
  const right = count.value.trim() !== '' && Number.isInteger(found) && found >= 0;
  badCount.value = right ? null : 'Write how many there are, in digits.';
  if (right) say({ found });
}
function setPitch(): void {
  // What stands there as it was written is rounded: reading it back would change it.
  if (pitch.value === shown()) return;
  const mm = units.read(pitch.value);
  wrong.value = mm === null ? `Write a length, in ${units.word.value} or with its unit.` : null;
  if (mm !== null) choose(props.joint.closing, mm);
}
const welds = computed(() => {
  const [one, many] = FASTENER_WORDS[props.joint.closing] ?? ['plug', 'plugs'];
  return `${props.joint.welds} ${props.joint.welds === 1 ? one : many}`;
});
const STATE_WORDS = { holds: 'holds', opened: 'opened', loose: 'loose already' } as const;
</script>

<template>
  <section class="edit" :aria-label="joint.name">
    <KitChips v-if="joint.runs.length > 1 && canWork" v-model="meant" legend="Which of it" :options="runs" />
    <KitChips v-if="ways.length > 1 && canWork" v-model="closing" legend="Closed by" :options="ways" />
    <p v-else class="small">
      <span class="soft">Closed by</span> <strong>{{ CLOSING_WORDS[joint.closing] }}</strong>
    </p>
    <form v-if="joint.weldPitch !== undefined && canWork" class="row" @submit.prevent="setPitch">
      <KitField v-slot="{ bind }" label="One every" :error="wrong ?? errors['pitch']">
        <KitInput mono v-bind="bind" v-model="pitch" autocomplete="off" @change="setPitch" />
      </KitField>
      <span class="mono small">{{ welds }}</span>
    </form>
    <p class="small">
      About {{ hours(joint.hours) }} to open and close it.
      <template v-if="joint.chosen"
        >Chosen for {{ joint.alone ? 'this run' : 'this repair' }}.
        <KitButton v-if="canWork" small plain :disabled="busy" @click="choose(null, null)">{{
          joint.alone ? 'As the rest of the cut' : 'As the house does it'
        }}</KitButton></template
      >
      <span v-else class="soft">As the house does it.</span>
    </p>
    <form v-if="((joint.pitch ?? 0) > 0 || isHem) && canWork" class="row" @submit.prevent="setCount">
      <KitField v-slot="{ bind }" label="Found here" :hint="countHint" :error="badCount ?? errors['found']">
        <KitInput mono v-bind="bind" v-model="count" inputmode="numeric" autocomplete="off" @change="setCount" />
      </KitField>
      <KitButton v-if="joint.counted" small plain :disabled="busy" @click="say({ found: null })">As reckoned</KitButton>
    </form>
    <p v-for="note in joint.notes" :key="note" class="small note">{{ units.said(note) }}</p>
    <div v-if="fasteners.length > 0 && canWork" class="each" role="group" aria-label="Each of them">
      <KitButton
        v-for="fastener in fasteners"
        :key="fastener.id"
        small
        class="one"
        :class="fastener.state"
        :disabled="busy"
        :aria-label="`${fastener.n}: ${STATE_WORDS[fastener.state]}`"
        @click="emit('mark', fastener)"
        >{{ fastener.n }}{{ fastener.state === 'opened' ? ' ✓' : fastener.state === 'loose' ? ' ×' : '' }}</KitButton
      >
    </div>
  </section>
</template>

<style scoped>
.edit {
  display: grid;
  gap: 0.5rem;
  padding: 0.5rem 0.25rem 0.75rem 0.75rem;
  border-left: 3px solid var(--mark);
}
.edit p {
  margin: 0;
}
.edit form {
  align-items: end;
}
.note {
  border-left: 3px solid var(--failing);
  padding-left: 0.5rem;
}
.each {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
}
.one {
  min-width: 48px;
}
</style>
