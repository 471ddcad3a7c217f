<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { Download, Move } from 'lucide-vue-next';
import type { CutPlanView } from '@aspecta/contract/cut';
import type { ZoneView } from '@aspecta/contract/survey';
import { JOINT_WORDS } from '@aspecta/contract/repair';
import { areasOf, panelOf } from '@aspecta/core/body';
import type { Ring } from '@aspecta/core/geometry';
import { pieceJoints } from '@aspecta/core/repair';
import { DEFERENCE } from '@aspecta/core/safety';
import { isCutIn, isLetIn } from '@aspecta/core/verdict';
import { crumbsTo } from '../car/crumbs.ts';
import DecisionLine from '../car/DecisionLine.vue';
import RepairChoice from '../car/RepairChoice.vue';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import CautionList from '../shell/CautionList.vue';
import { get } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { percent, useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import CutSettings from './CutSettings.vue';
import CutSheet from './CutSheet.vue';
import FoundAndOwn from './FoundAndOwn.vue';
import LinePasses from './LinePasses.vue';
import LineTools from './LineTools.vue';
import OffsetsTable from './OffsetsTable.vue';
import { useCutPlan } from './useCutPlan.ts';
import { useOwnLine } from './useOwnLine.ts';
import WeighedLines from './WeighedLines.vue';

const props = defineProps<{ id: string; repair: string }>();
const session = useSession();
const units = useUnits();
const { form, plan: stored, settings, corners, pins, show, changed } = useCutPlan(props.repair);
const picked = ref(0);
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan: body, repairs }, repair, cut] = await Promise.all([
    car.ready(again),
    car.repair(props.repair),
    get<CutPlanView>(`/repairs/${props.repair}/cut`),
  ]);
  const zones = await get<ZoneView[]>(`/vehicles/${props.id}/panels/${repair.panel}/zones`);
  // Settings that could not be sent while the server was away are sent now.
  if (cut.version === stored.value?.version) changed();
  else show(cut);
  return {
    vehicle,
    repair,
    body,
    others: repairs.filter(({ choice }) => isCutIn(choice)),
    panel: panelOf(body, repair.panel),
    zones: zones.filter((zone) => repair.zoneIds.includes(zone.id)),
  };
});
const hand = useOwnLine(
  stored,
  () => ({ ...load.data.value!, unit: units.unit.value }),
  (to) => {
    corners.value = to.corners;
    pins.value = to.pins;
  },
);
const inHand = computed(() => hand.corners.value !== null);
/** What is shown: while the line is in the hand, as it comes out where it is held. */
const plan = computed(() => hand.tried.value?.plan ?? stored.value);
watch(plan, (now) => (picked.value = Math.min(picked.value, Math.max(0, (now?.corners.length ?? 1) - 1))));
/** Another line of the list, or one that is drawn: from now on it is the person's. */
function take(laid: Ring): void {
  if (!inHand.value) hand.begin();
  hand.take(laid);
}
function findAgain(): void {
  hand.end();
  corners.value = null;
  pins.value = null;
}
/** Edges of the panel that the piece takes in, beside the cut in the sheet. */
const edges = computed(() =>
  plan.value && load.data.value
    ? pieceJoints(load.data.value.body, load.data.value.panel, plan.value.line.outline, plan.value.layer).filter(
        ({ kind }) => kind !== 'cut',
      )
    : [],
);
const fasteners = computed(() => edges.value.reduce((sum, joint) => sum + joint.fasteners, 0));
/** By itself, so that what lies beside the sheet is not reckoned anew while a line is dragged. */
const layer = computed(() => plan.value?.layer);
/** What lies over and beside the sheet near the line. */
const areas = computed(() => {
  const { body, panel } = load.data.value!;
  return areasOf(body, panel, layer.value);
});
const cutRuns = computed(() => plan.value?.line.runs.filter((run) => run.cut).length ?? 0);
const follows = computed(() =>
  plan.value!.line.runs.filter((run) => run.cut && run.follows !== 'free').map((run) => run.name),
);
/** Fields that show their own refusals. */
const SETTINGS = ['cornerRadius', 'from', 'kerf', 'margin', 'reach'];
const file = (name: string) => `/api/repairs/${props.repair}/cut/${name}`;
</script>

<template>
  <Waiting :of="load" what="The cut">
    <StationFrame
      v-if="load.data.value && plan"
      :crumbs="crumbsTo(load.data.value.vehicle, load.data.value.panel, load.data.value.repair)"
      title="Cut"
      :next="
        !isCutIn(load.data.value.repair.choice)
          ? { text: 'Open its joints, each in its place', to: `/vehicles/${id}/repairs/${repair}/joints` }
          : isLetIn(load.data.value.repair.choice)
            ? { text: 'Plan every weld of this repair', to: `/vehicles/${id}/repairs/${repair}/weld` }
            : { text: 'Cut it out, turn its edge, and mark it as done on the Board', to: `/vehicles/${id}` }
      "
    >
      <template #sheet>
        <CutSheet
          v-model:picked="picked"
          :plan="plan"
          :panel="load.data.value.panel"
          :zones="load.data.value.zones"
          :areas="areas"
          :hand="inHand ? hand : null"
        />
      </template>
      <template #card>
        <div class="stack">
          <RepairChoice
            :vehicle="id"
            :repair="repair"
            :repairs="load.data.value.others"
            :plan="load.data.value.body"
            station="cut"
          />
          <div>
            <p class="eyebrow">Where does the saw go?</p>
            <p class="figure">{{ units.marked(plan.line.cutLength) }}</p>
            <p v-if="plan.corners.length === 0" class="soft small">
              Nothing is cut in the sheet: it comes out along its own edges, all
              {{ units.marked(plan.line.edgeLength) }} of them.
            </p>
            <p v-else class="soft small">
              {{ isLetIn(load.data.value.repair.choice) ? 'to cut and weld' : 'to cut' }} in {{ cutRuns }} straight
              {{ cutRuns === 1 ? 'run' : 'runs'
              }}<template v-if="plan.line.edgeLength > 1"
                >, with {{ units.marked(plan.line.edgeLength) }} of the panel’s own edge to make again</template
              ><template v-if="follows.length > 0">; beside {{ follows.join(', ') }}</template
              >.
            </p>
          </div>
          <p v-if="plan.left > 0" class="small soft">
            {{ units.area(plan.left) }} of pitted metal stays and is treated, by the
            <RouterLink to="/house">house rules</RouterLink>.
          </p>
          <KitNotice bad v-for="warning in plan.line.warnings" :key="warning">{{ units.said(warning) }}</KitNotice>
          <LineTools v-if="inHand" :line="hand" :panel="load.data.value.panel" @found="findAgain" @done="hand.end()" />
          <div v-else-if="session.canWork" class="row">
            <KitButton @click="hand.begin()"><Move :size="18" />Move the line</KitButton>
            <KitButton v-if="plan.own" plain @click="findAgain">Find the line again</KitButton>
          </div>
          <p v-if="plan.own && !inHand" class="small soft">This line was laid by hand.</p>
          <FoundAndOwn
            v-if="plan.own && plan.found"
            :own="plan.line"
            :found="plan.found"
            :layer="plan.layer"
            :body="load.data.value.body"
            :panel="load.data.value.panel"
          />
          <WeighedLines :line="plan.found ?? plan.line" :can-take="session.canWork" @take="take" />
          <LinePasses
            :line="plan.line"
            :areas="areas"
            :facts="`/vehicles/${id}/panels/${load.data.value.panel.id}/facts`"
          />
          <DecisionLine :vehicle="id" :repair="load.data.value.repair" />
          <p v-if="plan.thin.length > 0" class="small">
            Hatched: by its readings more likely than not too thin to weld to. The line stays out of there where it can.
          </p>
          <p v-if="edges.length > 0" class="small">
            It takes in
            {{ edges.map(({ kind, name }) => `${JOINT_WORDS[kind]?.toLowerCase() ?? kind} (${name})`).join(', ') }}:
            <RouterLink :to="`/vehicles/${id}/repairs/${repair}/joints`">{{
              fasteners > 0 ? `${fasteners} fasteners to open, each in its place` : 'its joints one by one'
            }}</RouterLink>.
          </p>
          <KitNotice quiet v-if="plan.onMap.unmeasured > 0.02">
            {{ percent(plan.onMap.unmeasured) }} of the line runs over metal that has not been measured. Measure along
            it before you cut.
          </KitNotice>
          <KitNotice bad v-if="plan.onMap.doubtful > 0.02">
            {{ percent(plan.onMap.doubtful) }} of the line may run over metal too thin to weld to. Move it out.
          </KitNotice>
          <OffsetsTable v-if="!inHand && plan.corners.length > 0" v-model:picked="picked" :plan="plan" />
          <p v-if="!inHand && plan.corners.length > 0" class="small soft">
            Square to a straight edge laid along each yellow line; along an edge where it says so, the tape hooked at
            its end.
            <template v-if="plan.mirror"
              >On {{ plan.mirror }} the same figures hold from the mirrored edges: try the first side before you cut the
              other.</template
            >
          </p>
          <CutSettings
            v-model="settings"
            :panel="load.data.value.panel"
            :piece="plan.line.outline"
            :errors="form.errors"
            :disabled="!session.canWork"
          />
          <p class="small soft" role="status">
            {{ form.busy.value ? 'Saving …' : plan.saved ? 'Saved.' : 'The usual settings of the shop.' }}
          </p>
          <KitNotice bad v-if="form.rest(...SETTINGS)">{{ form.rest(...SETTINGS) }}</KitNotice>
          <div>
            <p class="eyebrow">The patch at 1:1, and the card</p>
            <div class="row">
              <KitButton small :href="file('patch.dxf')" download><Download :size="16" />DXF</KitButton>
              <KitButton small :href="file('patch.svg')" download><Download :size="16" />SVG</KitButton>
              <KitButton small :href="file('card.pdf')" download><Download :size="16" />Cut card</KitButton>
            </div>
          </div>
          <section class="notice bad">
            <p><strong>Before you cut.</strong></p>
            <CautionList step="cut" />
            <p class="small">{{ DEFERENCE }}</p>
          </section>
        </div>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
ul {
  padding-left: 1.1rem;
  margin: 0 0 0.5rem;
}
</style>
