<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ZONE_CLASSES, type ZoneView } from '@aspecta/contract/survey';
import { OPTION_WORDS, type RepairView } from '@aspecta/contract/verdict';
import { panelOf } from '@aspecta/core/body';
import { boxOf } from '@aspecta/core/geometry';
import { isWork } from '@aspecta/core/survey';
import { DEFERENCE } from '@aspecta/core/safety';
import { isBought, isCutIn } from '@aspecta/core/verdict';
import { crumbsTo } from '../car/crumbs.ts';
import { onSheet } from '../car/onSheet.ts';
import { useVehicle } from '../car/useVehicle.ts';
import { weighedTogether } from '../car/weighAhead.ts';
import KitButton from '../kit/KitButton.vue';
import KitChecks from '../kit/KitChecks.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import PanelSheet from '../sheet/PanelSheet.vue';
import { ringPath } from '../sheet/pathData.ts';
import SheetView from '../sheet/SheetView.vue';
import CautionList from '../shell/CautionList.vue';
import { get, post, put } from '../shell/api.ts';
import { useInAddress } from '../shell/inAddress.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { percent, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import BesideIt from './BesideIt.vue';
import DecisionCard from './DecisionCard.vue';
import OfferForm from './OfferForm.vue';
import OptionColumn from './OptionColumn.vue';
import RuledOut from './RuledOut.vue';
import ThenAndNow from './ThenAndNow.vue';
import { useWeighing } from './useWeighing.ts';
import VerdictCharts from './VerdictCharts.vue';

const props = defineProps<{ id: string; panel: string }>();
const router = useRouter();
const session = useSession();
const units = useUnits();
const form = useForm();
/** Characters that are kept of a reason. */
const LONGEST_REASON = 500;
const reason = ref('');
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan, repairs, withdrawn }, zones] = await Promise.all([
    car.ready(again),
    get<ZoneView[]>(`/vehicles/${props.id}/panels/${props.panel}/zones`),
  ]);
  const here = (repair: RepairView) => repair.panel === props.panel;
  return {
    vehicle,
    zones,
    decided: repairs.filter(here),
    gone: withdrawn.filter(here),
    plan,
    panel: panelOf(plan, props.panel),
  };
});
const decided = computed(() => load.data.value?.decided ?? []);
const zones = computed(() => load.data.value?.zones ?? []);
const repairOf = (zone: ZoneView) => decided.value.find((repair) => repair.zoneIds.includes(zone.id));
/** The decision that is made again; none where new ones are made. */
const againId = useInAddress<string>(
  'repair',
  () => '',
  () => ['', ...decided.value.map(({ id }) => id)],
);
const again = computed(() => decided.value.find(({ id }) => id === againId.value) ?? null);
/** What may be weighed together: what is open, and where a decision is made again all that is drawn. */
const offered = computed(() => zones.value.filter((zone) => again.value || !repairOf(zone)));
const weighing = useWeighing(props.id, offered);
const { zones: chosenZones, choice, view: verdict } = weighing;
/** What is decided on is chosen at first; what was chosen stays as long as it can be. */
watch(
  [again, offered],
  ([now], [before]) => {
    const kept = offered.value.filter(({ id }) => chosenZones.value.includes(id));
    if (kept.length > 0 && now?.id === before?.id) return;
    chosenZones.value = (
      now ? offered.value.filter((zone) => now.zoneIds.includes(zone.id)) : weighedTogether(offered.value)
    ).map(({ id }) => id);
    choice.value = now?.choice ?? null;
  },
  { immediate: true },
);
const zoneOptions = computed(() =>
  offered.value.map((zone) => {
    const other = repairOf(zone);
    const taken =
      again.value && other && other !== again.value ? `, now in: ${OPTION_WORDS[other.choice].decided}` : '';
    return {
      value: zone.id,
      label: `${ZONE_CLASSES[zone.class]}, ${units.area(zone.area)}${onSheet(load.data.value!.panel, zone.layer)}${taken}`,
    };
  }),
);
/** Why these zones cannot be weighed together, whatever field the server names for it. */
const notWeighed = computed(() => weighing.form.rest());
/** Nothing of it is rust: holes, openings, dents. */
const onlyWork = computed(() =>
  zones.value.filter(({ id }) => chosenZones.value.includes(id)).every((zone) => isWork(zone.class)),
);
/** Sheets on which the chosen zones lie. */
const layersNow = computed(() => [
  ...new Set(zones.value.filter(({ id }) => chosenZones.value.includes(id)).map(({ layer }) => layer)),
]);
const areaNow = computed(() =>
  zones.value.filter(({ id }) => chosenZones.value.includes(id)).reduce((sum, zone) => sum + zone.area, 0),
);

/** Who takes what is proposed need not write why: the proposal says it. */
const why = computed(() => {
  const weighed = verdict.value?.verdict;
  const asProposed = weighed && choice.value === weighed.proposed ? `As proposed. ${weighed.why}` : '';
  return reason.value.trim() || asProposed.slice(0, LONGEST_REASON);
});
async function decide(): Promise<void> {
  let repair: RepairView | undefined;
  const what = { zoneIds: chosenZones.value, choice: choice.value, reason: why.value };
  const done = await form.submit(async () => {
    const before = again.value;
    repair = before
      ? await put<RepairView>(`/repairs/${before.id}`, { ...what, done: false, version: before.version })
      : await post<RepairView>(`/vehicles/${props.id}/repairs`, { ...what, id: newId() });
  });
  if (!done || !repair) return;
  await car.ready(true);
  await router.push(
    repair.order?.unneeded || (isBought(repair.choice) && !isCutIn(repair.choice))
      ? '/orders'
      : isCutIn(repair.choice)
        ? `/vehicles/${props.id}/repairs/${repair.id}/cut`
        : `/vehicles/${props.id}`,
  );
}
const open = computed(() => verdict.value?.verdict.options.filter(({ ruledOut: why }) => why === null) ?? []);
const ruledOut = computed(() => verdict.value?.verdict.options.filter(({ ruledOut: why }) => why !== null) ?? []);
/** Damaged panels that lie at this one, by what they are called. */
const beside = computed(() =>
  (load.data.value?.plan.panels ?? []).filter((other) => verdict.value?.beside.includes(other.id)),
);
const proposed = computed(
  () => verdict.value?.verdict.options.find((option) => option.id === verdict.value?.verdict.proposed) ?? null,
);
</script>

<template>
  <Waiting :of="load" what="The verdict">
    <StationFrame
      v-if="load.data.value"
      wide
      :crumbs="crumbsTo(load.data.value.vehicle, load.data.value.panel)"
      title="Verdict"
    >
      <template #sheet>
        <SheetView
          :box="boxOf(load.data.value.panel.outline)"
          tapes
          :label="`${load.data.value.panel.name} with the zones that are weighed`"
        >
          <PanelSheet :panel="load.data.value.panel" />
          <path
            v-for="zone in zones"
            :key="zone.id"
            :d="ringPath(zone.ring)"
            class="zone"
            :class="{ off: !chosenZones.includes(zone.id) }"
          />
        </SheetView>
      </template>
      <template #card>
        <div class="stack">
          <DecisionCard
            v-for="repair in again ? [again] : load.data.value.decided"
            :key="repair.id"
            :repair="repair"
            :vehicle="id"
            :panel="load.data.value.panel"
            :deciding="again !== null"
            @again="againId = repair.id"
            @changed="load.reload()"
          />
          <KitButton v-if="again" small plain @click="againId = ''">Leave it as it is decided</KitButton>
          <div v-if="offered.length === 0" class="stack">
            <template v-if="decided.length === 0 || zones.length === 0">
              <p class="eyebrow">Treat, patch or whole panel?</p>
              <p>
                There is no damage zone on this panel yet: draw one on the sheet, or take the one that the map proposes.
              </p>
              <KitButton main :to="`/vehicles/${id}/panels/${panel}`">To the panel</KitButton>
            </template>
            <p v-else class="soft">Every zone of this panel has been decided.</p>
          </div>
          <template v-else>
            <KitChecks v-model="chosenZones" legend="Which zones go together?" :options="zoneOptions" />
            <p v-if="chosenZones.length === 0" class="soft">Choose at least one zone.</p>
            <KitNotice bad v-if="notWeighed">
              {{ notWeighed }}
            </KitNotice>
            <p v-else-if="weighing.form.busy.value && !verdict" role="status">Weighing …</p>
            <template v-if="verdict">
              <div>
                <p class="eyebrow">Treat, patch or whole panel?</p>
                <p v-if="proposed" class="figure words">{{ proposed.title }}</p>
                <p>
                  {{ units.said(verdict.verdict.why) }}
                  <span class="soft"
                    >{{ percent(verdict.verdict.damageShare) }} of the panel is {{ onlyWork ? 'concerned' : 'damaged'
                    }}<template v-if="verdict.verdict.breakEvenShare !== null"
                      >; a whole panel takes over at about {{ percent(verdict.verdict.breakEvenShare) }}</template
                    >.</span
                  >
                </p>
              </div>
              <KitNotice bad v-if="verdict.verdict.mountCaution">{{
                units.said(verdict.verdict.mountCaution)
              }}</KitNotice>
              <ThenAndNow v-if="again" :repair="again" :now="verdict" :area="areaNow" :choice="choice" />
              <VerdictCharts :verdict="verdict.verdict" :choice="choice" />
              <div class="options" role="radiogroup" aria-label="Options">
                <OptionColumn
                  v-for="option in open"
                  :key="option.id"
                  :option="option"
                  :proposed="option.id === verdict.verdict.proposed"
                  :chosen="choice === option.id"
                  :offer="isBought(option.id) ? verdict.offer : null"
                  @choose="choice = option.id"
                />
              </div>
              <RuledOut :options="ruledOut" />
              <BesideIt v-if="beside.length > 0" :vehicle="id" :panel="load.data.value.panel" :beside="beside" />
              <OfferForm
                :vehicle="id"
                :panel="load.data.value.panel"
                :layers="layersNow"
                :known="verdict.offer !== null"
                :foreign="verdict.foreign"
                @added="weighing.weigh()"
              />
              <form v-if="session.canWork" class="stack" @submit.prevent="decide">
                <KitField
                  v-slot="{ bind }"
                  :label="again ? 'You decide again. Why now?' : 'You decide. Why?'"
                  :hint="
                    why && !reason.trim()
                      ? 'Left empty, what speaks for the proposal is kept as the reason'
                      : 'A sentence for whoever asks later, yourself above all'
                  "
                  :error="form.errors['reason']"
                >
                  <KitInput v-bind="bind" v-model="reason" rows="2" />
                </KitField>
                <KitNotice bad v-if="form.rest('reason')">
                  {{ form.rest('reason') }}
                </KitNotice>
                <div class="row">
                  <KitButton submit main :disabled="form.busy.value || choice === null">
                    {{ again ? 'Decide again:' : 'Decide:' }}
                    {{
                      verdict.verdict.options.find((option) => option.id === choice)?.title.toLowerCase() ??
                      'choose an option'
                    }}
                  </KitButton>
                </div>
              </form>
              <KitCollapse>
                <template #title>Before anything is cut</template>
                <CautionList step="verdict" />
                <p class="small soft">{{ DEFERENCE }}</p>
              </KitCollapse>
            </template>
          </template>
          <KitCollapse
            v-if="load.data.value.gone.length > 0 && !again"
            :title="`Taken back (${load.data.value.gone.length})`"
          >
            <DecisionCard
              v-for="repair in load.data.value.gone"
              :key="repair.id"
              :repair="repair"
              :vehicle="id"
              :panel="load.data.value.panel"
              deciding
              @changed="load.reload()"
            />
          </KitCollapse>
        </div>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.zone {
  fill: var(--mark);
  fill-opacity: 0.25;
  stroke: var(--mark);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.zone.off {
  fill-opacity: 0;
  stroke-dasharray: 4 4;
}
.words {
  font-family: var(--text);
  font-weight: 600;
  font-size: 1.9rem;
}
.options {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(215px, 1fr));
  gap: 0.75rem;
}
</style>
