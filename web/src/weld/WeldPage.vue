<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ruleWords } from '@aspecta/contract/shop';
import { STEP_WORDS, type UsualWeld, type WeldPlanView } from '@aspecta/contract/weld';
import { otherSideOf, panelOf } from '@aspecta/core/body';
import { boxOf } from '@aspecta/core/geometry';
import { isCutIn, keepsPanel } from '@aspecta/core/verdict';
import { Download, Thermometer } from 'lucide-vue-next';
import { crumbsTo } from '../car/crumbs.ts';
import DecisionLine from '../car/DecisionLine.vue';
import RepairChoice from '../car/RepairChoice.vue';
import { useVehicle } from '../car/useVehicle.ts';
import ChartView from '../charts/ChartView.vue';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import PanelSheet from '../sheet/PanelSheet.vue';
import SheetView from '../sheet/SheetView.vue';
import StationFrame from '../shell/StationFrame.vue';
import { timeOf } from '../shell/days.ts';
import { clock, duration, useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import BothSides from './BothSides.vue';
import CautionsDialog from './CautionsDialog.vue';
import { heatChart } from './heatChart.ts';
import PlayBar from './PlayBar.vue';
import PullArrows from './PullArrows.vue';
import PullNote from './PullNote.vue';
import SetWelder from './SetWelder.vue';
import StrategyTable from './StrategyTable.vue';
import StepNow from './StepNow.vue';
import { pullsOf } from './weldPull.ts';
import { useWeldPlan } from './useWeldPlan.ts';
import WeldSettings from './WeldSettings.vue';
import WeldSheet from './WeldSheet.vue';
import WeldSupplies from './WeldSupplies.vue';

const props = defineProps<{ id: string; repair: string }>();
const session = useSession();
/** What of the settings is a house rule, as it is called there. */
const ruleNames = ruleWords('mm');
const router = useRouter();
const { query } = useRoute();
const units = useUnits();
const welding = useWeldPlan(props.repair);
const { view, begun, form, input } = welding;
const at = ref(0);
const playing = ref(false);
const top = useTemplateRef<HTMLElement>('top');
const reading = ref(false);
/** Welding has begun, and it is laid out anew all the same. */
const anew = ref(false);
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan: body, repairs }, repair, plan] = await Promise.all([
    car.ready(again),
    car.repair(props.repair),
    get<WeldPlanView | null>(`/repairs/${props.repair}/weld`),
  ]);
  welding.stored(plan);
  if (!plan && session.canWork) welding.usual(await get<UsualWeld | null>(`/repairs/${props.repair}/weld/usual`));
  if (!load.data.value) welding.given(query);
  const others = repairs.filter(({ choice }) => !keepsPanel(choice));
  return { vehicle, repair, body, others, panel: panelOf(body, repair.panel) };
});
car.keepFresh(load);
const warmth = computed(() => heatChart(view.value!.plan, view.value!.input.handWarm, units.heat));
watch(
  () => view.value?.version,
  () => {
    anew.value = false;
    at.value = Math.min(view.value?.done.length ?? 0, steps.value.length);
    // What was laid out is told at the top of the card; the button for it lies far below.
    top.value?.scrollIntoView?.({ block: 'nearest' });
  },
);
/** What the plan is made of, in words: 24 tacks, 17 plugs. */
const counts = computed(() =>
  COUNTED.map((kind) => ({ kind, n: steps.value.filter((step) => step.kind === kind).length }))
    .filter(({ n }) => n > 0)
    .map(({ kind, n }) => `${n} ${n === 1 ? STEP_WORDS[kind][0].toLowerCase() : STEP_WORDS[kind][1]}`)
    .join(', '),
);
const COUNTED = ['bolt', 'tack', 'plug', 'spot', 'stitch', 'hem', 'braze', 'rivet', 'hole'] as const;
/** A weld that was asked for first, or left out; the rest is planned around it. */
const first = (id: string) => welding.layOut({ first: [id, ...input.first.filter((other) => other !== id)] });
const barred = (id: string) =>
  welding.layOut({ barred: [...input.barred, id], first: input.first.filter((other) => other !== id) });
const steps = computed(() => view.value?.plan.steps ?? []);
/** How the plan draws the sheet together, run by run. */
const pulls = computed(() => (view.value ? pullsOf(view.value, load.data.value!.panel) : []));
const showsPull = ref(false);
/** The car has the same panel on its other side. */
const mirrored = computed(() => otherSideOf(load.data.value!.body, load.data.value!.panel) !== null);
const current = computed(() => steps.value[at.value - 1] ?? null);
const lookOf = (n: number) => (n < at.value ? 'done' : n === at.value ? 'now' : 'todo') as 'done' | 'now' | 'todo';

/** ms for each step of the replay, whatever it takes at the bench. */
const FRAME = 260;
let timer: ReturnType<typeof setInterval> | undefined;
function play(): void {
  playing.value = !playing.value;
  clearInterval(timer);
  if (!playing.value) return;
  if (at.value >= steps.value.length) at.value = 0;
  timer = setInterval(() => {
    if (at.value >= steps.value.length) play();
    else at.value++;
  }, FRAME);
}
function bench(): void {
  if (view.value?.acknowledged) void router.push(`/vehicles/${props.id}/repairs/${props.repair}/bench`);
  else reading.value = true;
}
function onKey(event: KeyboardEvent): void {
  if (event.key === ' ' && event.target === document.body) {
    event.preventDefault();
    play();
  }
}
onMounted(() => window.addEventListener('keydown', onKey));
onBeforeUnmount(() => {
  clearInterval(timer);
  window.removeEventListener('keydown', onKey);
});
</script>

<template>
  <Waiting :of="load" what="The weld plan">
    <StationFrame
      v-if="load.data.value"
      :crumbs="[
        ...crumbsTo(load.data.value.vehicle, load.data.value.panel, load.data.value.repair),
        isCutIn(load.data.value.repair.choice)
          ? { text: 'Cut', to: `/vehicles/${id}/repairs/${repair}/cut` }
          : { text: 'Joints', to: `/vehicles/${id}/repairs/${repair}/joints` },
      ]"
      title="Weld"
      :next="
        view
          ? {
              text: begun
                ? `Go on at the bench with step ${Math.min(view.done.length + 1, steps.length)} of ${steps.length}`
                : 'Read the cautions and begin at the bench',
            }
          : { text: 'Lay out every weld in its order' }
      "
      @next="view ? bench() : welding.layOut()"
    >
      <template #sheet>
        <WeldSheet
          v-if="view"
          :panel="load.data.value.panel"
          :view="view"
          :look-of="lookOf"
          tapes
          :label="`The order of welding on ${load.data.value.panel.name}`"
          :bare="showsPull"
          ><template v-if="showsPull" #over="{ place }"><PullArrows :pulls="pulls" :place="place" /></template
        ></WeldSheet>
        <SheetView v-else :box="boxOf(load.data.value.panel.outline)" tapes :label="load.data.value.panel.name">
          <PanelSheet :panel="load.data.value.panel" />
        </SheetView>
        <PlayBar
          v-if="view"
          v-model="at"
          label="Step"
          what="the sequence"
          :playing="playing"
          :max="steps.length"
          :said="`${at} / ${steps.length}`"
          @play="play"
        />
      </template>
      <template #card>
        <div class="stack">
          <span ref="top" />
          <RepairChoice
            :vehicle="id"
            :repair="repair"
            :repairs="load.data.value.others"
            :plan="load.data.value.body"
            station="weld"
          />
          <DecisionLine :vehicle="id" :repair="load.data.value.repair" />
          <p v-if="!view" class="soft">
            No plan yet. Choose how it is welded, and lay its joints out.
            <template v-if="welding.asLast.value?.last"
              >It stands as you welded last: {{ welding.asLast.value.last.panel }},
              {{ welding.asLast.value.last.car }}.</template
            >
            <template v-if="welding.asLast.value && welding.asLast.value.ruled.length > 0">
              By the <RouterLink to="/house">house rules</RouterLink>:
              {{ welding.asLast.value.ruled.map((name) => ruleNames[name]).join(', ') }}.</template
            >
          </p>
          <KitNotice v-if="view?.moved" bad>
            The joints, or the sheet that the piece is cut from, are not any more what these steps were laid out for.
            {{
              begun
                ? 'Go on with them only if the metal is cut as they say; otherwise lay the rest out anew.'
                : 'Lay them out anew.'
            }}
          </KitNotice>
          <template v-if="view">
            <div>
              <p class="eyebrow">In which order, and how long?</p>
              <p class="figure">{{ duration(view.plan.totalTime) }}</p>
              <p class="soft small">
                {{ counts
                }}<template v-if="view.plan.seamLength > 0">
                  on {{ units.length(view.plan.seamLength) }} of seam and {{ view.joints.length }} joints.</template
                ><template v-else>
                  on {{ view.joints.length }} {{ view.joints.length === 1 ? 'joint' : 'joints' }}.</template
                ><template v-if="view.plan.arcTime > 0"
                  >{{ ' ' }}{{ clock(view.plan.arcTime) }} of {{ view.input.process === 'gas' ? 'flame' : 'arc' }},
                  {{ duration(view.plan.waitTime) }} of waiting. No weld starts above
                  {{ units.heat.text(view.plan.hottestStart) }}. An estimate for a large plate in still air: feel the
                  metal.</template
                >
              </p>
            </div>
            <StepNow
              v-if="current"
              :view="view"
              :panel="load.data.value.panel"
              :step="current"
              :change="session.canWork && !begun"
              :busy="form.busy.value"
              @first="first"
              @barred="barred"
            />
            <KitNotice v-if="input.first.length + input.barred.length > 0" quiet>
              <p v-if="input.first.length > 0">
                {{ input.first.length }} {{ input.first.length === 1 ? 'weld comes' : 'welds come' }} first of its
                round, as you said.
              </p>
              <p v-if="input.barred.length > 0">
                {{ input.barred.length }} {{ input.barred.length === 1 ? 'weld is' : 'welds are' }} left out, as you
                said: the joint is weaker by so much.
              </p>
              <KitButton
                v-if="session.canWork && !begun"
                small
                :disabled="form.busy.value"
                @click="welding.layOut({ first: [], barred: [] })"
                >All as planned again</KitButton
              >
            </KitNotice>
            <SetWelder v-if="view.plan.arcTime > 0" :view="view" />
            <WeldSupplies
              v-if="view.plan.supplies"
              :vehicle="id"
              :note="`For the welds on ${load.data.value.panel.name}`"
              :supplies="view.plan.supplies"
              :rod="view.input.process !== 'mig'"
            />
            <KitButton small :href="`/api/repairs/${repair}/weld/card.pdf`" download
              ><Download :size="16" />Weld card for the wall</KitButton
            >
            <KitCollapse v-if="view.plan.stitches > 0" title="Strategies side by side"
              ><StrategyTable :repair="repair" :input="input"
            /></KitCollapse>
            <KitCollapse v-if="mirrored && view.plan.arcTime > 0" title="Both sides in turn"
              ><BothSides :vehicle="id" :repair="repair"
            /></KitCollapse>
            <KitCollapse v-if="pulls.length > 0" title="What it pulls together"
              ><PullNote v-model="showsPull" :pulls="pulls"
            /></KitCollapse>
            <KitButton v-if="view.plan.arcTime > 0" small :to="`/vehicles/${id}/repairs/${repair}/weld/heat`"
              ><Thermometer :size="16" />See the heat, place by place</KitButton
            >
            <KitCollapse v-if="view.plan.arcTime > 0" title="How warm it gets"
              ><ChartView :chart="warmth"
            /></KitCollapse>
            <p v-if="view.acknowledged" class="small soft">Cautions read by {{ view.acknowledged.by }}.</p>
            <KitButton main v-if="session.canWork" @click="bench">
              {{ begun ? 'Go on at the bench' : 'Begin at the bench' }}
            </KitButton>
          </template>
          <KitButton v-if="session.canWork && begun && !anew" plain @click="anew = true">Lay it out anew …</KitButton>
          <WeldSettings v-if="session.canWork && (!begun || anew)" :plan="welding" />
          <p v-else-if="begun" class="small soft">Welding has begun; the order stays as it is.</p>
          <KitCollapse v-if="view && view.earlier.length > 0" :title="`Laid out before (${view.earlier.length})`">
            <ul class="small">
              <li v-for="old in view.earlier" :key="old.at">
                {{ old.done.length }} of {{ old.steps }} steps done, the last by {{ old.done.at(-1)!.by }} on
                {{ timeOf(old.done.at(-1)!.at) }}. Laid out anew by {{ old.by }}: {{ old.reason }}
              </li>
            </ul>
          </KitCollapse>
        </div>
      </template>
    </StationFrame>
    <CautionsDialog
      v-if="reading"
      :repair="repair"
      @close="reading = false"
      @done="router.push(`/vehicles/${id}/repairs/${repair}/bench`)"
    />
  </Waiting>
</template>
