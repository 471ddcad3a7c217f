<script setup lang="ts">
import { computed, ref } from 'vue';
import type { PlannedStep, PlanView } from '@aspecta/contract/plan';
import ChartView from '../charts/ChartView.vue';
import { sayOf } from '../job/useJob.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { put } from '../shell/api.ts';
import { dayOf, today } from '../shell/days.ts';
import { useForm } from '../shell/useForm.ts';
import { barsChart, momentOn } from './planScene.ts';

/* The steps as bars over the days: one is dragged to a later day, the rest goes round it; held back ones are let go below. */
const props = defineProps<{
  vehicle: string;
  view: PlanView;
  dayText: (iso: string) => string;
  canWork: boolean;
}>();
const emit = defineEmits<{ saved: [] }>();
const form = useForm();
const chart = computed(() => barsChart(props.view, props.dayText));
/** Why a step stays where it is. */
const stays = ref('');
/** What goes by the clock, or is on its way, is moved by nobody here. */
const movable = (index: number) => props.canWork && props.view.steps[index]?.by !== null;
const held = computed(() => props.view.steps.filter(({ said }) => said?.notBefore));

const keep = async (step: PlannedStep, notBefore: string | null) => {
  stays.value = '';
  if (await form.submit(() => put(`/vehicles/${props.vehicle}/job/said`, sayOf(step, { notBefore })))) emit('saved');
};
async function move(index: number, x: number): Promise<void> {
  const step = props.view.steps[index]!;
  const day = today(new Date(momentOn(props.view, x)));
  const begins = today(new Date(step.pieces[0]![0]));
  if (day === begins) return;
  const first = today(new Date(props.view.from));
  if (day > begins || (step.said?.notBefore && day > first)) await keep(step, day);
  else if (step.said?.notBefore) await keep(step, null);
  else stays.value = `“${step.title}” cannot begin before ${dayOf(begins)}. ${step.why.join(' ')}`.trim();
}
</script>

<template>
  <section>
    <p v-if="canWork" class="small soft">
      Drag a bar to a later day, and what waits for it follows. Under All steps and why the same is said by its day.
    </p>
    <KitNotice v-if="stays">{{ stays }}</KitNotice>
    <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
    <p v-for="step in held" :key="step.id" class="row spread held">
      <span
        >{{ step.title }}: <strong>not before {{ dayOf(step.said!.notBefore!) }}</strong
        >, as was said.</span
      >
      <KitButton
        v-if="canWork"
        small
        :disabled="form.busy.value"
        :aria-label="`Let it go: ${step.title}`"
        @click="keep(step, null)"
        >Let it go</KitButton
      >
    </p>
    <ChartView :chart="chart" :movable="canWork ? movable : undefined" @moved="move" />
  </section>
</template>

<style scoped>
.held {
  max-width: 900px;
  margin: 0.3rem 0;
}
</style>
