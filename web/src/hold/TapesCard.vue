<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import type { FigureView, HoldView, RoundView } from '@aspecta/contract/hold';
import { apart } from '@aspecta/core/hold';
import KitButton from '../kit/KitButton.vue';
import KitChecks from '../kit/KitChecks.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { newId } from '../shell/newId.ts';
import { useUnits } from '../shell/units.ts';
import { cureText, letterOf, movementText } from './holdScene.ts';
import type { Hold } from './useHold.ts';

/* One figure of one measurement: the tape that comes next, what does not fit, what has moved. */
const props = defineProps<{
  hold: Hold;
  view: HoldView;
  round: RoundView;
  figure: FigureView;
  canWork: boolean;
}>();
const units = useUnits();
const { form } = props.hold;
const now = computed(() => props.round.figures.find(({ figure }) => figure === props.figure.id)!);
const point = (id: string) => props.view.points.find((one) => one.id === id)!;
const first = computed(() => props.view.rounds[0]!);
const isFirst = computed(() => first.value.id === props.round.id);
/** The tape that a person has chosen to take, before the one that would come next. */
const chosen = ref<[string, string] | null>(null);
const asked = computed(() => chosen.value ?? now.value.doubtful[0] ?? now.value.next);
const isAgain = computed(() => asked.value !== null && taken(asked.value) !== undefined);
const taken = ([a, b]: readonly [string, string], round = props.round) =>
  round.tapes.find(({ kind, from, to }) => kind === 'tape' && [from, to].includes(a) && [from, to].includes(b));
/** About how long it should be: as it was the first time, else by the body's drawing. */
const about = computed(() => {
  if (!asked.value) return '';
  const was = isFirst.value ? undefined : taken(asked.value, first.value)?.length;
  return was === undefined
    ? `By the drawing of the body about ${units.length(apart(point(asked.value[0]), point(asked.value[1])))}; every car differs.`
    : `It was ${units.length(was)} the first time.`;
});
const text = ref('');
const wrong = ref<string | null>(null);
const input = ref<{ focus: () => void }>();
watch([() => asked.value?.join(), () => props.round.id], () => {
  text.value = '';
  wrong.value = null;
});
async function keep(): Promise<void> {
  if (!asked.value) return;
  const mm = units.read(text.value);
  wrong.value = mm === null ? units.noLength() : null;
  if (mm === null) return;
  const [from, to] = asked.value;
  const title = `Tape ${letters(asked.value)} of ${props.figure.name}: ${units.length(mm)}`;
  if (!(await props.hold.tape(props.round.id, { id: newId(), kind: 'tape', from, to, length: mm }, title))) return;
  chosen.value = null;
  text.value = '';
  await nextTick();
  input.value?.focus();
}
/** Something stands between the two points: another tape takes the place of this one. */
async function inTheWay(): Promise<void> {
  const [from, to] = asked.value!;
  const title = `Something is in the way of ${letters([from, to])}, ${props.figure.name}`;
  if (await props.hold.tape(props.round.id, { id: newId(), kind: 'barred', from, to, length: 0 }, title))
    chosen.value = null;
}
const letters = (pair: readonly [string, string]) => pair.map((id) => letterOf(props.figure, id)).join('–');
const rows = computed(() => props.figure.tapes.map((pair) => ({ pair, tape: taken(pair) })));
const beyond = computed(() => (now.value.moved ?? []).filter((one) => one.beyond));
const most = computed(() => Math.max(0, ...(now.value.moved ?? []).map(({ by }) => Math.hypot(...by))));
const keptHere = computed({
  get: () => props.figure.points.filter((id) => props.round.kept.includes(id)),
  set: (ids: string[]) => {
    const others = props.round.kept.filter((id) => !props.figure.points.includes(id));
    void props.hold.change(props.round, { kept: [...others, ...ids] });
  },
});
const said = (mm: number) => units.length(mm);
</script>

<template>
  <div class="stack">
    <form v-if="asked && canWork && !round.finished" class="ask" @submit.prevent="keep">
      <p class="eyebrow">{{ isAgain ? 'Take this one again' : `Tape ${now.taken + 1} of ${now.of}` }}</p>
      <p class="big mono">{{ letters(asked) }}</p>
      <p>
        From <strong>{{ point(asked[0]).name }}</strong> to <strong>{{ point(asked[1]).name }}</strong>.
        <span class="soft">{{ about }}</span>
      </p>
      <KitField v-slot="{ bind }" :label="`Length in ${units.word.value}`" :error="wrong ?? form.errors['length']"
        ><KitInput ref="input" v-bind="bind" v-model="text" mono inputmode="text" autocomplete="off"
      /></KitField>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Keep</KitButton>
        <KitButton v-if="chosen" @click="chosen = null">Not this one</KitButton>
        <KitButton :disabled="form.busy.value" plain @click="inTheWay">Something is in the way</KitButton>
      </div>
    </form>
    <KitNotice v-if="now.doubtful.length > 0" bad>
      <p>
        {{ now.doubtful.length === 1 ? 'One tape does' : 'One of these tapes does' }} not fit the others:
        {{ now.doubtful.map(letters).join(', ') }}. Take {{ now.doubtful.length === 1 ? 'it' : 'them' }} again.
      </p>
    </KitNotice>
    <KitNotice v-else-if="now.next === null && !('open' in now.held)">
      <p>All {{ now.of }} tapes are there, and they fit each other.</p>
    </KitNotice>
    <p v-if="form.rest('length', 'reason', 'readings', 'name', 'hung')" class="bad">
      {{ form.rest('length', 'reason', 'readings', 'name', 'hung') }}
    </p>
    <section v-if="now.moved" class="moved">
      <h2>Has it moved?</h2>
      <p class="figure" :class="{ alarm: beyond.length > 0 }">{{ said(most) }}</p>
      <p v-if="beyond.length === 0" class="small">
        at most. No point has moved by more than {{ said(view.mayMove) }} and its doubt.
      </p>
      <ul v-else class="small">
        <li v-for="one in beyond" :key="one.id">
          <strong>{{ letterOf(figure, one.id) }}, {{ point(one.id).name }}</strong
          >: {{ movementText(view, figure, one.by, said) }} (± {{ said(2 * one.sd) }}). To bring it back, move it
          {{ cureText(view, figure, one.by, said) }}.
        </li>
      </ul>
      <p class="small soft">The arrows are drawn 25 times as long.</p>
      <KitCollapse title="Points nobody has touched">
        <KitChecks
          v-model="keptHere"
          legend="Laid over each other by these"
          :options="figure.points.map((id) => ({ value: id, label: `${letterOf(figure, id)}, ${point(id).name}` }))"
        />
      </KitCollapse>
    </section>
    <p v-if="'open' in now.held && now.next === null && now.taken > 0" class="small">
      {{ units.said(now.held.open) }}
    </p>
    <KitCollapse v-if="figure.barred.length > 0" :title="`In the way: ${figure.barred.length}`">
      <ul class="plain">
        <li v-for="one in figure.barred" :key="one.id" class="row spread">
          <span class="mono">{{ letters(one.ends) }}</span>
          <KitButton v-if="canWork" small plain @click="hold.takeBack(one.round, one.id)">It is free now</KitButton>
        </li>
      </ul>
    </KitCollapse>
    <KitCollapse :title="`All tapes: ${now.taken} of ${now.of}`" :open="round.finished">
      <ul class="plain">
        <li v-for="{ pair, tape } in rows" :key="pair.join()" class="row spread">
          <span
            ><span class="mono">{{ letters(pair) }}</span>
            <strong v-if="tape" class="mono"> {{ said(tape.length) }}</strong><span v-else class="soft"> not yet</span
            ><span v-if="tape && tape.before.length > 0" class="small soft">
              (before: {{ tape.before.map(said).join(', ') }})</span
            ></span
          >
          <span v-if="canWork && !round.finished" class="row">
            <KitButton small plain @click="chosen = pair">{{ tape ? 'Again' : 'Take it' }}</KitButton>
            <KitButton v-if="tape" small plain @click="hold.takeBack(round.id, tape.id)">Take back</KitButton>
          </span>
        </li>
      </ul>
    </KitCollapse>
  </div>
</template>

<style scoped>
.ask {
  border-left: 5px solid var(--mark);
  padding-left: 0.8rem;
  display: grid;
  gap: 0.4rem;
}
.ask p {
  margin: 0;
}
.big {
  font-size: 2.2rem;
  font-weight: 600;
  line-height: 1.1;
}
.alarm {
  color: var(--alarm);
}
.plain li {
  min-height: 44px;
}
.moved h2 {
  font-size: 1.05rem;
}
</style>
