<script setup lang="ts">
import { computed, ref } from 'vue';
import type { JobView, StepSay, StepView } from '@aspecta/contract/job';
import { isPast } from '@aspecta/core/job';
import CarHead from '../car/CarHead.vue';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitProgress from '../kit/KitProgress.vue';
import CautionList from '../shell/CautionList.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import { get } from '../shell/api.ts';
import { useInAddress } from '../shell/inAddress.ts';
import { useSession } from '../shell/session.ts';
import { hours } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import OwnStepForm from './OwnStepForm.vue';
import SignOff from './SignOff.vue';
import StepRow from './StepRow.vue';
import { SHOWN, useJob, type Shown } from './useJob.ts';

/* What has to be done at this car, in which order, and why: every decision as its steps. */
const props = defineProps<{ id: string }>();
const session = useSession();
const job = useJob(props.id);
const { view, steps, form } = job;
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan, repairs }, jobs] = await Promise.all([
    car.ready(again),
    get<JobView>(`/vehicles/${props.id}/job`),
  ]);
  view.value = jobs;
  return { vehicle, plan, repairs };
});
car.keepFresh(load);
const count = (shown: Shown) => steps.value.filter(SHOWN[shown]).length;
const options = computed(() => [
  { value: 'ready' as const, label: `Now (${count('ready')})` },
  { value: 'waits' as const, label: `Waits (${count('waits')})` },
  { value: 'done' as const, label: `Done (${count('done')})` },
  { value: 'all' as const, label: `All (${steps.value.length})` },
]);
const shown = useInAddress<Shown>(
  'show',
  () => 'ready',
  () => ['ready', 'waits', 'done', 'all'],
);
const allDone = computed(() => steps.value.every(({ state }) => isPast(state)));
const listed = computed(() => steps.value.filter(SHOWN[shown.value]));
const share = computed(() => (view.value && view.value.hours > 0 ? 1 - view.value.left / view.value.hours : 0));
/** Which step was spoken of last: a refusal stands there. */
const spoken = ref<string | null>(null);
async function say(step: StepView, change: Partial<StepSay>): Promise<void> {
  spoken.value = step.id;
  await job.say(step, change);
}
async function clock(step: StepView, run: boolean, drop: boolean): Promise<void> {
  spoken.value = step.id;
  await job.clock(step, run, drop);
}
const adding = ref(false);
const editing = ref<StepView | null>(null);
</script>

<template>
  <Waiting :of="load" what="The job">
    <main v-if="load.data.value && view" class="page">
      <CarHead :vehicle="load.data.value.vehicle" title="Job" question="What has to be done, in which order, and why?">
        <KitButton v-if="steps.length > 0" :to="`/vehicles/${id}/plan`">When is it ready?</KitButton>
        <KitButton v-if="steps.length > 0" :to="`/vehicles/${id}/whole`">Or order it all?</KitButton>
        <KitButton v-if="session.canWork" @click="adding = true">Add a step</KitButton>
      </CarHead>
      <p v-if="steps.length === 0" class="tile soft">
        There is no work yet. Draw damage on a panel and decide what is done about it: every decision becomes its steps.
        <RouterLink :to="`/vehicles/${id}`">To the Board</RouterLink>
      </p>
      <template v-else>
        <div class="figures">
          <div>
            <p class="figure">{{ hours(view.left) }}</p>
            <p class="soft small">left of {{ hours(view.hours) }} of work, as decided and as said</p>
          </div>
          <div>
            <p class="figure">{{ count('ready') }}</p>
            <p class="soft small">to do, under way or blocked</p>
          </div>
        </div>
        <KitProgress :share="share" label="Work that is done" />
        <p v-if="view.pace" class="small">
          {{ view.pace.steps }} {{ view.pace.steps === 1 ? 'step' : 'steps' }} took {{ hours(view.pace.spent) }} where
          {{ hours(view.pace.planned) }} were reckoned<template v-if="view.pace.left !== null"
            >: at this pace {{ hours(view.pace.left) }} are left</template
          >. <RouterLink to="/learnt">Learnt</RouterLink>
        </p>
        <KitChips v-model="shown" legend="Which steps" hide-legend :options="options" />
        <KitNotice v-if="form.rest('hours', 'spent', 'notBefore', 'until', 'reason', 'title', 'after', 'drop')" bad>{{
          form.rest('hours', 'spent', 'notBefore', 'until', 'reason', 'title', 'after', 'drop')
        }}</KitNotice>
        <SignOff
          :vehicle="id"
          :plan="load.data.value.plan"
          :repairs="load.data.value.repairs.filter((repair) => view!.toSignOff.includes(repair.id))"
          :can-work="session.canWork"
          @signed="load.reload()"
        />
        <p v-if="listed.length === 0" class="tile soft">
          <template v-if="allDone && shown === 'ready'"
            >All that was decided is done.
            <RouterLink :to="`/vehicles/${id}/record`">To the record</RouterLink></template
          >
          <template v-else-if="shown === 'ready'">Nothing can be done now; under Waits it says for what.</template>
          <template v-else>Nothing of this kind.</template>
        </p>
        <div class="steps">
          <StepRow
            v-for="step in listed"
            :key="step.id"
            :step="step"
            :vehicle="id"
            :can-work="session.canWork"
            :busy="form.busy.value"
            :errors="spoken === step.id ? form.errors : {}"
            @say="say(step, $event)"
            @clock="(run, drop) => clock(step, run, drop)"
            @edit="editing = step"
            @remove="job.takeAway(step.id)"
          />
        </div>
        <KitCollapse>
          <template #title>Before you begin</template>
          <CautionList step="cut" />
        </KitCollapse>
      </template>
      <OwnStepForm v-if="adding" :job="job" :step="null" @close="adding = false" />
      <OwnStepForm v-if="editing" :job="job" :step="editing" @close="editing = null" />
    </main>
  </Waiting>
</template>

<style scoped>
.page > :deep(.tile),
.page > :deep(.chips) {
  margin-top: 0.8rem;
}
.figures {
  display: flex;
  gap: 2.5rem;
  margin-bottom: 0.6rem;
  flex-wrap: wrap;
}
.steps {
  display: grid;
  gap: 0.75rem;
  margin: 1rem 0;
  max-width: 1100px;
}
</style>
