<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ZONE_CLASSES, type ZoneView } from '@aspecta/contract/survey';
import type { RepairView, VerdictView } from '@aspecta/contract/verdict';
import { panelOf } from '@aspecta/core/body';
import { boxOf } from '@aspecta/core/geometry';
import { DEFERENCE } from '@aspecta/core/safety';
import { isBought, isCutIn, type OptionId } from '@aspecta/core/verdict';
import { crumbsTo } from '../car/crumbs.ts';
import { useVehicle } from '../car/useVehicle.ts';
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
import { get, post } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { percent, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import OfferForm from './OfferForm.vue';
import OptionColumn from './OptionColumn.vue';
import VerdictCharts from './VerdictCharts.vue';

const WORDS = {
  treat: 'treat',
  patch: 'patch',
  part: 'part of a repair panel',
  whole: 'whole panel',
  make: 'make the panel',
  overlay: 'sheet laid over',
} as const;
const props = defineProps<{ id: string; panel: string }>();
const router = useRouter();
const session = useSession();
const units = useUnits();
const form = useForm();
const weighing = useForm();
const chosenZones = ref<string[]>([]);
const verdict = shallowRef<VerdictView | null>(null);
const choice = ref<OptionId | null>(null);
const reason = ref('');
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan, repairs }, zones] = await Promise.all([
    car.ready(again),
    get<ZoneView[]>(`/vehicles/${props.id}/panels/${props.panel}/zones`),
  ]);
  const decided = repairs.filter((repair) => repair.panel === props.panel);
  const open = zones.filter((zone) => !decided.some((repair) => repair.zoneIds.includes(zone.id)));
  if (chosenZones.value.length === 0) chosenZones.value = open.map((zone) => zone.id);
  return { vehicle, zones, open, decided, panel: panelOf(plan, props.panel) };
});
/** The chosen zones as they are now: what is weighed. */
const weighed = computed(() =>
  (load.data.value?.open ?? [])
    .filter((zone) => chosenZones.value.includes(zone.id))
    .map((zone) => `${zone.id} ${zone.version}`)
    .join(),
);
watch(weighed, () => void weigh());

async function weigh(): Promise<void> {
  const asked = weighed.value;
  if (asked === '') {
    verdict.value = null;
    return;
  }
  await weighing.submit(async () => {
    const answer = await post<VerdictView>(`/vehicles/${props.id}/verdict`, { zoneIds: chosenZones.value });
    // An answer to an older choice of zones is too late.
    if (asked !== weighed.value) return;
    verdict.value = answer;
    choice.value ??= verdict.value.verdict.proposed;
  });
}
async function decide(): Promise<void> {
  let repair: RepairView | undefined;
  const done = await form.submit(async () => {
    repair = await post<RepairView>(`/vehicles/${props.id}/repairs`, {
      id: newId(),
      zoneIds: chosenZones.value,
      choice: choice.value,
      reason: reason.value,
    });
  });
  if (!done || !repair) return;
  await car.ready(true);
  await router.push(
    isCutIn(repair.choice)
      ? `/vehicles/${props.id}/repairs/${repair.id}/cut`
      : repair.choice === 'whole'
        ? '/orders'
        : `/vehicles/${props.id}`,
  );
}
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
            v-for="zone in load.data.value.zones"
            :key="zone.id"
            :d="ringPath(zone.ring)"
            class="zone"
            :class="{ off: !chosenZones.includes(zone.id) }"
          />
        </SheetView>
      </template>
      <template #card>
        <div class="stack">
          <KitNotice quiet v-for="repair in load.data.value.decided" :key="repair.id">
            <p>
              {{ repair.decidedBy }} has decided: <strong>{{ WORDS[repair.choice] }}</strong> – {{ repair.reason }}
            </p>
          </KitNotice>
          <div v-if="load.data.value.open.length === 0" class="stack">
            <p class="eyebrow">Treat, patch or whole panel?</p>
            <p>
              {{
                load.data.value.zones.length === 0
                  ? 'There is no damage zone on this panel yet: draw one on the sheet, or take the one that the map proposes.'
                  : 'Every zone of this panel has been decided.'
              }}
            </p>
            <KitButton main :to="`/vehicles/${id}/panels/${panel}`">To the panel</KitButton>
          </div>
          <template v-else>
            <KitChecks
              v-model="chosenZones"
              legend="Which zones go together?"
              :options="
                load.data.value.open.map((zone) => ({
                  value: zone.id,
                  label: `${ZONE_CLASSES[zone.class]}, ${units.area(zone.area)}`,
                }))
              "
            />
            <p v-if="chosenZones.length === 0" class="soft">Choose at least one zone.</p>
            <KitNotice bad v-if="weighing.general.value ?? weighing.errors['zoneIds']">
              {{ weighing.general.value ?? weighing.errors['zoneIds'] }}
            </KitNotice>
            <p v-else-if="weighing.busy.value && !verdict" role="status">Weighing …</p>
            <template v-if="verdict">
              <div>
                <p class="eyebrow">Treat, patch or whole panel?</p>
                <p v-if="proposed" class="figure words">{{ proposed.title }}</p>
                <p>
                  {{ units.said(verdict.verdict.why) }}
                  <span class="soft"
                    >{{ percent(verdict.verdict.damageShare) }} of the panel is damaged<template
                      v-if="verdict.verdict.breakEvenShare !== null"
                      >; a whole panel takes over at about {{ percent(verdict.verdict.breakEvenShare) }}</template
                    >.</span
                  >
                </p>
              </div>
              <KitNotice bad v-if="verdict.verdict.mountCaution">{{
                units.said(verdict.verdict.mountCaution)
              }}</KitNotice>
              <VerdictCharts :verdict="verdict.verdict" :choice="choice" />
              <div class="options" role="radiogroup" aria-label="Options">
                <OptionColumn
                  v-for="option in verdict.verdict.options"
                  :key="option.id"
                  :option="option"
                  :proposed="option.id === verdict.verdict.proposed"
                  :chosen="choice === option.id"
                  :offer="isBought(option.id) ? verdict.offer : null"
                  @choose="choice = option.id"
                />
              </div>
              <OfferForm
                :vehicle="id"
                :panel="panel"
                :known="verdict.offer !== null"
                :foreign="verdict.foreign"
                @added="weigh()"
              />
              <form v-if="session.canWork" class="stack" @submit.prevent="decide">
                <KitField
                  v-slot="{ bind }"
                  label="You decide. Why?"
                  hint="A sentence for whoever asks later, yourself above all"
                  :error="form.errors['reason']"
                >
                  <KitInput v-bind="bind" v-model="reason" rows="2" />
                </KitField>
                <KitNotice bad v-if="form.general.value ?? form.errors['choice'] ?? form.errors['zoneIds']">
                  {{ form.general.value ?? form.errors['choice'] ?? form.errors['zoneIds'] }}
                </KitNotice>
                <div class="row">
                  <KitButton submit main :disabled="form.busy.value || choice === null">
                    Decide:
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
