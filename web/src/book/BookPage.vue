<script setup lang="ts">
import { computed, ref } from 'vue';
import ChartView from '../charts/ChartView.vue';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import BookDrawing from './BookDrawing.vue';
import KeepInCar from './KeepInCar.vue';
import { markedText, unitOf } from './fields.ts';
import { calculationNotes } from './notes.ts';
import OutlineFiles from './OutlineFiles.vue';
import type { BookPage as BookPageOf } from './page.ts';
import RunningBar from '../shell/RunningBar.vue';
import { answerIn, drawingIn } from './saidIn.ts';
import { useBook } from './useBook.ts';

/* One calculation: what is known, the piece drawn, the answer large, reason and source beneath. */
const props = defineProps<{ page: BookPageOf }>();
const session = useSession();
const book = useBook(props.page);
const { write, typed, errors, general, result, of, progress, stopped, shown } = book;
const answer = computed(() =>
  result.value === null ? null : answerIn(props.page.answer(result.value as never, of.value, write), write),
);
const drawing = computed(() => {
  const drawn = result.value === null ? undefined : props.page.draw?.(result.value as never, of.value, write);
  return drawn ? drawingIn(drawn, write) : null;
});
const chart = computed(() =>
  result.value === null ? undefined : props.page.chart?.(result.value as never, of.value, write),
);
/** A label with the unit of a bare number in its field. */
function labelOf(field: BookPageOf['fields'][number]): string {
  const unit = unitOf(field, write.person);
  return unit ? `${field.label}, ${unit}` : field.label;
}
/** What is said beneath a field, in the person's units. */
const hintOf = (hint?: string) => hint && write.said(hint.replace('{unit}', write.unit === 'in' ? 'inches' : 'mm'));
const notes = calculationNotes(props.page.calc);
const broken = computed(() => Object.values(errors).some(Boolean));
const keeping = ref(false);
const copied = ref(false);
/** What stands in a field, with its unit: it means the same wherever it is read. */
function given(key: string): string {
  const field = props.page.fields.find((one) => one.key === key)!;
  const text = typed[key] ?? '';
  return field.kind === 'lines'
    ? text
        .split('\n')
        .map((line) => markedText({ ...field, kind: 'length' }, line, write))
        .join('\n')
    : markedText(field, text, write);
}
const link = () => window.location.href;
async function copy(): Promise<void> {
  await navigator.clipboard?.writeText(link()).catch(() => undefined);
  copied.value = true;
}
</script>

<template>
  <StationFrame :crumbs="[{ text: 'Bench book', to: '/book' }]" :title="page.title">
    <template #tools>
      <KitButton small @click="copy">{{ copied ? 'Link copied' : 'Copy the link' }}</KitButton>
      <KitButton small @click="book.reset()">Usual values</KitButton>
    </template>
    <template #sheet>
      <div class="bench" :class="{ stale: broken }">
        <div v-if="answer" class="answer" aria-live="polite">
          <p class="figure">{{ answer.figure }}</p>
          <p>{{ answer.sentence }}</p>
        </div>
        <BookDrawing v-if="drawing" class="grow" :drawing="drawing" />
        <div v-if="chart" class="grow charted"><ChartView :chart="chart" :height="340" /></div>
      </div>
    </template>
    <template #card>
      <form class="stack" @submit.prevent="book.again()">
        <p class="soft small">To {{ write.said(page.wants) }}.</p>
        <template v-for="field in shown" :key="field.key">
          <KitChips
            v-if="field.kind === 'choice' && field.options"
            :model-value="typed[field.key] ?? ''"
            :legend="field.label"
            :options="field.options.map(({ value, label }) => ({ value, label: write.said(label) }))"
            @update:model-value="typed[field.key] = $event"
          />
          <KitField
            v-else
            v-slot="{ bind }"
            :label="labelOf(field)"
            :error="errors[field.key] && write.said(errors[field.key]!)"
            :hint="hintOf(field.hint)"
          >
            <KitInput
              mono
              v-if="field.kind === 'lines'"
              v-bind="bind"
              v-model="typed[field.key]"
              rows="5"
              spellcheck="false"
            />
            <KitInput
              mono
              v-else
              v-bind="bind"
              v-model="typed[field.key]"
              autocomplete="off"
              :inputmode="
                field.kind === 'text' || field.kind === 'length' || field.kind === 'sheet' ? 'text' : 'decimal'
              "
            />
          </KitField>
        </template>
      </form>
      <RunningBar :progress="progress" :stopped="stopped" @stop="book.stop()" @again="book.again()" />
      <KitNotice bad v-if="general">{{ write.said(general) }}</KitNotice>
      <p v-if="broken && answer" class="small soft">The answer shown belongs to the last values that could be read.</p>
      <dl v-if="answer && answer.rows.length > 0" class="rows">
        <template v-for="row in answer.rows" :key="row.name + row.text"
          ><dt>{{ row.name }}</dt>
          <dd class="mono">{{ row.text }}</dd></template
        >
      </dl>
      <div class="row actions">
        <OutlineFiles
          v-if="page.outline && answer"
          :name="page.key"
          :title="page.title"
          :cut="page.outline(result as never)"
          :mark="page.marks?.(result as never) ?? []"
        />
        <KitButton small v-if="session.canWork && answer" @click="keeping = true">Use in a car</KitButton>
      </div>
      <KitNotice quiet v-if="notes.cautions.length > 0" class="small">
        <p v-for="caution in notes.cautions" :key="caution">{{ caution }}</p>
      </KitNotice>
      <p class="small soft source">{{ write.said(notes.question) }} By {{ notes.sources.join('; ') }}.</p>
      <p class="small soft">
        <RouterLink :to="`/book/figures/${page.calc}`">By figures</RouterLink> ·
        <span class="mono">{{ page.calc }}</span>
      </p>
      <KeepInCar
        v-if="keeping && answer"
        :text="`${page.title}: ${answer.figure}. ${answer.sentence}`"
        :figures="answer.rows.map(({ name, text }) => `${name} ${text}`)"
        :link="link()"
        :price="page.price?.(of) ?? null"
        :into="page.into?.(given) ?? null"
        @close="keeping = false"
      />
    </template>
  </StationFrame>
</template>

<style scoped>
.bench {
  position: absolute;
  inset: 0;
  display: flex;
  flex-direction: column;
}
.answer {
  flex: none;
  padding: 0.7rem 1.1rem 0;
}
@media (max-width: 640px) {
  .answer {
    padding: 0.4rem 0.8rem 0;
    font-size: 0.92rem;
    line-height: 1.3;
  }
  .answer .figure {
    font-size: 1.7rem;
  }
}
.answer p {
  margin: 0;
}
.charted {
  overflow: auto;
  padding: 0.4rem 1.1rem 1rem;
}
.stale {
  opacity: 0.45;
}
.rows {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0.25rem 0.8rem;
  margin: 0.9rem 0;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
  text-align: right;
  overflow-wrap: anywhere;
  max-width: 15rem;
}
.notice p {
  margin: 0 0 0.3rem;
}
.actions {
  gap: 0.5rem;
  flex-wrap: wrap;
  margin: 0.6rem 0;
}
.source {
  margin-top: 0.8rem;
}
</style>
