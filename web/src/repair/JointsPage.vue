<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import {
  FASTENER_WORDS,
  CLOSING_WORDS,
  JOINT_WORDS,
  type ClosingChange,
  type FastenerState,
  type FastenerView,
  type JointsView,
} from '@aspecta/contract/repair';
import { panelOf } from '@aspecta/core/body';
import { isGone, isToCome } from '@aspecta/core/order';
import { toLine } from '@aspecta/core/geometry';
import { isBought, keepsPanel } from '@aspecta/core/verdict';
import { crumbsTo } from '../car/crumbs.ts';
import DecisionLine from '../car/DecisionLine.vue';
import RepairChoice from '../car/RepairChoice.vue';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitPress from '../kit/KitPress.vue';
import KitProgress from '../kit/KitProgress.vue';
import CautionList from '../shell/CautionList.vue';
import { get, put } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { overTheirs } from '../shell/theirs.ts';
import StationFrame from '../shell/StationFrame.vue';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import JointEdit from './JointEdit.vue';
import { lookOf } from './jointLooks.ts';
import JointSheet from './JointSheet.vue';

/* What holds the piece: every stretch of its edge is one joint; its fasteners are marked as they are found and opened. */
const props = defineProps<{ id: string; repair: string }>();
const units = useUnits();
const session = useSession();
const form = useForm();
const car = useVehicle(props.id);
const view = shallowRef<JointsView | null>(null);
const picked = ref<number | null>(null);
/** What the next tap on a fastener notes. */
const marking = ref<FastenerState>('opened');
const load = useLoad(async (again) => {
  const [{ vehicle, plan, repairs }, joints] = await Promise.all([
    car.ready(again),
    get<JointsView>(`/repairs/${props.repair}/joints`),
  ]);
  view.value = joints;
  return { vehicle, plan, panel: panelOf(plan, joints.panel), repairs };
});
car.keepFresh(load);
const own = computed(() =>
  (view.value?.joints ?? []).map((joint, i) => ({
    ...joint,
    i,
    all: view.value!.fasteners.filter((fastener) => fastener.joint === i).length,
    left: view.value!.fasteners.filter((fastener) => fastener.joint === i && fastener.state === 'holds').length,
  })),
);
const total = computed(() => view.value?.fasteners.length ?? 0);
const opened = computed(() => view.value?.fasteners.filter(({ state }) => state !== 'holds').length ?? 0);
const hiddenOnes = computed(() => view.value?.fasteners.filter(({ hidden }) => hidden).length ?? 0);
const names = (kind: string, n: number) => {
  const [one, many] = FASTENER_WORDS[kind] ?? ['fastener', 'fasteners'];
  return `${n} ${n === 1 ? one : many}`;
};
const decision = computed(() => load.data.value?.repairs.find(({ id }) => id === props.repair) ?? null);
const others = computed(() => (load.data.value?.repairs ?? []).filter(({ choice }) => !keepsPanel(choice)));

async function mark(ids: string[], state: FastenerState): Promise<void> {
  if (ids.length === 0 || !session.canWork) return;
  await form.submit(async () => {
    view.value = await put<JointsView>(`/repairs/${props.repair}/fasteners`, { ids, state });
  });
}
async function choose(change: Omit<ClosingChange, 'version'>): Promise<void> {
  await form.submit(() =>
    overTheirs<JointsView>(
      'how these joints are closed',
      (stored) => (view.value = stored),
      async () => {
        view.value = await put<JointsView>(`/repairs/${props.repair}/joints`, {
          ...change,
          version: view.value!.version,
        });
        // A run that is a joint of its own now, or goes with the rest again, stays in the hand.
        const near = view.value.joints
          .map(({ kind, line }, i) => ({ i, kind, far: toLine(change.at, line) }))
          .filter(({ kind }) => kind === change.kind)
          .sort((a, b) => a.far - b.far)[0];
        picked.value = near?.i ?? null;
      },
    ),
  );
}
/** A second tap takes the mark away again. */
const tapped = (fastener: FastenerView) =>
  mark([fastener.id], fastener.state === marking.value ? 'holds' : marking.value);
function wholeJoint(i: number): void {
  const all = view.value!.fasteners.filter((fastener) => fastener.joint === i);
  const left = all.filter(({ state }) => state === 'holds');
  void mark(
    (left.length > 0 ? left : all).map(({ id }) => id),
    left.length > 0 ? 'opened' : 'holds',
  );
}
const MARKS = [
  { value: 'opened', label: 'Opened' },
  { value: 'loose', label: 'Loose already' },
] as const;
const next = computed(() => {
  if (!view.value) return null;
  const state = decision.value?.order?.state;
  if (state && isToCome(state))
    return { text: 'The panel is not here yet: look for it in the order book', to: '/orders' };
  if (decision.value && isBought(decision.value.choice) && !decision.value.done && (!state || isGone(state)))
    return {
      text: 'No panel is ordered for it any more: say who sells one',
      to: `/vehicles/${props.id}/panels/${decision.value.panel}/verdict?repair=${props.repair}`,
    };
  if (view.value.joints.length === 0) return { text: 'Back to the Board', to: `/vehicles/${props.id}` };
  return { text: 'Plan every weld in its order', to: `/vehicles/${props.id}/repairs/${props.repair}/weld` };
});
</script>

<template>
  <Waiting :of="load" what="The joints">
    <StationFrame
      v-if="load.data.value && view"
      :crumbs="
        crumbsTo(
          load.data.value.vehicle,
          load.data.value.panel,
          load.data.value.repairs.find(({ id: one }) => one === repair),
        )
      "
      title="Joints"
      :next="next"
    >
      <template #sheet>
        <JointSheet :view="view" :panel="load.data.value.panel" :picked="picked" @fastener="tapped" />
      </template>
      <template #card>
        <div class="stack">
          <RepairChoice
            :vehicle="id"
            :repair="repair"
            :repairs="others"
            :plan="load.data.value.plan"
            station="joints"
          />
          <DecisionLine v-if="decision" :vehicle="id" :repair="decision" />
          <div>
            <p class="eyebrow">{{ view.whole ? 'What holds this panel?' : 'What holds this piece?' }}</p>
            <template v-if="total > 0">
              <p class="figure">
                {{ total }} <small>{{ total === 1 ? 'fastener' : 'fasteners' }}</small>
              </p>
              <KitProgress :share="opened / total" label="Opened or loose" />
              <p class="soft small">
                {{ opened }} of {{ total }} opened or loose.<template v-if="hiddenOnes > 0"
                  >{{ ' ' }} {{ hiddenOnes }} lie under sealer, trim or another flange (dashed): find them
                  first.</template
                >
                The places are reckoned from the pitch; the true ones are found by looking.
              </p>
            </template>
            <p v-if="view.joints.length > 0">
              About {{ view.hours.toFixed(1) }} h to open and close all of its joints, without making and fitting the
              piece.
            </p>
            <p v-if="view.joints.length === 0" class="soft">
              This metal is treated and kept: nothing of its edge is opened.
            </p>
            <p v-else-if="view.joints.every(({ kind }) => kind === 'cut')" class="soft">
              It lies within the sheet and touches no edge: it is cut out and welded in,
              {{ units.length(view.joints.reduce((sum, { length }) => sum + length, 0)) }}
              around.
            </p>
          </div>
          <KitButton v-if="view.joints.length > 0" small plain :to="`/vehicles/${id}/repairs/${repair}/way`"
            >Does it go through its opening, and what has to come off?</KitButton
          >
          <KitButton v-if="total > 0" small :href="`/api/repairs/${repair}/drill-map.pdf`"
            >Drill map for the car, PDF</KitButton
          >
          <KitChips
            v-if="total > 0 && session.canWork"
            v-model="marking"
            legend="A tap on a fastener means"
            :options="MARKS"
          />
          <KitNotice bad v-if="form.rest('pitch', 'found')">
            {{ form.rest('pitch', 'found') }}
          </KitNotice>
          <ol class="joints">
            <li v-for="joint in own" :key="joint.i" :class="{ on: picked === joint.i }">
              <div class="line">
                <KitPress
                  class="pick"
                  :aria-pressed="picked === joint.i"
                  @click="picked = picked === joint.i ? null : joint.i"
                >
                  <svg width="34" height="8" aria-hidden="true">
                    <path
                      d="M1 4h32"
                      :style="{
                        stroke: lookOf(joint.kind).stroke,
                        strokeDasharray: lookOf(joint.kind).dash,
                      }"
                    />
                  </svg>
                  <span class="grow"
                    ><strong>{{ JOINT_WORDS[joint.kind] ?? joint.kind }}</strong
                    ><template v-if="joint.kind !== 'cut'">, {{ joint.name }}</template
                    ><template v-else-if="joint.alone">{{ joint.name.replace('in the sheet', '') }}</template>
                    <span class="small soft block"
                      ><span class="mono">{{ units.length(joint.length) }}</span> ·
                      {{ CLOSING_WORDS[joint.closing].toLowerCase()
                      }}<template v-if="joint.fasteners > 0">
                        · {{ names(joint.kind, joint.fasteners)
                        }}<template v-if="joint.pitch"> every {{ units.length(joint.pitch) }}</template></template
                      ><template v-if="(joint.sheets ?? 2) > 2">
                        · {{ joint.sheets }} sheets: they part in an order</template
                      ><template v-if="joint.hidden"> · hidden</template></span
                    ></span
                  >
                </KitPress>
                <KitButton
                  v-if="joint.all > 0 && session.canWork"
                  small
                  plain
                  :disabled="form.busy.value"
                  @click="wholeJoint(joint.i)"
                  >{{ joint.left > 0 ? 'All opened' : 'Not opened' }}</KitButton
                >
              </div>
              <JointEdit
                v-if="picked === joint.i"
                :joint="joint"
                :fasteners="view.fasteners.filter((fastener) => fastener.joint === joint.i)"
                :can-work="session.canWork"
                :busy="form.busy.value"
                :errors="form.errors"
                @choose="choose"
                @mark="tapped"
              />
            </li>
          </ol>
          <KitCollapse v-if="view.work.length > 0" title="How the hours add up">
            <dl class="work">
              <template v-for="element in view.work" :key="element.name"
                ><dt>{{ element.name }}</dt>
                <dd class="mono">
                  {{
                    units.person.value.length === 'in' && element.unit === 'dm'
                      ? units.length(element.count * 100)
                      : `${element.count.toFixed(element.unit === 'dm' ? 1 : 0)} ${element.unit}`
                  }}
                </dd>
                <dd class="mono">{{ element.hours.toFixed(1) }} h</dd></template
              >
            </dl>
          </KitCollapse>
          <KitCollapse title="Before you drill">
            <CautionList step="cut"
              ><li>
                Drill through the upper sheet only; a small hole first, so that the cutter does not wander.
              </li></CautionList
            >
          </KitCollapse>
        </div>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.joints {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.15rem;
}
.joints li {
  border-bottom: 1px solid var(--line);
}
.line {
  display: flex;
  align-items: center;
  gap: 0.4rem;
}
.joints li.on {
  background: var(--mark-soft);
}
.pick {
  flex: 1;
  min-width: 0;
  display: flex;
  align-items: center;
  gap: 0.6rem;
  min-height: 48px;
}
.pick svg {
  flex: none;
}
.pick path {
  stroke-width: 4;
}
.block {
  display: block;
}
.work {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 0.2rem 0.9rem;
  margin: 0;
}
.work dd {
  margin: 0;
  text-align: right;
}
</style>
