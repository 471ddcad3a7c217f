<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { CalculationView } from '@aspecta/contract/calc';
import KitButton from '../../kit/KitButton.vue';
import KitCollapse from '../../kit/KitCollapse.vue';
import KitInput from '../../kit/KitInput.vue';
import KitNotice from '../../kit/KitNotice.vue';
import { useSession } from '../../shell/session.ts';
import StationFrame from '../../shell/StationFrame.vue';
import { useUnits } from '../../shell/units.ts';
import { listBook, runBook } from '../../workers/bookBridge.ts';
import KeepInCar from '../KeepInCar.vue';
import RunningBar from '../../shell/RunningBar.vue';
import FigureAnswer from './FigureAnswer.vue';
import FigureField from './FigureField.vue';
import { figuresOf, type Schema } from './shape.ts';
import { draftOf, recordOf, Unreadable, type Draft, type DraftRecord } from './text.ts';
import { inOneLine, told } from './told.ts';

/* Any calculation of the catalogue by its figures: a form made from what it says of itself; for scripts also as JSON. */
const props = defineProps<{ id: string }>();
const units = useUnits();
const session = useSession();
const entry = shallowRef<CalculationView | null>(null);
const missing = ref(false);
const draft = shallowRef<DraftRecord>({});
const result = shallowRef<Record<string, unknown> | null>(null);
const took = ref(0);
const wrong = ref<{ field: string; text: string } | null>(null);
const progress = ref<number | null>(null);
const stopped = ref(false);
const keeping = ref(false);
/** The input as JSON while it is written that way; null while the form is. */
const json = ref<string | null>(null);
let stop: () => void = () => undefined;
const shelf = `aspecta.figures.${props.id}`;
const tongue = computed(() => ({ length: units.unit.value, heat: units.person.value.heat }));
const inputs = computed(() => figuresOf(entry.value?.input as Schema | undefined));
const outputs = computed(() => figuresOf(entry.value?.output as Schema | undefined));

function fill(given: Record<string, unknown>): void {
  draft.value = Object.fromEntries(
    inputs.value.map((figure) => [figure.key, draftOf(figure.shape, given[figure.key], tongue.value)]),
  );
}
void listBook().then((all) => {
  entry.value = all.find(({ id }) => id === props.id) ?? null;
  missing.value = entry.value === null;
  fill(stored() ?? entry.value?.example ?? {});
});
/** What was computed last on this device. */
function stored(): Record<string, unknown> | null {
  try {
    return JSON.parse(localStorage.getItem(shelf) ?? 'null') as Record<string, unknown> | null;
  } catch {
    return null;
  }
}
const answer = computed(() =>
  result.value
    ? told(outputs.value, result.value, {
        length: units.length,
        area: units.area,
        money: units.money,
        heat: units.heat.text,
      })
    : null,
);

function given(): Record<string, unknown> {
  if (json.value === null) return recordOf(inputs.value, draft.value, tongue.value, '');
  try {
    return JSON.parse(json.value) as Record<string, unknown>;
  } catch (error) {
    throw new Unreadable('', `This is no JSON: ${(error as Error).message}`);
  }
}
async function run(): Promise<void> {
  // Before its fields are known there is nothing to compute with, and nothing to keep.
  if (!entry.value) return;
  wrong.value = null;
  stopped.value = false;
  let input: Record<string, unknown>;
  try {
    input = given();
  } catch (error) {
    wrong.value = { field: (error as Unreadable).field ?? '', text: (error as Error).message };
    return;
  }
  localStorage.setItem(shelf, JSON.stringify(input));
  progress.value = 0;
  // What the worker told before it was stopped may still arrive.
  const running = runBook(props.id, input, (share) => progress.value !== null && (progress.value = share));
  stop = running.stop;
  const out = await running.answer;
  progress.value = null;
  if (out === null) stopped.value = true;
  else if ('result' in out) {
    took.value = out.took;
    result.value = out.result as Record<string, unknown>;
  } else if ('problem' in out) wrong.value = { field: out.problem.field, text: units.said(out.problem.detail) };
  else wrong.value = { field: '', text: out.failure };
}
const errorAt = (key: string) =>
  wrong.value && new RegExp(`^${key}(\\W|$)`).test(wrong.value.field) ? wrong.value.text : null;
const elsewhere = computed(() =>
  wrong.value && (json.value !== null || !inputs.value.some(({ key }) => errorAt(key))) ? wrong.value.text : null,
);
const set = (key: string, value: Draft) => (draft.value = { ...draft.value, [key]: value });
function asJson(): void {
  if (json.value !== null) {
    try {
      fill(given());
      json.value = null;
      wrong.value = null;
    } catch (error) {
      wrong.value = { field: '', text: (error as Error).message };
    }
    return;
  }
  try {
    json.value = JSON.stringify(given(), null, 2);
  } catch (error) {
    wrong.value = { field: (error as Unreadable).field, text: (error as Error).message };
  }
}
function example(): void {
  json.value = null;
  wrong.value = null;
  fill(entry.value?.example ?? {});
}
const link = computed(() => `${location.origin}/book/figures/${props.id}`);
</script>

<template>
  <main v-if="missing" class="page">
    <h1>No such calculation</h1>
    <p>There is none called “{{ id }}”. <RouterLink to="/book">To the Bench book</RouterLink></p>
  </main>
  <StationFrame v-else :crumbs="[{ text: 'Bench book', to: '/book' }]" :title="entry?.title ?? id" wide>
    <template #sheet>
      <form class="io" @submit.prevent="run">
        <KitInput v-if="json !== null" v-model="json" mono aria-label="Input, JSON" spellcheck="false" rows="16" />
        <template v-else>
          <FigureField
            v-for="figure in inputs"
            :key="figure.key"
            :figure="figure"
            :error="errorAt(figure.key)"
            :model-value="draft[figure.key] ?? ''"
            @update:model-value="set(figure.key, $event)"
          />
        </template>
        <KitNotice bad v-if="elsewhere">{{ elsewhere }}</KitNotice>
        <div class="row">
          <KitButton submit main :disabled="!entry || progress !== null">Compute</KitButton>
          <KitButton @click="example">The worked example</KitButton>
          <KitButton plain :aria-pressed="json !== null" @click="asJson">As JSON</KitButton>
        </div>
        <RunningBar :progress="progress" :stopped="stopped" @stop="stop()" @again="run" />
      </form>
    </template>
    <template #card>
      <div class="stack">
        <p>{{ entry?.question }}</p>
        <section v-if="answer" aria-label="Answer">
          <p class="eyebrow">Answer, in {{ Math.round(took) }} ms</p>
          <FigureAnswer :answer="answer" />
          <div class="row">
            <KitButton v-if="session.canWork" small @click="keeping = true">Use in a car</KitButton>
          </div>
          <KitCollapse title="As JSON">
            <pre class="mono" tabindex="0">{{ JSON.stringify(result, null, 2).slice(0, 40_000) }}</pre>
          </KitCollapse>
        </section>
        <KitNotice quiet v-for="caution in entry?.cautions ?? []" :key="caution" class="small">{{ caution }}</KitNotice>
        <p class="small soft">
          By {{ entry?.sources.join('; ') }}. <span class="mono">aspecta calc {{ id }} &lt; in.json</span>
        </p>
      </div>
      <KeepInCar
        v-if="keeping && answer"
        :text="inOneLine(entry!.title, answer)"
        :link="link"
        :price="null"
        @close="keeping = false"
      />
    </template>
  </StationFrame>
</template>

<style scoped>
.io {
  position: absolute;
  inset: 0;
  overflow: auto;
  padding: 1rem;
  display: flex;
  flex-direction: column;
  gap: 0.8rem;
}
.io > * {
  flex: none;
}
pre {
  margin: 0;
  max-height: 24rem;
  overflow: auto;
  font-size: 0.85rem;
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 0.6rem;
}
</style>
