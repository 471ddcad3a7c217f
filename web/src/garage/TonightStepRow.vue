<script setup lang="ts">
import { ref, watch } from 'vue';
import type { StepSay } from '@aspecta/contract/job';
import type { TonightStep } from '@aspecta/contract/plan';
import { belowVehicle } from '../car/belowVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { decimal } from '../shell/typedNumber.ts';
import { takesIn, type Slot } from '../plan/planScene.ts';

/* One step of tonight: done at a tap; half done, or why it did not work, and how long it took, with one tap more. */
const props = defineProps<{
  step: TonightStep;
  /** The stretch of time that it stands in. */
  stretch: Pick<Slot, 'from' | 'to'>;
  canSay: boolean;
  busy: boolean;
  errors: Readonly<Record<string, string>>;
}>();
const emit = defineEmits<{ say: [change: Partial<StepSay>] }>();
const open = ref(false);
const spent = ref(props.step.said?.spent?.toString() ?? '');
const reason = ref('');
const HALF = 0.5;
/** What stands in the fields; what is no number goes on as it was typed: the server refuses it at its field. */
const typed = (): Partial<StepSay> => ({
  ...(spent.value.trim() === '' ? {} : { spent: decimal(spent.value) as number }),
  ...(reason.value.trim() === '' ? {} : { reason: reason.value }),
});
/** What was refused is asked for. */
watch(
  () => props.errors,
  (errors) => {
    if (errors['reason'] || errors['spent']) open.value = true;
  },
  { deep: true },
);
</script>

<template>
  <li>
    <div class="row spread">
      <span>
        <RouterLink :to="belowVehicle(step.vehicle, step.path)">{{ step.title }}</RouterLink>
        <span class="small soft">
          · {{ step.nickname }} · {{ takesIn(stretch, step)
          }}<template v-if="step.needs.length > 0"> · {{ step.needs.join(', ') }}</template></span
        >
      </span>
      <span v-if="canSay" class="acts">
        <KitButton small :disabled="busy" @click="emit('say', { state: 'done', ...typed() })">Done</KitButton>
        <KitButton
          small
          plain
          :aria-expanded="open"
          :aria-label="`Not just done: ${step.title}`"
          @click="open = !open"
          >{{ open ? 'Close' : 'Or …' }}</KitButton
        >
      </span>
    </div>
    <div v-if="open" class="stack more">
      <KitField v-slot="{ bind }" label="Hours it has taken" :error="errors['spent']"
        ><KitInput mono v-bind="bind" v-model="spent" inputmode="decimal"
      /></KitField>
      <KitButton small :disabled="busy" @click="emit('say', { share: HALF, ...typed() })">It is half done</KitButton>
      <KitField
        v-slot="{ bind }"
        label="What was in the way, or a note"
        hint="What did not work waits until you say otherwise, with all that comes after it"
        :error="errors['reason']"
        ><KitInput v-bind="bind" v-model="reason"
      /></KitField>
      <KitButton small :disabled="busy" @click="emit('say', { state: 'blocked', reason: '', ...typed() })"
        >It did not work</KitButton
      >
    </div>
  </li>
</template>

<style scoped>
li {
  min-height: 44px;
  padding: 0.15rem 0;
}
.spread {
  flex-wrap: nowrap;
  align-items: flex-start;
  gap: 0.6rem;
}
.acts {
  display: flex;
  flex: none;
  gap: 0.3rem;
}
.more {
  align-items: flex-start;
  padding: 0.4rem 0 0.8rem;
}
</style>
