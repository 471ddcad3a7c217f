<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import { Download } from 'lucide-vue-next';
import { toNextCorner, type CutPlanView } from '@aspecta/contract/cut';
import type { ZoneView } from '@aspecta/contract/survey';
import { JOINT_WORDS } from '@aspecta/contract/repair';
import { panelOf } from '@aspecta/core/body';
import { pieceJoints } from '@aspecta/core/repair';
import { DEFERENCE } from '@aspecta/core/safety';
import { crumbsTo } from '../car/crumbs.ts';
import DecisionLine from '../car/DecisionLine.vue';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitPress from '../kit/KitPress.vue';
import KitTable from '../kit/KitTable.vue';
import CautionList from '../shell/CautionList.vue';
import { ApiProblem, get, put } from '../shell/api.ts';
import LengthField from '../shell/LengthField.vue';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { percent, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import CutSheet from './CutSheet.vue';
import WeighedLines from './WeighedLines.vue';

const props = defineProps<{ id: string; repair: string }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const plan = shallowRef<CutPlanView | null>(null);
const settings = reactive({ margin: 20, maxCorners: 4, cornerRadius: 15, kerf: 1 });
const picked = ref(0);
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const [{ vehicle, plan: body }, repair, cut] = await Promise.all([
    car.ready(again),
    car.repair(props.repair),
    get<CutPlanView>(`/repairs/${props.repair}/cut`),
  ]);
  const zones = await get<ZoneView[]>(`/vehicles/${props.id}/panels/${repair.panel}/zones`);
  // Settings that could not be sent while the server was away are sent now.
  if (cut.version === plan.value?.version) changed();
  else show(cut);
  return {
    vehicle,
    repair,
    body,
    panel: panelOf(body, repair.panel),
    zones: zones.filter((zone) => repair.zoneIds.includes(zone.id)),
  };
});
function show(cut: CutPlanView): void {
  plan.value = cut;
  Object.assign(settings, cut.settings);
  picked.value = Math.min(picked.value, Math.max(0, cut.corners.length - 1));
}
let timer: ReturnType<typeof setTimeout> | undefined;
watch(settings, changed);
function changed(): void {
  if (!plan.value || !session.canWork || JSON.stringify(settings) === JSON.stringify({ ...plan.value.settings }))
    return;
  clearTimeout(timer);
  timer = setTimeout(() => void save(), 250);
}
async function save(): Promise<void> {
  await form.submit(async () => {
    try {
      show(await put<CutPlanView>(`/repairs/${props.repair}/cut`, { ...settings, version: plan.value!.version }));
    } catch (error) {
      if (error instanceof ApiProblem && error.code === 'conflict') {
        show(error.body.current as CutPlanView);
        throw new Error(
          'Somebody else has changed this line in the meantime; it is shown as it is now. Change it again if you still want to.',
          { cause: error },
        );
      }
      throw error;
    }
  });
}
/** Edges of the panel that the piece takes in, beside the cut in the sheet. */
const edges = computed(() =>
  plan.value && load.data.value
    ? pieceJoints(load.data.value.body, load.data.value.panel, plan.value.line.outline).filter(
        ({ kind }) => kind !== 'cut',
      )
    : [],
);
const fasteners = computed(() => edges.value.reduce((sum, joint) => sum + joint.fasteners, 0));
const cutRuns = computed(() => plan.value?.line.runs.filter((run) => run.cut).length ?? 0);
const follows = computed(() =>
  plan.value!.line.runs.filter((run) => run.cut && run.follows !== 'free').map((run) => run.name),
);
const file = (name: string) => `/api/repairs/${props.repair}/cut/${name}`;
</script>

<template>
  <Waiting :of="load" what="The cut">
    <StationFrame
      v-if="load.data.value && plan"
      :crumbs="crumbsTo(load.data.value.vehicle, load.data.value.panel)"
      title="Cut"
      :next="{ text: 'Plan the tacks and stitches of this joint', to: `/vehicles/${id}/repairs/${repair}/weld` }"
    >
      <template #sheet>
        <CutSheet v-model:picked="picked" :plan="plan" :panel="load.data.value.panel" :zones="load.data.value.zones" />
      </template>
      <template #card>
        <div class="stack">
          <div>
            <p class="eyebrow">Where does the saw go?</p>
            <p class="figure">{{ units.length(plan.line.cutLength) }}</p>
            <p class="soft small">
              to cut and weld in {{ cutRuns }} straight {{ cutRuns === 1 ? 'run' : 'runs'
              }}<template v-if="plan.line.edgeLength > 1"
                >, with {{ units.length(plan.line.edgeLength) }} of the panel’s own edge to make again</template
              ><template v-if="follows.length > 0">; beside {{ follows.join(', ') }}</template
              >.
            </p>
          </div>
          <KitNotice bad v-for="warning in plan.line.warnings" :key="warning">{{ units.said(warning) }}</KitNotice>
          <WeighedLines :line="plan.line" />
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
          <KitTable class="offsets">
            <caption class="visually-hidden">
              Tape offsets of each corner
            </caption>
            <thead>
              <tr>
                <th>Corner</th>
                <th class="num">{{ plan.datums[0].name }}</th>
                <th class="num">{{ plan.datums[1].name }}</th>
                <th class="num">To next</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(entry, i) in plan.corners" :key="i" :class="{ on: picked === i }" @click="picked = i">
                <td>
                  <KitPress class="link" :aria-pressed="picked === i">{{ i + 1 }}</KitPress>
                </td>
                <td class="num">{{ entry.offsets[0]!.text }}</td>
                <td class="num">{{ entry.offsets[1]!.text }}</td>
                <td class="num">{{ toNextCorner(plan, i) }}</td>
              </tr>
            </tbody>
          </KitTable>
          <p class="small soft">
            Square to a straight edge laid along each yellow line.
            <template v-if="plan.mirror"
              >On {{ plan.mirror }} the same figures hold from the mirrored edges: try the first side before you cut the
              other.</template
            >
          </p>
          <fieldset class="settings" :disabled="!session.canWork">
            <LengthField
              v-model="settings.margin"
              label="Sound metal beyond the damage"
              :error="form.errors['margin']"
            />
            <LengthField
              v-model="settings.cornerRadius"
              label="Inside corners, radius"
              :error="form.errors['cornerRadius']"
            />
            <LengthField v-model="settings.kerf" label="Blade" :error="form.errors['kerf']" />
            <div class="field">
              <span class="label">Straight runs, at most</span>
              <div class="row">
                <KitButton
                  aria-label="One run fewer"
                  :disabled="settings.maxCorners <= 3"
                  @click="settings.maxCorners--"
                >
                  −</KitButton
                ><span class="mono">{{ settings.maxCorners }}</span
                ><KitButton
                  aria-label="One run more"
                  :disabled="settings.maxCorners >= 12"
                  @click="settings.maxCorners++"
                >
                  +
                </KitButton>
              </div>
            </div>
          </fieldset>
          <p class="small soft" role="status">
            {{ form.busy.value ? 'Saving …' : plan.saved ? 'Saved.' : 'The usual settings of the shop.' }}
          </p>
          <KitNotice bad v-if="form.general.value">{{ form.general.value }}</KitNotice>
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
.settings {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.6rem;
  align-items: end;
}
.offsets tr.on td {
  background: var(--mark-soft);
}
.offsets th.num,
.offsets td.num {
  padding-left: 0.2rem;
  padding-right: 0.2rem;
}
.link {
  border: 0;
  background: none;
  min-width: 36px;
  min-height: 36px;
  cursor: pointer;
  font-family: var(--mono);
  color: var(--mark);
  text-decoration: underline;
}
ul {
  padding-left: 1.1rem;
  margin: 0 0 0.5rem;
}
</style>
