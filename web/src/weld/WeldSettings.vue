<script setup lang="ts">
import { computed } from 'vue';
import {
  HOLDING_WORDS,
  POSITION_WORDS,
  PROCESS_WORDS,
  STRATEGY_WORDS,
  type PlannedJoint,
} from '@aspecta/contract/weld';
import { CLOSING_WORDS } from '@aspecta/contract/repair';
import { lineLength, pointAt, toLine, type Point } from '@aspecta/core/geometry';
import type { Position } from '@aspecta/core/weld';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitChips from '../kit/KitChips.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import type { useWeldPlan } from './useWeldPlan.ts';

/* How the repair is welded: what is always chosen in sight, what the sheet and the process say folded away. */
const props = defineProps<{ plan: ReturnType<typeof useWeldPlan> }>();
const units = useUnits();
const session = useSession();
const { view, input, warm, lengths, reason, begun, form } = props.plan;
const options = <T extends string>(words: Readonly<Record<T, string>>) =>
  (Object.entries(words) as [T, string][]).map(([value, label]) => ({ value, label }));
const FIELDS = [
  ['other', 'Thickness behind', 'Of the sheet that it is welded to, where it differs'],
  ['pitch', 'Tacks every', 'Empty: by the process'],
  ['stitch', 'Stitches of', 'Empty: short ones that cool at once'],
  ['hole', 'Holes for plugs', 'Empty: by the sheet'],
] as const;
/** Joints in which something is welded, with the place by which each is told. */
const joints = computed(() =>
  (view.value?.joints ?? [])
    .filter(({ closing }) => closing !== 'bolt' && closing !== 'rivet')
    .map((joint, i) => {
      const [u, v] = middleOf(joint);
      return {
        i,
        at: [u, v] as [number, number],
        name: `${joint.name}: ${CLOSING_WORDS[joint.closing].toLowerCase()}`,
      };
    }),
);
const lineOf = ({ points, closed }: PlannedJoint): Point[] => (closed ? [...points, points[0]!] : points);
const middleOf = (joint: PlannedJoint) => pointAt(lineOf(joint), lineLength(lineOf(joint)) / 2);
/** mm. A place belongs to the joint that it lies on. */
const NEAR = 5;
const saidFor = (i: number) => {
  const joint = (view.value?.joints ?? []).filter(({ closing }) => closing !== 'bolt' && closing !== 'rivet')[i]!;
  return input.positions.findIndex(({ at }) => toLine(at, lineOf(joint)) < NEAR);
};
const positionOf = (i: number) => input.positions[saidFor(i)]?.position ?? 'usual';
function place(i: number, at: [number, number], position: string): void {
  const known = saidFor(i);
  if (known >= 0) input.positions.splice(known, 1);
  if (position !== 'usual') input.positions.push({ at, position: position as Position });
}
const named = ['handWarm', 'reason', ...FIELDS.map(([field]) => field)];
</script>

<template>
  <form class="stack" @submit.prevent="plan.layOut()">
    <KitField
      v-if="begun"
      v-slot="{ bind }"
      label="Why is it laid out anew?"
      :hint="`The ${view!.done.length} steps that are done stay as they are noted`"
      :error="form.errors['reason']"
      ><KitInput v-bind="bind" v-model="reason"
    /></KitField>
    <KitChips v-model="input.process" legend="Process" :options="options(PROCESS_WORDS)" />
    <KitChips v-model="input.position" legend="Position" :options="options(POSITION_WORDS)" />
    <p v-if="input.position !== 'flat' && session.current?.shop.tools?.turns" class="small soft">
      The body can be turned here: turned until it lies flat, the bead stays where it is put.
    </p>
    <KitChips v-model="input.strategy" legend="Order" :options="options(STRATEGY_WORDS)" />
    <KitChips v-model="input.holding" legend="Held by" :options="options(HOLDING_WORDS)" />
    <KitCheckbox v-model="input.copper">Copper behind every joint</KitCheckbox>
    <KitField
      v-slot="{ bind }"
      :label="`Weld again below, ${units.heat.word.value}`"
      :hint="`${units.heat.text(50)} can be touched`"
      :error="form.errors['handWarm']"
      ><KitInput mono v-bind="bind" v-model="warm" inputmode="decimal"
    /></KitField>
    <KitCollapse title="Thickness, pitch, stitches, holes" :open="FIELDS.some(([field]) => form.errors[field])">
      <div class="pair">
        <KitField
          v-for="[field, label, hint] in FIELDS"
          :key="field"
          v-slot="{ bind }"
          :label="`${label}, ${units.word.value}`"
          :hint="hint"
          :error="form.errors[field]"
          ><KitInput mono v-bind="bind" v-model="lengths[field]"
        /></KitField>
      </div>
    </KitCollapse>
    <KitCollapse v-if="joints.length > 1" title="Joints that are welded in another position">
      <KitField v-for="joint in joints" :key="joint.i" v-slot="{ bind }" :label="joint.name">
        <KitSelect
          v-bind="bind"
          :model-value="positionOf(joint.i)"
          @update:model-value="(to: string) => place(joint.i, joint.at, to)"
        >
          <option value="usual">As the others</option>
          <option v-for="(word, position) in POSITION_WORDS" :key="position" :value="position">{{ word }}</option>
        </KitSelect>
      </KitField>
    </KitCollapse>
    <KitNotice bad v-if="form.rest(...named)">{{ form.rest(...named) }}</KitNotice>
    <KitButton submit :main="!view" :disabled="form.busy.value">
      {{ form.busy.value ? 'Working it out …' : view ? 'Lay out anew' : 'Lay out every weld' }}
    </KitButton>
  </form>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.6rem;
  align-items: start;
}
</style>
