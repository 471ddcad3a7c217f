<script setup lang="ts">
import { reactive, ref } from 'vue';
import { useRoute } from 'vue-router';
import type { FitRoundInput, FitView } from '@aspecta/contract/fit';
import { USUAL_GAP } from '@aspecta/core/hold';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { newId } from '../shell/newId.ts';
import { useUnits } from '../shell/units.ts';

/* What is read at one trial fit: gaps and steps place by place, gaps of what hangs beside it, and what was done. */
const props = defineProps<{
  view: FitView;
  /** What hangs beside the piece, by name: its gaps are looked at too. */
  hung: readonly string[];
  busy: boolean;
  noteError: string | null;
}>();
const emit = defineEmits<{ read: [round: FitRoundInput]; cancel: [] }>();
const route = useRoute();
/** The place that is looked at on the drawing. */
const picked = defineModel<string | null>('picked', { required: true });
const units = useUnits();
const draft = reactive<{ gaps: Record<string, string>; flush: Record<string, string>; note: string }>({
  gaps: {},
  flush: {},
  note: '',
});
/** What was typed elsewhere, one after another along the places. */
const given = typeof route.query['gaps'] === 'string' ? route.query['gaps'].split(';') : [];
props.view.places.forEach(({ id }, i) => {
  if (given[i]) draft.gaps[id] = given[i];
});
const gapOf = (name: string) => ({ name, gap: '', wanted: units.typed(USUAL_GAP) });
const beside = reactive(props.hung.map(gapOf));
const wrong = ref<Record<string, string>>({});
const addBeside = () => beside.push(gapOf(''));
function typed() {
  const bad: Record<string, string> = {};
  const read = (field: string, text: string): number => {
    const mm = units.read(text);
    if (mm === null) bad[field] = units.noLength();
    return mm ?? 0;
  };
  const readings = props.view.places.flatMap(({ id }) => {
    const [gap, flush] = [draft.gaps[id]?.trim() ?? '', draft.flush[id]?.trim() ?? ''];
    if (gap === '' && flush === '') return [];
    if (gap === '') bad[`gap ${id}`] = 'Read the gap as well; 0 where there is none.';
    return [
      {
        place: id,
        gap: gap === '' ? 0 : read(`gap ${id}`, gap),
        flush: flush === '' ? null : read(`flush ${id}`, flush),
      },
    ];
  });
  const neighbours = beside
    .filter(({ name, gap }) => gap.trim() !== '' || (name.trim() !== '' && !props.hung.includes(name)))
    .map(({ name, gap, wanted }, i) => {
      if (name.trim().length < 2) bad[`name ${i}`] = 'Say which gap it is, as “door to quarter, top”.';
      return { name: name.trim(), gap: read(`beside ${i}`, gap), wanted: read(`wanted ${i}`, wanted) };
    });
  if (readings.length === 0 && Object.keys(bad).length === 0) bad['readings'] = 'Read the gap at one place at least.';
  wrong.value = bad;
  return Object.keys(bad).length > 0 ? null : { id: newId(), readings, neighbours, note: draft.note };
}
function send(): void {
  const round = typed();
  if (round) emit('read', round);
}
</script>

<template>
  <form class="stack" @submit.prevent="send">
    <p class="small soft">
      With {{ hung.length > 0 ? hung.join('; ') : 'the neighbours' }} hung and shut, screws or pins at every second old
      weld. Leave out what you cannot read. Where edges meet, {{ units.fine(view.wanted) }} is wanted; sheets that lie
      on each other have no gap.
    </p>
    <KitNotice v-if="given.length > 0"
      ><p>
        The gaps come from the Bench book, in the order of the places: look whether each stands where you read it.
      </p></KitNotice
    >
    <div v-for="(place, i) in view.places" :key="place.id" class="place" :class="{ picked: picked === place.id }">
      <p class="small">
        <strong class="mono">{{ i + 1 }}</strong> {{ view.joints[place.joint]!.name }},
        <span class="soft">{{ units.length(place.mm) }} from the {{ place.end }}</span>
      </p>
      <div class="two">
        <KitField v-slot="{ bind }" label="Gap" :error="wrong[`gap ${place.id}`]"
          ><KitInput v-bind="bind" v-model="draft.gaps[place.id]!" mono autocomplete="off" @focus="picked = place.id"
        /></KitField>
        <KitField v-slot="{ bind }" label="Proud (−low)" :error="wrong[`flush ${place.id}`]"
          ><KitInput v-bind="bind" v-model="draft.flush[place.id]!" mono autocomplete="off" @focus="picked = place.id"
        /></KitField>
      </div>
    </div>
    <div v-for="(one, i) in beside" :key="i" class="place">
      <KitField v-slot="{ bind }" label="What hangs beside it" :error="wrong[`name ${i}`]"
        ><KitInput v-bind="bind" v-model="one.name" placeholder="Door to quarter, top"
      /></KitField>
      <div class="two">
        <KitField v-slot="{ bind }" label="Gap" :error="wrong[`beside ${i}`]"
          ><KitInput v-bind="bind" v-model="one.gap" mono
        /></KitField>
        <KitField v-slot="{ bind }" label="Wanted" :error="wrong[`wanted ${i}`]"
          ><KitInput v-bind="bind" v-model="one.wanted" mono
        /></KitField>
      </div>
    </div>
    <KitButton small @click="addBeside">Add a door, lid, glass or lamp</KitButton>
    <KitField v-slot="{ bind }" label="What was clamped, moved or trimmed" :error="noteError"
      ><KitInput v-bind="bind" v-model="draft.note"
    /></KitField>
    <p v-if="wrong['readings']" class="alarm">{{ wrong['readings'] }}</p>
    <div class="row">
      <KitButton submit main :disabled="busy">What does it need?</KitButton>
      <KitButton @click="emit('cancel')">Cancel</KitButton>
    </div>
  </form>
</template>

<style scoped>
.place {
  border-bottom: 1px solid var(--line);
  padding-bottom: 0.4rem;
}
.place.picked {
  border-left: 4px solid var(--mark);
  padding-left: 0.5rem;
}
.place p {
  margin: 0 0 0.2rem;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
  align-items: start;
}
.alarm {
  color: var(--alarm);
}
</style>
