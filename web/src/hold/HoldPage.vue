<script setup lang="ts">
import { computed, ref } from 'vue';
import { STAND_WORDS, STANDS, type HoldView, type Stand } from '@aspecta/contract/hold';
import { panelOf } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';
import { gapPlaces } from '@aspecta/core/hold';
import { crumbsTo } from '../car/crumbs.ts';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import KitTabs from '../kit/KitTabs.vue';
import CautionList from '../shell/CautionList.vue';
import { get } from '../shell/api.ts';
import { useInAddress } from '../shell/inAddress.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import PanelSheet from '../sheet/PanelSheet.vue';
import SheetView from '../sheet/SheetView.vue';
import BracesCard from './BracesCard.vue';
import FigureSheet from './FigureSheet.vue';
import GapsCard from './GapsCard.vue';
import OtherLengths from './OtherLengths.vue';
import TapesCard from './TapesCard.vue';
import { useHold } from './useHold.ts';

/* Is it square, and has it moved: tapes, braces and gaps of a car. */
const props = defineProps<{ id: string }>();
const session = useSession();
const car = useVehicle(props.id);
const hold = useHold(props.id);
const { view, form } = hold;
const load = useLoad(async (again) => {
  const [{ vehicle, plan }, held] = await Promise.all([car.ready(again), get<HoldView>(`/vehicles/${props.id}/hold`)]);
  view.value = held;
  return { vehicle, plan };
});
type Tab = 'tapes' | 'braces' | 'gaps';
const tab = useInAddress<Tab>(
  'tab',
  () => 'tapes',
  () => ['tapes', 'braces', 'gaps'],
);
const figureId = useInAddress('figure', () => view.value?.figures[0]?.id ?? '');
const figure = computed(
  () => view.value?.figures.find(({ id }) => id === figureId.value) ?? view.value?.figures[0] ?? null,
);
const OTHER = 'other';
const roundId = useInAddress('round', () => view.value?.rounds.at(-1)?.id ?? '');
const round = computed(
  () => view.value?.rounds.find(({ id }) => id === roundId.value) ?? view.value?.rounds.at(-1) ?? null,
);
const now = computed(() => round.value?.figures.find((one) => one.figure === figure.value?.id) ?? null);
const braces = computed(() => {
  const inside = (view.value?.braces ?? []).filter((one) => one.outAt === null && one.figure === figure.value?.id);
  const wanted = (view.value?.proposals ?? [])
    .filter((one) => one.figure === figure.value?.id)
    .flatMap((one) => one.braces)
    .filter(({ ends }) => !inside.some((brace) => ends.every((end) => brace.ends.includes(end))));
  return [
    ...inside.map(({ ends }) => ({ ends, fitted: true })),
    ...wanted.map(({ ends }) => ({ ends, fitted: false })),
  ];
});
const figureOptions = computed(() => [
  ...(view.value?.figures ?? []).map(({ id, name }) => {
    const stand = round.value?.figures.find((one) => one.figure === id);
    const word =
      !stand || stand.taken === 0 ? '' : stand.next === null ? ' – all taken' : ` – ${stand.taken} of ${stand.of}`;
    return { value: id, label: `${name}${word}` };
  }),
  { value: OTHER, label: 'Heights, and measures of my own' },
]);
/* A new measurement. */
const beginning = ref<{ name: string; stand: Stand } | null>(null);
const usualName = () => ((view.value?.rounds.length ?? 0) === 0 ? 'Before the first cut' : 'Check');
async function begin(): Promise<void> {
  if (!beginning.value) return;
  const id = newId();
  if (!(await hold.begin({ id, ...beginning.value }))) return;
  roundId.value = id;
  beginning.value = null;
}
/* A point of one's own: named, then tapped on the drawing. */
const adding = ref<string | null>(null);
async function tap(at: Point): Promise<void> {
  if (adding.value === null || !figure.value) return;
  const name = adding.value.trim();
  if (name.length < 2) return;
  if (await hold.addPoint({ id: newId(), name, figure: figure.value.id, at: [at[0], at[1]] })) adding.value = null;
}
const ownPoints = computed(() =>
  (view.value?.points ?? []).filter((point) => point.own && figure.value?.points.includes(point.id)),
);
/* The part whose gaps are read. */
const part = ref<string | null>(null);
const gapPanel = computed(() => {
  const plan = load.data.value?.plan;
  const hung = plan?.frame?.hung.find(({ id }) => id === part.value) ?? plan?.frame?.hung[0];
  return plan && hung ? panelOf(plan, hung.panel) : null;
});
const ROOM = 90;
const gapBox = computed(() => {
  const { minU, minV, maxU, maxV } = boxOf(gapPanel.value!.outline);
  return { minU: minU - ROOM, minV: minV - ROOM, maxU: maxU + ROOM, maxV: maxV + ROOM };
});
const word = computed(() => {
  if (!view.value || !round.value) return 'Nothing is measured yet.';
  const left = round.value.figures.reduce((sum, one) => sum + one.of - one.taken, 0);
  return round.value.finished
    ? 'Finished.'
    : left === 0
      ? 'All tapes are there.'
      : `${left} tapes could still be taken.`;
});
</script>

<template>
  <Waiting :of="load" what="How it holds its shape">
    <StationFrame v-if="load.data.value && view" :crumbs="crumbsTo(load.data.value.vehicle)" title="Hold">
      <template #sheet>
        <SheetView
          v-if="tab === 'gaps' && gapPanel"
          :box="gapBox"
          tapes
          :label="`${gapPanel.name}, with the places where its gaps are read.`"
        >
          <PanelSheet :panel="gapPanel" plain />
          <template #over="{ place }">
            <g v-for="one in gapPlaces(gapPanel)" :key="one.id" :transform="`translate(${place(one.at).join(' ')})`">
              <circle r="6" class="dot" /><title>{{ one.name }}</title>
              <text
                class="name"
                :x="one.normal[0] * -14"
                :y="one.normal[1] * 16 + 4"
                :text-anchor="one.normal[0] < -0.5 ? 'start' : one.normal[0] > 0.5 ? 'end' : 'middle'"
                >{{ one.name.split(', ')[1] }}</text
              >
            </g>
          </template>
        </SheetView>
        <FigureSheet
          v-else-if="figure"
          :key="figure.id"
          :view="view"
          :plan="load.data.value.plan"
          :figure="figure"
          :now="now"
          :braces="braces"
          :adding="adding !== null && adding.trim().length >= 2"
          @tap="tap"
        />
      </template>
      <template #card>
        <h2 class="question">Is it square, and has it moved?</h2>
        <KitTabs
          v-model="tab"
          legend="What is looked at"
          :options="[
            { value: 'tapes', label: 'Tapes' },
            { value: 'braces', label: 'Braces' },
            { value: 'gaps', label: 'Gaps' },
          ]"
        />
        <KitNotice v-if="view.figures.length === 0">
          <p>This body has no measuring points. Heights and measures of your own can still be kept.</p>
        </KitNotice>
        <div v-if="tab === 'tapes'" class="stack">
          <KitNotice v-if="view.out.length > 0 && !view.rounds[0]?.finished" bad>
            <p>
              Metal that carries load is to be cut ({{
                view.out.map((panel) => panelOf(load.data.value!.plan, panel).name).join(', ')
              }}). Measure before the first cut: afterwards nothing tells what it was.
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
            <KitField v-slot="{ bind }" label="Figure"
              ><KitSelect v-bind="bind" v-model="figureId"
                ><option v-for="one in figureOptions" :key="one.value" :value="one.value">
                  {{ one.label }}
                </option></KitSelect
              ></KitField
            >
            <OtherLengths
              v-if="figureId === OTHER || !figure"
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
                <div v-if="figure && figureId !== OTHER" class="stack">
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
            Points whose places are known, and as few tapes between them as check each other. Taken before the first cut
            and again at any time, they show what has moved.
          </p>
          <KitButton
            v-if="session.canWork"
            :main="!round"
            @click="beginning = { name: usualName(), stand: round?.stand ?? 'stands' }"
            >{{ round ? 'Measure again' : 'Begin a measurement' }}</KitButton
          >
        </div>
        <BracesCard
          v-else-if="tab === 'braces'"
          :hold="hold"
          :view="view"
          :can-work="session.canWork"
          @show="figureId = $event"
        />
        <GapsCard
          v-else-if="load.data.value.plan.frame"
          :hold="hold"
          :view="view"
          :plan="load.data.value.plan"
          :can-work="session.canWork"
          @part="part = $event"
        />
        <KitCollapse title="Before you cut">
          <CautionList step="cut" />
        </KitCollapse>
        <KitDialog v-if="beginning" title="A measurement of the car" @close="beginning = null">
          <form class="stack" @submit.prevent="begin">
            <KitField v-slot="{ bind }" label="Name" :error="form.errors['name']"
              ><KitInput v-bind="bind" v-model="beginning.name"
            /></KitField>
            <KitField
              v-slot="{ bind }"
              label="How it stands"
              hint="It is measured again standing the same way, and level."
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
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.question {
  font-size: 1.15rem;
  margin: 0 0 0.5rem;
}
.dot {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 2.5;
}
.name {
  font: 11px var(--mono);
  fill: var(--ink-soft);
}
</style>
