<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { STEP_STATE_WORDS, type StepSay, type StepView } from '@aspecta/contract/job';
import { isPast } from '@aspecta/core/job';
import { belowVehicle } from '../car/belowVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitDate from '../kit/KitDate.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { isElsewhere } from './useJob.ts';
import { useSession } from '../shell/session.ts';
import { decimal, shareOf } from '../shell/typedNumber.ts';
import { dayOf, daysText, timeOf } from '../shell/days.ts';
import { hours, percent } from '../shell/units.ts';

/* One step of the job: what it is, how it stands and why, and what a person says of it. */
const props = defineProps<{
  step: StepView;
  vehicle: string;
  canWork: boolean;
  busy: boolean;
  errors: Readonly<Record<string, string>>;
}>();
const emit = defineEmits<{
  say: [change: Partial<StepSay>];
  clock: [run: boolean, drop: boolean];
  edit: [];
  remove: [];
}>();
/** Hours of waiting from which on they are told in days. */
const LONG = 48;
const session = useSession();
const mine = computed(() => props.step.clocks.find(({ personId }) => personId === session.current?.person.id));
const open = ref(false);
const draft = ref({ reason: '', until: '', notBefore: '', hours: '', spent: '', share: '' });
watch(
  // The same words read again are no news: what is being typed stays.
  () => JSON.stringify(props.step.said),
  () => {
    const { said } = props.step;
    draft.value = {
      reason: said?.reason ?? '',
      until: said?.until ?? '',
      notBefore: said?.notBefore ?? '',
      hours: said?.hours?.toString() ?? '',
      spent: said?.spent?.toString() ?? '',
      share: said?.share ? String(Math.round(said.share * 100)) : '',
    };
  },
  { immediate: true },
);
/** What stands in the form; what is no number goes on as it was typed, so that the server refuses it at its field. */
const said = (): Partial<StepSay> => ({
  reason: draft.value.reason,
  notBefore: draft.value.notBefore || null,
  hours: typedHours(draft.value.hours),
  spent: typedHours(draft.value.spent),
  share: draft.value.share.trim() === '' ? null : (shareOf(draft.value.share) as number),
});
const typedHours = (text: string) => (text.trim() === '' ? null : (decimal(text) as number));
const isOver = computed(() => isPast(props.step.state));
const to = computed(() => belowVehicle(props.vehicle, props.step.path));
const isHere = computed(() => props.step.path === 'job');
</script>

<template>
  <article class="tile step" :class="step.state" :data-step="step.id">
    <div class="row spread top">
      <div class="grow">
        <h2>{{ step.title }}</h2>
        <p class="small soft meta">
          <span class="state">{{ STEP_STATE_WORDS[step.state] }}</span>
          ·
          <span class="mono">{{
            step.waits && step.hours >= LONG ? daysText(step.hours / 24) : hours(step.hours)
          }}</span><template v-if="step.waits"> by the clock</template
          ><template v-if="step.said?.hours != null"> as you said (reckoned {{ hours(step.reckoned) }})</template
          ><template v-else-if="step.like"> as {{ step.like }} took</template
          ><template v-if="step.share > 0 && step.share < 1">
            · {{ percent(step.share) }} {{ step.said?.share === step.share ? 'done, as you said' : 'ticked' }}</template
          ><template v-if="step.said?.spent != null"> · took {{ hours(step.said.spent) }}</template
          ><template v-if="step.dry"> · only in the dry</template
          ><template v-if="step.closes.length > 0"> · shuts {{ step.closes.join(', ') }}</template>
        </p>
        <p v-if="step.at && step.state !== 'done'" class="small">
          {{ step.state === 'running' ? 'Until about' : 'From' }} {{ timeOf(step.at) }}
        </p>
        <p v-if="step.said?.reason" class="small">
          {{ step.said.reason }}<template v-if="step.said.until"> – until {{ dayOf(step.said.until) }}</template>
          <span class="soft"> ({{ step.said.by }})</span>
        </p>
        <p v-for="one in step.clocks" :key="one.personId" class="small clock">
          {{ one.by }} works on it since {{ timeOf(one.since) }}
        </p>
        <p v-if="errors['drop']" class="small clock">
          {{ errors['drop'] }}
          <KitButton small :disabled="busy" @click="emit('clock', false, true)">Drop it</KitButton>
        </p>
        <ul v-if="step.waitsFor.length > 0" class="small why">
          <li v-for="before in step.waitsFor" :key="before.id">
            <strong>{{ before.title }}</strong>. <span class="soft">{{ before.why }}</span>
          </li>
        </ul>
      </div>
      <div class="acts">
        <KitButton v-if="!isHere && !isOver" small :main="isElsewhere(step) && step.state === 'ready'" :to="to"
          >Go there</KitButton
        >
        <template v-if="canWork">
          <KitButton
            v-if="step.said?.state"
            small
            :disabled="busy"
            @click="emit('say', { state: null, reason: '', until: null })"
            >Take it back</KitButton
          >
          <KitButton
            v-else-if="!isOver && !isElsewhere(step)"
            small
            :main="step.state === 'ready'"
            :disabled="busy"
            @click="emit('say', { state: 'done' })"
            >Done</KitButton
          >
          <KitButton v-if="mine" small :disabled="busy" @click="emit('clock', false, false)">Stop the clock</KitButton>
          <KitButton
            v-else-if="!isOver && !isElsewhere(step) && !step.waits"
            small
            :disabled="busy"
            @click="emit('clock', true, false)"
            >Start the clock</KitButton
          >
          <KitButton small plain :aria-expanded="open" @click="open = !open">{{ open ? 'Close' : 'More …' }}</KitButton>
        </template>
      </div>
    </div>
    <form v-if="open" class="stack more" @submit.prevent="emit('say', said())">
      <div class="pair">
        <KitField
          v-slot="{ bind }"
          label="Hours it will take"
          :hint="`Reckoned: ${hours(step.reckoned)}`"
          :error="errors['hours']"
          ><KitInput mono v-bind="bind" v-model="draft.hours" inputmode="decimal"
        /></KitField>
        <KitField v-slot="{ bind }" label="Hours it has taken" :error="errors['spent']"
          ><KitInput mono v-bind="bind" v-model="draft.spent" inputmode="decimal"
        /></KitField>
        <KitField v-if="!step.waits" v-slot="{ bind }" label="Done of it, %" :error="errors['share']"
          ><KitInput mono v-bind="bind" v-model="draft.share" inputmode="decimal"
        /></KitField>
        <KitField v-slot="{ bind }" label="Not before" :error="errors['notBefore']"
          ><KitDate v-bind="bind" v-model="draft.notBefore"
        /></KitField>
        <KitField v-slot="{ bind }" label="Blocked until" hint="Empty: until you say otherwise" :error="errors['until']"
          ><KitDate v-bind="bind" v-model="draft.until"
        /></KitField>
      </div>
      <KitField v-slot="{ bind }" label="Why it is blocked or left out, or a note" :error="errors['reason']"
        ><KitInput v-bind="bind" v-model="draft.reason"
      /></KitField>
      <div class="row">
        <KitButton submit small main :disabled="busy">Keep</KitButton>
        <KitButton
          small
          :disabled="busy"
          @click="emit('say', { ...said(), state: 'blocked', until: draft.until || null })"
          >It is blocked</KitButton
        >
        <KitButton small :disabled="busy" @click="emit('say', { ...said(), state: 'skipped' })">Leave it out</KitButton>
        <template v-if="step.own">
          <KitButton small :disabled="busy" @click="emit('edit')">Change this step</KitButton>
          <KitButton small :disabled="busy" @click="emit('remove')">Take it away</KitButton>
        </template>
      </div>
    </form>
  </article>
</template>

<style scoped>
.step {
  border-left: 5px solid var(--line-strong);
}
.step.ready {
  border-left-color: var(--mark);
}
.step.blocked {
  border-left-color: var(--alarm);
}
.step.done,
.step.passed,
.step.skipped {
  border-left-color: var(--done);
}
.top {
  align-items: flex-start;
  gap: 1rem;
  flex-wrap: wrap;
}
.grow {
  flex: 1 1 20rem;
  min-width: 0;
}
h2 {
  font-size: 1.05rem;
  margin: 0;
}
.meta {
  margin: 0.15rem 0 0;
}
.state {
  font-weight: 600;
  color: var(--ink);
}
.clock {
  color: var(--mark);
  font-weight: 600;
}
.why {
  margin: 0.3rem 0 0;
  padding-left: 1.1rem;
}
.acts {
  display: flex;
  gap: 0.5rem;
  flex-wrap: wrap;
}
.more {
  margin-top: 0.8rem;
}
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
  gap: 0.6rem;
  align-items: start;
}
</style>
