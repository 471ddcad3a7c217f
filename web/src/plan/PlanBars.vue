<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { PlannedStep, PlanView } from '@aspecta/contract/plan';
import ChartView from '../charts/ChartView.vue';
import { sayOf } from '../job/useJob.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { put } from '../shell/api.ts';
import { dayOf, daysText, today } from '../shell/days.ts';
import { useForm } from '../shell/useForm.ts';
import { barsOf, momentOn, spanFor, WAITS, type Span } from './bars.ts';
import BarsChoice from './BarsChoice.vue';
import { useReplan } from './useReplan.ts';

/* The steps as bars over the days: one is dragged to a later day, and the rest goes round it at once; held back ones are let go below. */
const props = defineProps<{
  vehicle: string;
  view: PlanView;
  dayText: (iso: string) => string;
  canWork: boolean;
}>();
const emit = defineEmits<{ saved: [] }>();
const form = useForm();
const replan = useReplan(() => props.view);
const span = ref<Span>(spanFor(props.view.from, props.view.finish));
const rows = ref<'step' | 'person'>('step');
const shown = (steps: readonly PlannedStep[], end?: number) =>
  barsOf(steps, {
    end,
    from: props.view.from,
    span: span.value,
    title: 'When each step is done',
    dayText: props.dayText,
    ...(rows.value === 'person' ? { row: ({ by }: PlannedStep) => by ?? WAITS } : {}),
  });
const lie = computed(() => shown(props.view.steps));
/** Days and rows stay where they are while a bar is dragged over them. */
const drawn = computed(() => {
  const rowsOf = new Set(lie.value.bars.map(({ step }) => step.id));
  return shown(
    replan.steps.value.filter(({ id }) => rowsOf.has(id)),
    lie.value.chart.x.max,
  );
});
/** Why a step stays where it is. */
const stays = ref('');
/** What goes by the clock, or is on its way, is moved by nobody here; a step by the bar with which it begins. */
const movable = (index: number) => {
  const bar = lie.value.bars[index];
  return props.canWork && bar !== undefined && bar.first && bar.step.by !== null;
};
const held = computed(() => props.view.steps.filter(({ said }) => said?.notBefore));
/** Between letting go and the new plan, the bars stay as they were dragged. */
let letGo = false;
watch(
  () => props.view,
  () => {
    letGo = false;
    replan.back();
  },
);

const keep = async (step: PlannedStep, notBefore: string | null) => {
  stays.value = '';
  letGo = true;
  if (await form.submit(() => put(`/vehicles/${props.vehicle}/job/said`, sayOf(step, { notBefore })))) emit('saved');
  else replan.back();
};
/** What is dragged: it stays the same step when the plan changes meanwhile. */
let dragged: PlannedStep | null = null;
function drag(at: { index: number; x: number } | null): void {
  if (!at) {
    // Letting go says first that nothing is dragged, and then where it was let go.
    setTimeout(() => {
      dragged = null;
      if (!letGo) replan.back();
    });
    return;
  }
  letGo = false;
  dragged ??= lie.value.bars[at.index]!.step;
  void replan.to(dragged, Math.max(at.x, 0));
}
async function move(index: number, x: number): Promise<void> {
  const step = dragged ?? lie.value.bars[index]!.step;
  const day = today(new Date(momentOn(props.view.from, x)));
  const begins = today(new Date(step.pieces[0]![0]));
  if (day === begins) return;
  const first = today(new Date(props.view.from));
  if (day > begins || (step.said?.notBefore && day > first)) await keep(step, day);
  else if (step.said?.notBefore) await keep(step, null);
  else stays.value = `“${step.title}” cannot begin before ${dayOf(begins)}. ${step.why.join(' ')}`.trim();
}
const endText = computed(() => {
  const end = replan.end.value;
  if (!end) return '';
  const days = Math.abs(end.days) < 1 ? 'less than a day' : daysText(Math.abs(end.days));
  return `All done then by ${dayOf(end.at)}${end.days === 0 ? ', as before' : `: ${days} ${end.days > 0 ? 'later' : 'sooner'}`}.`;
});
</script>

<template>
  <section>
    <BarsChoice v-model:span="span" v-model:rows="rows" :kinds="{ step: 'Step by step', person: 'By person' }" />
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
    <p v-if="endText || replan.refused.value" class="then" role="status">
      <span>{{ replan.refused.value || endText }}</span>
    </p>
    <ChartView :chart="drawn.chart" :movable="canWork ? movable : undefined" @moved="move" @dragging="drag" />
    <p v-if="lie.more > 0" class="small soft">
      {{ lie.more }} more begin after these{{ rows === 'step' ? '; by person all of them are shown' : '' }}.
    </p>
  </section>
</template>

<style scoped>
.held {
  max-width: 900px;
  margin: 0.3rem 0;
}
/* Stays in sight while a bar far down is dragged, and moves nothing when it comes. */
.then {
  position: sticky;
  top: 0.4rem;
  z-index: 2;
  display: flex;
  justify-content: flex-end;
  height: 0;
  margin: 0;
  overflow: visible;
}
.then span {
  height: fit-content;
  padding: 0.3rem 0.6rem;
  font-weight: 500;
  background: var(--card);
  border: 1px solid var(--line-strong);
  border-left: 5px solid var(--mark);
}
</style>
