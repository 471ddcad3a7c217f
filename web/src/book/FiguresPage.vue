<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { CalculationView } from '@aspecta/contract/calc';
import KitButton from '../kit/KitButton.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import StationFrame from '../shell/StationFrame.vue';
import { listBook, runBook } from '../workers/bookBridge.ts';
import RunningBar from './RunningBar.vue';
import { fieldsOf } from './schemaFields.ts';

/* Any calculation of the catalogue by its figures: JSON in, JSON out, as on the command line. */
const props = defineProps<{ id: string }>();
const entry = shallowRef<CalculationView | null>(null);
const missing = ref(false);
const input = ref('');
const output = ref('');
const took = ref<number | null>(null);
const wrong = ref<string | null>(null);
const progress = ref<number | null>(null);
const stopped = ref(false);
let stop: () => void = () => undefined;
const shelf = `aspecta.figures.${props.id}`;
void listBook().then((all) => {
  entry.value = all.find(({ id }) => id === props.id) ?? null;
  missing.value = entry.value === null;
  input.value = localStorage.getItem(shelf) ?? JSON.stringify(entry.value?.example ?? {}, null, 2);
});
const inputs = computed(() => fieldsOf(entry.value?.input));
const outputs = computed(() => fieldsOf(entry.value?.output));

async function run(): Promise<void> {
  wrong.value = null;
  stopped.value = false;
  let given: unknown;
  try {
    given = JSON.parse(input.value);
  } catch (error) {
    wrong.value = `This is no JSON: ${(error as Error).message}`;
    return;
  }
  localStorage.setItem(shelf, input.value);
  progress.value = 0;
  // What the worker told before it was stopped may still arrive.
  const running = runBook(props.id, given, (share) => progress.value !== null && (progress.value = share));
  stop = running.stop;
  const answer = await running.answer;
  progress.value = null;
  if (answer === null) stopped.value = true;
  else if ('result' in answer) {
    took.value = answer.took;
    output.value = JSON.stringify(answer.result, null, 2);
  } else if ('problem' in answer) wrong.value = `${answer.problem.field}: ${answer.problem.detail}`;
  else wrong.value = answer.failure;
}
</script>

<template>
  <main v-if="missing" class="page">
    <h1>No such calculation</h1>
    <p>There is none called “{{ id }}”. <RouterLink to="/book">To the Bench book</RouterLink></p>
  </main>
  <StationFrame v-else :crumbs="[{ text: 'Bench book', to: '/book' }]" :title="entry?.title ?? id" wide>
    <template #sheet>
      <form class="io" @submit.prevent="run">
        <label for="given">Input, JSON</label>
        <KitInput mono id="given" v-model="input" spellcheck="false" rows="14" />
        <div class="row">
          <KitButton submit main :disabled="progress !== null">Compute</KitButton>
          <KitButton @click="input = JSON.stringify(entry?.example ?? {}, null, 2)"> The worked example </KitButton>
        </div>
        <RunningBar :progress="progress" :stopped="stopped" @stop="stop()" @again="run" />
        <KitNotice bad v-if="wrong">{{ wrong }}</KitNotice>
      </form>
    </template>
    <template #card>
      <div class="stack">
        <p>{{ entry?.question }}</p>
        <section v-if="output !== ''" aria-label="Answer">
          <p class="eyebrow">Answer{{ took === null ? '' : `, in ${Math.round(took)} ms` }}</p>
          <pre class="mono" tabindex="0">{{ output.length > 20_000 ? `${output.slice(0, 20_000)}\n…` : output }}</pre>
        </section>
        <section aria-label="What goes in">
          <p class="eyebrow">What goes in</p>
          <dl>
            <template v-for="field in inputs" :key="field.name"
              ><dt class="mono">{{ field.name }}{{ field.optional ? '?' : '' }}</dt>
              <dd>{{ field.text }}</dd></template
            >
          </dl>
        </section>
        <section aria-label="What comes out">
          <p class="eyebrow">What comes out</p>
          <dl>
            <template v-for="field in outputs" :key="field.name"
              ><dt class="mono">{{ field.name }}</dt>
              <dd>{{ field.text }}</dd></template
            >
          </dl>
        </section>
        <KitNotice quiet v-for="caution in entry?.cautions ?? []" :key="caution" class="small">{{ caution }}</KitNotice>
        <p class="small soft">
          By {{ entry?.sources.join('; ') }}. <span class="mono">aspecta calc {{ id }} &lt; in.json</span>
        </p>
      </div>
    </template>
  </StationFrame>
</template>

<style scoped>
.io {
  position: absolute;
  inset: 0;
  padding: 1rem;
  display: flex;
  flex-direction: column;
  gap: 0.6rem;
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
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.2rem 0.8rem;
  margin: 0;
}
dd {
  margin: 0;
  color: var(--ink-soft);
}
</style>
