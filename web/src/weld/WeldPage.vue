<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, reactive, ref, shallowRef } from 'vue';
import { Pause, Play } from 'lucide-vue-next';
import { useRouter } from 'vue-router';
import { weldDefaults, type WeldPlanView, type WeldSettingsInput } from '@aspecta/contract/weld';
import { panelOf } from '@aspecta/core/body';
import { isLetIn } from '@aspecta/core/verdict';
import { crumbsTo } from '../car/crumbs.ts';
import DecisionLine from '../car/DecisionLine.vue';
import RepairChoice from '../car/RepairChoice.vue';
import { useVehicle } from '../car/useVehicle.ts';
import ChartView from '../charts/ChartView.vue';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSlider from '../kit/KitSlider.vue';
import KitTable from '../kit/KitTable.vue';
import { ApiProblem, get, put } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { clock, duration, timeOf, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import CautionsDialog from './CautionsDialog.vue';
import { heatChart } from './heatChart.ts';
import WeldSheet from './WeldSheet.vue';

const props = defineProps<{ id: string; repair: string }>();
const session = useSession();
const router = useRouter();
const units = useUnits();
const form = useForm();
const view = shallowRef<WeldPlanView | null>(null);
const input = reactive<WeldSettingsInput>({ ...weldDefaults });
const warm = ref(units.heat.typed(weldDefaults.handWarm));
const at = ref(0);
const playing = ref(false);
const reading = ref(false);
/** Welding has begun, and it is laid out anew all the same. */
const anew = ref(false);
const reason = ref('');
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan: body, repairs }, repair, plan] = await Promise.all([
    car.ready(again),
    car.repair(props.repair),
    get<WeldPlanView | null>(`/repairs/${props.repair}/weld`),
  ]);
  // Settings that are being chosen stay when the server has come back with the same plan.
  if (plan && plan.version === view.value?.version) view.value = plan;
  else if (plan) show(plan);
  const others = repairs.filter(({ choice }) => isLetIn(choice));
  return { vehicle, repair, body, others, panel: panelOf(body, repair.panel) };
});
const warmth = computed(() => heatChart(view.value!.plan, view.value!.input.handWarm, units.heat));
function show(plan: WeldPlanView): void {
  view.value = plan;
  Object.assign(input, plan.input);
  warm.value = units.heat.typed(plan.input.handWarm);
  at.value = Math.min(plan.done.length, plan.plan.steps.length);
  anew.value = false;
  reason.value = '';
}
async function layOut(): Promise<void> {
  await form.submit(async () => {
    try {
      show(
        await put<WeldPlanView>(`/repairs/${props.repair}/weld`, {
          ...input,
          handWarm: units.heat.read(warm.value),
          reason: reason.value,
          version: view.value?.version ?? 0,
        }),
      );
    } catch (error) {
      if (error instanceof ApiProblem && error.code === 'conflict') {
        show(error.body.current as WeldPlanView);
        throw new Error('Somebody else has laid the plan out anew; it is shown as it is now.', { cause: error });
      }
      throw error;
    }
  });
}
const steps = computed(() => view.value?.plan.steps ?? []);
const current = computed(() => steps.value[at.value - 1] ?? null);
const begun = computed(() => (view.value?.done.length ?? 0) > 0);
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
const STRATEGIES = [
  { value: 'coolest', label: 'Coolest place next' },
  { value: 'skip', label: 'Skip' },
  { value: 'backstep', label: 'Backstep' },
  { value: 'continuous', label: 'Along the seam' },
] as const;
</script>

<template>
  <Waiting :of="load" what="The weld plan">
    <StationFrame
      v-if="load.data.value"
      :crumbs="[
        ...crumbsTo(load.data.value.vehicle, load.data.value.panel),
        { text: 'Cut', to: `/vehicles/${id}/repairs/${repair}/cut` },
      ]"
      title="Weld"
      :next="
        view
          ? {
              text: begun
                ? `Go on at the bench with step ${Math.min(view.done.length + 1, steps.length)} of ${steps.length}`
                : 'Read the cautions and begin at the bench',
            }
          : { text: 'Lay out the tacks and stitches' }
      "
      @next="view ? bench() : layOut()"
    >
      <template #sheet>
        <WeldSheet
          v-if="view"
          :panel="load.data.value.panel"
          :view="view"
          :look-of="lookOf"
          tapes
          :label="`The order of welding on ${load.data.value.panel.name}`"
        />
        <div v-else class="empty"><p>No plan yet. Choose the settings on the card and lay the joint out.</p></div>
        <div v-if="view" class="player" data-own-pointer>
          <KitButton :aria-label="playing ? 'Stop' : 'Play the sequence'" @click="play">
            <component :is="playing ? Pause : Play" :size="20" />
          </KitButton>
          <KitSlider v-model="at" label="Step" hide-label :max="steps.length" />
          <span class="mono small">{{ at }} / {{ steps.length }}</span>
        </div>
      </template>
      <template #card>
        <div class="stack">
          <RepairChoice
            :vehicle="id"
            :repair="repair"
            :repairs="load.data.value.others"
            :plan="load.data.value.body"
            station="weld"
          />
          <DecisionLine :vehicle="id" :repair="load.data.value.repair" />
          <KitNotice v-if="view?.moved" bad>
            The line is not any more where these steps were laid out for.
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
                {{ view.plan.tacks }} tacks and {{ view.plan.stitches }} stitches on
                {{ units.length(view.plan.seamLength) }} of joint: {{ clock(view.plan.arcTime) }} of arc,
                {{ duration(view.plan.waitTime) }} of waiting. No stitch starts above
                {{ units.heat.text(view.plan.hottestStart) }}. An estimate for a large plate in still air: feel the
                metal.
              </p>
            </div>
            <KitNotice quiet v-if="current">
              <p>
                <strong class="mono">{{ current.n }}</strong> {{ units.said(current.text)
                }}<template v-if="current.temperature !== null"
                  >{{ ' ' }}<span class="soft">at about {{ units.heat.text(current.temperature) }}</span></template
                ><template v-if="current.wait > 0"
                  >{{ ' ' }}<span class="soft">after {{ clock(current.wait) }} of cooling</span></template
                >
              </p>
            </KitNotice>
            <KitTable>
              <tbody>
                <tr>
                  <td>Tack current</td>
                  <td class="num">{{ view.plan.settings.tackCurrent }} A</td>
                </tr>
                <tr>
                  <td>Seam current, a fifth less</td>
                  <td class="num">{{ view.plan.settings.seamCurrent }} A</td>
                </tr>
                <tr>
                  <td>Voltage</td>
                  <td class="num">{{ view.plan.settings.volts }} V</td>
                </tr>
                <tr>
                  <td>{{ view.input.process === 'mig' ? 'Wire' : 'Filler rod' }}</td>
                  <td class="num">{{ units.sheet(view.plan.settings.filler) }}</td>
                </tr>
                <tr>
                  <td>Gas</td>
                  <td>{{ view.plan.settings.gas }}, {{ units.said(`${view.plan.settings.gasFlow} l/min`) }}</td>
                </tr>
              </tbody>
            </KitTable>
            <KitCollapse title="How warm it gets"><ChartView :chart="warmth" /></KitCollapse>
            <p v-for="note in view.plan.settings.notes" :key="note" class="small soft">{{ units.said(note) }}</p>
            <p v-if="view.acknowledged" class="small soft">Cautions read by {{ view.acknowledged.by }}.</p>
            <KitButton main v-if="session.canWork" @click="bench">
              {{ begun ? 'Go on at the bench' : 'Begin at the bench' }}
            </KitButton>
          </template>
          <KitButton v-if="session.canWork && begun && !anew" plain @click="anew = true">Lay it out anew …</KitButton>
          <form v-if="session.canWork && (!begun || anew)" class="stack" @submit.prevent="layOut">
            <KitField
              v-if="begun"
              v-slot="{ bind }"
              label="Why is it laid out anew?"
              :hint="`The ${view!.done.length} welds that are done stay as they are noted`"
              :error="form.errors['reason']"
              ><KitInput v-bind="bind" v-model="reason"
            /></KitField>
            <KitChips
              v-model="input.process"
              legend="Process"
              :options="[
                { value: 'mig', label: 'MIG' },
                { value: 'tig', label: 'TIG' },
              ]"
            />
            <KitChips
              v-model="input.position"
              legend="Position"
              :options="[
                { value: 'flat', label: 'Flat' },
                { value: 'vertical', label: 'Vertical' },
                { value: 'overhead', label: 'Overhead' },
              ]"
            />
            <KitChips v-model="input.strategy" legend="Order" :options="STRATEGIES" />
            <KitField
              v-slot="{ bind }"
              :label="`Weld again below, ${units.heat.word.value}`"
              :hint="`${units.heat.text(50)} can be touched`"
              :error="form.errors['handWarm']"
              ><KitInput mono v-bind="bind" v-model="warm" inputmode="decimal"
            /></KitField>
            <KitNotice bad v-if="form.rest('handWarm', 'reason')">
              {{ form.rest('handWarm', 'reason') }}
            </KitNotice>
            <KitButton submit :main="!view" :disabled="form.busy.value">
              {{ form.busy.value ? 'Working it out …' : view ? 'Lay out anew' : 'Lay out tacks and stitches' }}
            </KitButton>
          </form>
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

<style scoped>
.empty {
  position: absolute;
  inset: 0;
  display: grid;
  place-items: center;
  padding: 2rem;
  color: var(--ink-soft);
}
.player {
  position: absolute;
  left: 2.2rem;
  bottom: 0.5rem;
  right: 10.5rem;
  display: flex;
  gap: 0.6rem;
  align-items: center;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 10px;
  padding: 0.3rem 0.6rem;
}
</style>
