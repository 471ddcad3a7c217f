<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue';
import type { JobView, StepSay } from '@aspecta/contract/job';
import type { TonightStep, TonightView } from '@aspecta/contract/plan';
import { isElsewhere, sayOf } from '../job/useJob.ts';
import { slotsOf, tonightOf } from '../plan/planScene.ts';
import { get, put } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { CLOCK, written } from '../shell/days.ts';
import { useForm } from '../shell/useForm.ts';
import TonightStepRow from './TonightStepRow.vue';

/* What can be done tonight, over all cars: the next stretch of work of each person, in order. */
const session = useSession();
const form = useForm();
const view = shallowRef<TonightView | null>(null);
async function look(): Promise<void> {
  try {
    view.value = await get<TonightView>('/tonight');
  } catch {
    // The cars below are there without it; the bar at the top says when the server is away.
    view.value = null;
  }
}
onMounted(look);
const clock = () => view.value?.timeZone;
const dayText = written({ weekday: 'long', day: 'numeric', month: 'long' }, clock);
const clockText = written(CLOCK, clock);
const slots = computed(() => tonightOf(slotsOf(view.value?.steps ?? [], dayText)));
/** What was refused belongs to the step of which it was said. */
const saidOf = ref<string | null>(null);
function say(step: TonightStep, change: Partial<StepSay>): Promise<boolean> {
  saidOf.value = step.vehicle + step.id;
  return form.submit(async () => {
    await put<JobView>(`/vehicles/${step.vehicle}/job/said`, sayOf(step, change));
    await look();
  });
}
const MOST = 6;
</script>

<template>
  <section v-if="view && (slots.length > 0 || view.problem)" class="tonight" aria-label="Tonight">
    <p v-if="view.problem" class="tile soft">{{ view.problem }}</p>
    <p v-if="form.rest('spent', 'reason')" class="tile bad">{{ form.rest('spent', 'reason') }}</p>
    <article v-for="slot in slots" :key="slot.by" class="tile">
      <p class="eyebrow">Next for {{ slot.by }}</p>
      <h2>{{ dayText(slot.from) }}, {{ clockText(slot.from) }} to {{ clockText(slot.to) }}</h2>
      <ol>
        <TonightStepRow
          v-for="step in slot.steps.slice(0, MOST)"
          :key="step.vehicle + step.id"
          :step="step"
          :stretch="slot"
          :can-say="session.canWork && !isElsewhere(step)"
          :busy="form.busy.value"
          :errors="saidOf === step.vehicle + step.id ? form.errors : {}"
          @say="say(step, $event)"
        />
      </ol>
      <p v-if="slot.steps.length > MOST" class="small soft">and {{ slot.steps.length - MOST }} more.</p>
    </article>
    <p v-if="slots.length > 0" class="ahead"><RouterLink to="/weeks">The weeks ahead, all cars</RouterLink></p>
  </section>
</template>

<style scoped>
.tonight {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 26rem), 1fr));
  gap: 0.8rem;
  margin-bottom: 1.2rem;
}
/* Below all of them, whatever stands beside each other. */
.ahead {
  grid-column: 1 / -1;
  margin: 0;
}
article {
  border-left: 5px solid var(--mark);
}
h2 {
  font-size: 1.1rem;
  margin: 0.1rem 0 0.4rem;
}
ol {
  margin: 0;
  padding-left: 1.3rem;
}
.bad {
  color: var(--alarm);
}
</style>
