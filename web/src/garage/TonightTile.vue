<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue';
import type { JobView } from '@aspecta/contract/job';
import type { TonightStep, TonightView } from '@aspecta/contract/plan';
import { belowVehicle } from '../car/belowVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import { saidNothing } from '../job/useJob.ts';
import { slotsOf, tonightOf } from '../plan/planScene.ts';
import { get, put } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { CLOCK, written } from '../shell/days.ts';
import { hours } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

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
const done = (step: TonightStep) =>
  form.submit(async () => {
    await put<JobView>(`/vehicles/${step.vehicle}/job/said`, { ...saidNothing, step: step.id, state: 'done' });
    await look();
  });
const MOST = 6;
</script>

<template>
  <section v-if="view && (slots.length > 0 || view.problem)" class="tonight" aria-label="Tonight">
    <p v-if="view.problem" class="tile soft">{{ view.problem }}</p>
    <p v-if="form.rest()" class="tile bad">{{ form.rest() }}</p>
    <article v-for="slot in slots" :key="slot.by" class="tile">
      <p class="eyebrow">Next for {{ slot.by }}</p>
      <h2>{{ dayText(slot.from) }}, {{ clockText(slot.from) }} to {{ clockText(slot.to) }}</h2>
      <ol>
        <li v-for="step in slot.steps.slice(0, MOST)" :key="step.vehicle + step.id">
          <div class="row spread">
            <span>
              <RouterLink :to="belowVehicle(step.vehicle, step.path)">{{ step.title }}</RouterLink>
              <span class="small soft">
                · {{ step.nickname }} · {{ hours(step.hours)
                }}<template v-if="step.needs.length > 0"> · {{ step.needs.join(', ') }}</template></span
              >
            </span>
            <KitButton
              v-if="session.canWork && step.kind !== 'decide' && step.kind !== 'order' && step.kind !== 'check'"
              small
              :disabled="form.busy.value"
              @click="done(step)"
              >Done</KitButton
            >
          </div>
        </li>
      </ol>
      <p v-if="slot.steps.length > MOST" class="small soft">and {{ slot.steps.length - MOST }} more.</p>
    </article>
  </section>
</template>

<style scoped>
.tonight {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 26rem), 1fr));
  gap: 0.8rem;
  margin-bottom: 1.2rem;
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
li {
  min-height: 44px;
  padding: 0.15rem 0;
}
.spread {
  flex-wrap: nowrap;
  align-items: flex-start;
  gap: 0.6rem;
}
.bad {
  color: var(--alarm);
}
</style>
