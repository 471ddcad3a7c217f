<script setup lang="ts">
import { computed, ref } from 'vue';
import {
  STAND_WORDS,
  STANDS,
  type CornerTape,
  type FigureView,
  type HoldView,
  type RoundView,
  type Stand,
} from '@aspecta/contract/hold';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import CornersCard from './CornersCard.vue';
import OtherLengths from './OtherLengths.vue';
import { CORNERS, OTHER } from './holdScene.ts';
import TapesCard from './TapesCard.vue';
import type { Hold } from './useHold.ts';

/* Measurements of the car: which one, which figure of it, what is still to be taken; begun, finished, taken away. */
const props = defineProps<{
  hold: Hold;
  view: HoldView;
  plan: BodyPlan;
  round: RoundView | null;
  figure: FigureView | null;
  /** Lengths of an opening that come from elsewhere, as they are typed. */
  corners: Partial<Record<CornerTape, string>>;
}>();
const figureId = defineModel<string>('figureId', { required: true });
const roundId = defineModel<string>('roundId', { required: true });
/** Name of the opening that is measured by its four corners. */
const opening = defineModel<string>('opening', { required: true });
/** Name of a point of one's own that is waited for on the drawing. */
const adding = defineModel<string | null>('adding', { required: true });
const session = useSession();
const { form } = props.hold;
const figureOptions = computed(() => [
  ...props.view.figures.map(({ id, name }) => {
    const stand = props.round?.figures.find((one) => one.figure === id);
    const word =
      !stand || stand.taken === 0 ? '' : stand.next === null ? ' – all taken' : ` – ${stand.taken} of ${stand.of}`;
    return { value: id, label: `${name}${word}` };
  }),
  { value: CORNERS, label: 'An opening by its four corners' },
  { value: OTHER, label: 'Heights, and measures of my own' },
]);
/* A new measurement. */
const beginning = ref<{ name: string; stand: Stand } | null>(null);
const usualName = () => (props.view.rounds.length === 0 ? 'Before the first cut' : 'Check');
async function begin(): Promise<void> {
  if (!beginning.value) return;
  const id = newId();
  if (!(await props.hold.begin({ id, ...beginning.value }))) return;
  roundId.value = id;
  beginning.value = null;
}
const ownPoints = computed(() =>
  props.view.points.filter((point) => point.own && props.figure?.points.includes(point.id)),
);
const word = computed(() => {
  if (!props.round) return 'Nothing is measured yet.';
  const left = props.round.figures.reduce((sum, one) => sum + one.of - one.taken, 0);
  return props.round.finished
    ? 'Finished.'
    : left === 0
      ? 'All tapes are there.'
      : `${left} tapes could still be taken.`;
});
</script>

<template>
  <div class="stack">
    <KitNotice v-if="view.out.length > 0 && !view.rounds[0]?.finished" bad>
      <p>
        Metal that carries load is to be cut ({{ view.out.map((panel) => panelOf(plan, panel).name).join(', ') }}).
        Measure before the first cut: afterwards nothing tells what it was.
      </p>
    </KitNotice>
    <div v-if="round" class="stack">
      <KitField v-if="view.rounds.length > 1" v-slot="{ bind }" label="Measurement"
        ><KitSelect v-bind="bind" :model-value="round.id" @update:model-value="roundId = String($event)"
          ><option v-for="one in view.rounds" :key="one.id" :value="one.id">{{ one.name }}</option></KitSelect
        ></KitField
      >
      <p class="small">
        <strong>{{ round.name }}</strong>, {{ STAND_WORDS[round.stand].toLowerCase() }}. {{ word }}
      </p>
      <KitNotice v-if="round.restood" quiet>
        <p>
          It stood {{ STAND_WORDS[round.restood].toLowerCase() }} at the measurement before: what has moved since may be
          the moving itself. Take all tapes again before anything is cut or welded.
        </p>
      </KitNotice>
      <KitField v-slot="{ bind }" label="Figure"
        ><KitSelect v-bind="bind" v-model="figureId"
          ><option v-for="one in figureOptions" :key="one.value" :value="one.value">
            {{ one.label }}
          </option></KitSelect
        ></KitField
      >
      <CornersCard
        v-if="figureId === CORNERS"
        :key="round.id"
        v-model:opening="opening"
        :hold="hold"
        :view="view"
        :round="round"
        :given="corners"
        :can-work="session.canWork"
      />
      <OtherLengths
        v-else-if="figureId === OTHER || !figure"
        :hold="hold"
        :view="view"
        :round="round"
        :can-work="session.canWork"
      />
      <TapesCard
        v-else
        :key="figure.id"
        :hold="hold"
        :view="view"
        :round="round"
        :figure="figure"
        :can-work="session.canWork"
      />
      <KitCollapse v-if="session.canWork" title="More of this measurement">
        <div class="stack">
          <KitButton :disabled="form.busy.value" @click="hold.change(round, { finished: !round.finished })">{{
            round.finished ? 'Open it again' : 'That is all: it is finished'
          }}</KitButton>
          <div v-if="figure && figureId !== OTHER && figureId !== CORNERS" class="stack">
            <KitField
              v-slot="{ bind }"
              label="A point of my own"
              :hint="adding ? 'Now tap where it lies on the drawing.' : 'Name it, then tap the drawing.'"
              :error="form.errors['name']"
              ><KitInput v-bind="bind" :model-value="adding ?? ''" @update:model-value="adding = $event"
            /></KitField>
            <KitButton v-if="adding !== null" small plain @click="adding = null">No point after all</KitButton>
            <div v-for="point in ownPoints" :key="point.id" class="row spread">
              <span>{{ point.name }}</span>
              <KitButton small plain @click="hold.removePoint(point.id)">Take it away</KitButton>
            </div>
          </div>
          <KitButton plain :disabled="form.busy.value" @click="hold.takeAway(round.id)"
            >Take this measurement away</KitButton
          >
        </div>
      </KitCollapse>
    </div>
    <p v-else class="soft">
      Points whose places are known, and as few tapes between them as check each other. Taken before the first cut and
      again at any time, they show what has moved.
    </p>
    <KitButton
      v-if="session.canWork"
      :main="!round"
      @click="beginning = { name: usualName(), stand: round?.stand ?? 'stands' }"
      >{{ round ? 'Measure again' : 'Begin a measurement' }}</KitButton
    >
    <KitDialog v-if="beginning" title="A measurement of the car" @close="beginning = null">
      <form class="stack" @submit.prevent="begin">
        <KitField v-slot="{ bind }" label="Name" :error="form.errors['name']"
          ><KitInput v-bind="bind" v-model="beginning.name"
        /></KitField>
        <KitField v-slot="{ bind }" label="How it stands" hint="It is measured again standing the same way, and level."
          ><KitSelect v-bind="bind" v-model="beginning.stand"
            ><option v-for="stand in STANDS" :key="stand" :value="stand">
              {{ STAND_WORDS[stand] }}
            </option></KitSelect
          ></KitField
        >
        <div class="row">
          <KitButton submit main :disabled="form.busy.value">Begin</KitButton>
          <KitButton @click="beginning = null">Cancel</KitButton>
        </div>
      </form>
    </KitDialog>
  </div>
</template>
