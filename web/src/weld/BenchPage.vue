<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted } from 'vue';
import { STEP_WORDS, type WeldPlanView } from '@aspecta/contract/weld';
import { panelOf, pieceName } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { isHot } from '@aspecta/core/weld';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitProgress from '../kit/KitProgress.vue';
import { get } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { clock, useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import BenchCheck from './BenchCheck.vue';
import OtherBench from './OtherBench.vue';
import { placeWords } from './placeWords.ts';
import { useBench } from './useBench.ts';
import WeldSheet from './WeldSheet.vue';

const props = defineProps<{ id: string; repair: string }>();
const units = useUnits();
const session = useSession();
const bench = useBench(props.repair, props.id);
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan: body }, repair, plan] = await Promise.all([
    car.ready(again),
    car.repair(props.repair),
    get<WeldPlanView | null>(`/repairs/${props.repair}/weld`),
  ]);
  bench.view.value = plan;
  return { vehicle, repair, body, panel: panelOf(body, repair.panel) };
});
const { step, steps, left, done, round } = bench;
const place = computed(() =>
  step.value && bench.view.value && load.data.value
    ? placeWords(bench.view.value, load.data.value.panel, step.value, units.length)
    : '',
);
const lookOf = (n: number) =>
  (done.value.has(n) ? 'done' : n === step.value?.n ? 'now' : 'todo') as 'done' | 'now' | 'todo';
const focus = computed<Point | null>(() =>
  step.value?.from && step.value.to
    ? [(step.value.from[0] + step.value.to[0]) / 2, (step.value.from[1] + step.value.to[1]) / 2]
    : null,
);
const amps = computed(() =>
  step.value?.kind !== 'stitch'
    ? bench.view.value!.plan.settings.tackCurrent
    : bench.view.value!.plan.settings.seamCurrent,
);
function onKey(event: KeyboardEvent): void {
  if (
    event.key !== ' ' ||
    event.repeat ||
    (event.target as HTMLElement).closest('button, a, input, textarea, select, [role=dialog]')
  )
    return;
  event.preventDefault();
  if (left.value === 0) void bench.finish();
}
onMounted(() => window.addEventListener('keydown', onKey));
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));
</script>

<template>
  <Waiting :of="load" what="The bench">
    <main v-if="load.data.value" class="bench">
      <header class="row spread">
        <KitButton :to="`/vehicles/${id}/repairs/${repair}/weld`">Leave the bench</KitButton>
        <h1>{{ pieceName(load.data.value.panel, load.data.value.repair.layers) }}</h1>
        <span class="mono">{{ done.size }} of {{ steps.length }}</span>
      </header>
      <KitNotice v-if="bench.view.value?.moved" bad>
        The joints, or the sheet, were changed after these steps were laid out.
        <RouterLink :to="`/vehicles/${id}/repairs/${repair}/weld`">Lay the rest out anew</RouterLink>, or go on if the
        metal is cut as they say.
      </KitNotice>
      <KitProgress label="Steps done" :share="done.size / Math.max(1, steps.length)" />
      <div v-if="!bench.view.value?.acknowledged" class="middle">
        <p class="words">{{ bench.view.value ? 'Read the cautions first.' : 'There is no weld plan yet.' }}</p>
        <KitButton main :to="`/vehicles/${id}/repairs/${repair}/weld`">To the weld plan</KitButton>
      </div>
      <div v-else-if="!step" class="middle">
        <p class="words">The last weld is done.</p>
        <p>
          Let it cool to the touch. Fire watch: look again in half an hour, also at the far side. Then dress a little at
          a time, and mark the repair as done on the Board.
        </p>
        <KitButton main :to="`/vehicles/${id}/repairs/${repair}/dress`">On to dressing</KitButton>
        <KitButton :to="`/vehicles/${id}`">To the Board</KitButton>
        <KitButton @click="bench.takeBack()">Take the last step back</KitButton>
      </div>
      <template v-else>
        <section class="drawing">
          <WeldSheet
            :panel="load.data.value.panel"
            :view="bench.view.value"
            :look-of="lookOf"
            :focus="focus"
            label="Where this weld goes"
          />
        </section>
        <section class="now" aria-live="polite">
          <p class="count mono">{{ step.n }}</p>
          <div class="grow">
            <p class="words">{{ STEP_WORDS[step.kind][0] }}</p>
            <p>{{ units.said(step.text) }}</p>
            <p v-if="place" class="place mono">{{ place }}</p>
            <BenchCheck
              v-if="step.kind === 'check' && session.canWork"
              :key="step.n"
              :vehicle="id"
              :repair="repair"
              :plan="load.data.value.body"
              :panel="load.data.value.panel"
            />
            <p v-if="isHot(step)" class="mono soft">
              <template v-if="amps !== null && step.kind !== 'spot'"
                >{{ amps }} A · {{ bench.view.value.plan.settings.volts }} V ·
              </template>
              about {{ step.duration.toFixed(1) }} s
            </p>
          </div>
        </section>
        <OtherBench :vehicle="id" :repair="repair" :left="left" />
        <KitNotice bad v-if="bench.problem.value"
          >{{ bench.problem.value }}
          <RouterLink v-if="bench.mendedAt.value" :to="bench.mendedAt.value">Put it right there</RouterLink></KitNotice
        >
        <div class="acts">
          <KitButton :disabled="done.size === 0 || bench.busy.value" @click="bench.takeBack()" class="back">
            Back
          </KitButton>
          <KitButton
            v-if="round.length > 1 && left <= 0 && session.canWork"
            class="round"
            :disabled="bench.busy.value"
            @click="bench.finishRound()"
          >
            All {{ round.length }} {{ STEP_WORDS[step.kind][1] }}
          </KitButton>
          <!-- One button in both states: a tap at the very moment when the cooling ends must not be lost. -->
          <KitButton
            :main="left <= 0"
            :class="{ cooling: left > 0 }"
            :aria-label="left > 0 ? `Cooling, ${clock(left)} left. Tap when it is hand-warm already` : 'Done'"
            :disabled="!session.canWork || bench.busy.value"
            @click="bench.finish()"
            class="done"
          >
            <template v-if="left > 0"
              ><span class="timer mono">{{ clock(left) }}</span
              ><small>cooling – tap if welded, hand-warm already</small></template
            >
            <template v-else>Done</template>
          </KitButton>
        </div>
      </template>
    </main>
  </Waiting>
</template>

<style scoped>
.bench {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 0.6rem;
  padding: 0.6rem clamp(0.6rem, 2vw, 1.5rem) 0.8rem;
}
header h1 {
  font-size: 1.1rem;
}
.middle {
  flex: 1;
  display: grid;
  place-content: center;
  gap: 1rem;
  text-align: center;
  max-width: 34rem;
  margin: 0 auto;
}
.drawing {
  position: relative;
  flex: 1;
  min-height: 120px;
  border: 1px solid var(--line);
  border-radius: 10px;
  overflow: hidden;
  background: var(--sheet);
}
.now {
  display: flex;
  gap: 1rem;
  align-items: center;
  flex: none;
}
.now p {
  margin: 0;
  font-size: 1.15rem;
}
.count {
  font-size: clamp(3.2rem, 9vw, 5.5rem) !important;
  line-height: 1;
  color: var(--mark);
  min-width: 1.3em;
  text-align: center;
}
.words {
  font-size: clamp(1.6rem, 4.5vw, 2.4rem) !important;
  font-weight: 600;
  line-height: 1.1;
}
.acts {
  display: flex;
  gap: 0.75rem;
  flex: none;
}
.done {
  flex: 1;
  min-height: 108px;
  font-size: 2rem;
  font-weight: 600;
  flex-direction: column;
  gap: 0;
}
.done small {
  font-size: 0.95rem;
  font-weight: 400;
}
.cooling {
  background: var(--mark-soft);
  border-color: var(--mark);
}
.round {
  min-height: 108px;
  max-width: 30%;
  font-size: 1.1rem;
}
.place {
  font-size: 1.35rem !important;
  font-weight: 600;
}
.timer {
  font-size: 2.6rem;
  line-height: 1.05;
}
.back {
  min-height: 108px;
  min-width: 96px;
  font-size: 1.2rem;
}
</style>
