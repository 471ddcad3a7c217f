<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { sectionName, type PatternSettings, type PatternView } from '@aspecta/contract/pattern';
import type { Turn } from '@aspecta/core/pattern';
import { tooLong } from '@aspecta/core/repair';
import { crumbsTo } from '../car/crumbs.ts';
import DecisionLine from '../car/DecisionLine.vue';
import RepairChoice from '../car/RepairChoice.vue';
import { useRepairPage } from '../car/useRepairPage.ts';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get, put } from '../shell/api.ts';
import CautionList from '../shell/CautionList.vue';
import LengthField from '../shell/LengthField.vue';
import SheetField from '../shell/SheetField.vue';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { overTheirs } from '../shell/theirs.ts';
import { dayOf } from '../shell/days.ts';
import NumberedRow from '../sheet/NumberedRow.vue';
import { percent, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import Waiting from '../shell/Waiting.vue';
import EdgeForm from './EdgeForm.vue';
import { edgeText } from './edgeText.ts';
import FittingsList from './FittingsList.vue';
import PatternSheet from './PatternSheet.vue';

/* What is cut from flat sheet: the piece of the repair → how each edge goes on → the blank at 1:1, for both sides. */
const props = defineProps<{ id: string; repair: string }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const route = useRoute();
const router = useRouter();
/** Which section of a piece that goes in parted, from 1 as it is named; it stands in the address. */
const section = ref(Math.max(1, Number(route.query['section']) || 1));
const path = `/repairs/${props.repair}/pattern`;
const at = () => (section.value > 1 ? `${path}?section=${section.value - 1}` : path);
const { load, view, decision, others } = useRepairPage<PatternView>(props, at);
const picked = ref<number | null>(null);
const side = ref<'own' | 'other'>('own');
const file = (as: string) => `/api${path}/file?as=${as}&side=${side.value}&section=${section.value - 1}`;
const named = computed(() => (view.value ? sectionName(view.value.section, view.value.sections) : ''));

async function look(to: number): Promise<void> {
  section.value = to;
  picked.value = null;
  await form.submit(async () => {
    view.value = await get<PatternView>(at());
  });
  await router.replace({ query: { ...route.query, section: String(to) } });
}

async function say(change: Partial<PatternSettings>): Promise<boolean> {
  return form.submit(() =>
    overTheirs<PatternView>(
      'the pattern of this piece',
      (stored) => (view.value = stored),
      async () => {
        const { settings, version } = view.value!;
        view.value = await put<PatternView>(at(), { ...settings, version, ...change });
      },
    ),
  );
}
/** What was said of this edge before is replaced. */
const saidElsewhere = (joint: number) => {
  const own = view.value!.joints[joint]!.at;
  return view.value!.settings.turns.filter((turn) => Math.hypot(turn.at[0] - own[0], turn.at[1] - own[1]) > 5);
};
async function turn(joint: number, to: Turn | null): Promise<void> {
  const { at: place, kind } = view.value!.joints[joint]!;
  const turns = [...saidElsewhere(joint), ...(to ? [{ ...to, at: place, kind }] : [])];
  if (await say({ turns })) picked.value = null;
}
const strained = computed(() =>
  (view.value?.blank.edges ?? []).filter(({ tabs, strain }) => tabs === 0 && Math.abs(strain) > 0.005),
);
/** Folds that the bender of this shop does not take; none as long as nobody has said what stands there. */
const tools = computed(() => session.current?.shop.tools ?? null);
const longFolds = computed(() => (tools.value ? tooLong(view.value?.blank.bends ?? [], tools.value.bender) : []));
const next = computed(() =>
  view.value?.cutFrom
    ? { text: 'Try it in its place before it is welded', to: `/vehicles/${props.id}/repairs/${props.repair}/fit` }
    : { text: 'Choose the sheet that it is cut from', to: '/stock' },
);
</script>

<template>
  <Waiting :of="load" what="The pattern">
    <StationFrame
      v-if="load.data.value && view"
      :crumbs="crumbsTo(load.data.value.vehicle, load.data.value.panel, decision)"
      title="Pattern"
      :next="next"
    >
      <template #sheet>
        <PatternSheet
          :view="view"
          :picked="picked"
          :label="`${[load.data.value.panel.name, named].filter(Boolean).join(', ')}: the blank, ${units.length(view.blank.least.width)} by ${units.length(view.blank.least.height)}.`"
          @pick="picked = $event"
        />
      </template>
      <template #card>
        <div class="stack">
          <RepairChoice
            :vehicle="id"
            :repair="repair"
            :repairs="others"
            :plan="load.data.value.plan"
            station="pattern"
          />
          <DecisionLine v-if="decision" :vehicle="id" :repair="decision" />
          <h2 class="question">What is cut from flat sheet?</h2>
          <KitChips
            v-if="view.sections > 1"
            :model-value="String(view.section + 1)"
            legend="It goes in parted; which section"
            :options="
              Array.from({ length: view.sections }, (_, i) => ({ value: String(i + 1), label: `Section ${i + 1}` }))
            "
            @update:model-value="look(Number($event))"
          />
          <p class="figure size">
            {{ units.length(view.blank.least.width) }} × {{ units.length(view.blank.least.height) }}
          </p>
          <p class="small">
            The smallest sheet for it, {{ units.sheet(view.thickness) }} {{ view.material }}:
            {{ units.area(view.blank.area) }}, {{ Math.round(view.blank.mass) }} g.
            <template v-if="view.cutFrom"
              >Cut from {{ view.cutFrom.sheet }} by {{ view.cutFrom.by }}, {{ dayOf(view.cutFrom.at) }}.</template
            >
          </p>
          <KitNotice v-if="view.cutOtherwise && !view.cutFrom"
            >A blank was cut from {{ view.cutOtherwise.sheet }} ({{ dayOf(view.cutOtherwise.at) }}) when the piece was
            {{ view.cutOtherwise.of > 1 ? `parted into ${view.cutOtherwise.of}` : 'to go in whole' }}: see whether it
            still serves before another sheet is cut.</KitNotice
          >
          <KitNotice v-for="note in view.notes" :key="note">{{ units.said(note) }}</KitNotice>
          <h3>How its edges go on</h3>
          <ol class="edges">
            <li v-for="(joint, i) in view.joints" :key="i">
              <NumberedRow :n="i + 1" :open="picked === i" @press="picked = picked === i ? null : i"
                >{{ joint.name }}: <strong>{{ edgeText(view.blank.edges[i]!, units.length) }}</strong>
                <small v-if="view.blank.edges[i]!.inSheet"> – drawn in the sheet already</small>
                <small v-else-if="view.blank.edges[i]!.reach > 0 && view.blank.edges[i]!.angle > 0">
                  – {{ units.length(view.blank.edges[i]!.reach) }} on the flat<template
                    v-if="view.blank.edges[i]!.tabs > 0"
                    >, {{ view.blank.edges[i]!.tabs }} tabs</template
                  ></small
                ></NumberedRow
              >
              <EdgeForm
                v-if="picked === i && session.canWork"
                :key="`${i}-${view.version}`"
                :edge="view.blank.edges[i]!"
                :name="joint.name"
                :busy="form.busy.value"
                :wrong="form.rest() ? units.said(form.rest()!) : null"
                @keep="turn(i, $event)"
                @usual="turn(i, null)"
                @cancel="picked = null"
              />
            </li>
          </ol>
          <p v-if="strained.length > 0" class="small soft">
            {{ strained.map(({ joint }) => joint + 1).join(', ') }}: round enough to be turned whole, its free edge
            {{ strained[0]!.strain < 0 ? 'shrunk' : 'stretched' }} by up to
            {{ percent(Math.max(...strained.map(({ strain }) => Math.abs(strain)))) }}.
          </p>
          <p v-if="longFolds.length > 0" class="small">
            {{ longFolds.map(({ joint }) => joint + 1).join(', ') }}: a fold of
            {{ units.length(Math.max(...longFolds.map(({ length }) => length))) }} is longer than
            {{ tools!.bender === null ? 'goes over a bar by hand' : `the bender, ${units.length(tools!.bender)}` }}:
            fold it in parts, or have it bent.
          </p>
          <p v-if="view.blank.steps.length > 0" class="small">
            {{ view.blank.steps.map(({ joint }) => joint + 1).join(', ') }}: set down by
            {{ units.sheet(view.blank.steps[0]!.depth) }} along the line, so that both faces are flush.
          </p>
          <p v-if="view.blank.holes.length > 0" class="small">Cut out of it: {{ view.blank.holes.join(', ') }}.</p>
          <KitNotice v-if="picked === null && form.rest()" bad>{{ units.said(form.rest()!) }}</KitNotice>
          <h3>What sits in it</h3>
          <FittingsList
            :key="view.version"
            :view="view"
            :can-work="session.canWork"
            :busy="form.busy.value"
            :wrong="form.errors['fittings'] ?? null"
            @say="(fittings) => say({ fittings })"
          />
          <h3>From a card</h3>
          <p v-if="view.settings.traced" class="small">
            It is cut to what was traced ({{ view.settings.traced.from }}), not to its line.
          </p>
          <p v-else class="small soft">
            A card that was held in place, or the old piece laid flat, is photographed beside a rectangle of known size
            and traced on the picture: then that is cut.
          </p>
          <div v-if="session.canWork" class="row">
            <KitButton v-if="view.settings.traced" small :disabled="form.busy.value" @click="say({ traced: null })"
              >Back to its line</KitButton
            >
            <KitButton small :to="`/vehicles/${id}/photos`">Trace one on a picture</KitButton>
          </div>
          <template v-if="session.canWork">
            <h3>The sheet</h3>
            <SheetField
              :label="`Sheet that is taken, ${units.word.value}`"
              :mm="view.settings.thickness"
              :hint="`Empty: ${units.sheet(view.asBuilt)}, as it was built; a gauge as 18 ga`"
              :placeholder="units.sheet(view.asBuilt)"
              :busy="form.busy.value"
              @say="say({ thickness: $event })"
              @empty="say({ thickness: null })"
            />
            <LengthField
              label="Inside radius of its bends"
              :model-value="view.settings.radius"
              @update:model-value="say({ radius: $event })"
            />
            <LengthField
              label="Left on at butted edges"
              hint="Trimmed when the piece is held in place; 0: cut to the line with its gap"
              :model-value="view.settings.trim"
              @update:model-value="say({ trim: $event })"
            />
          </template>
          <h3>At 1:1</h3>
          <KitChips
            v-if="view.otherSide"
            v-model="side"
            legend="For which side"
            :options="[
              { value: 'own', label: load.data.value.panel.name },
              { value: 'other', label: view.otherSide },
            ]"
          />
          <div class="row">
            <KitButton small :href="file('pdf-a4')" download>PDF on A4</KitButton>
            <KitButton small :href="file('pdf-letter')" download>PDF on Letter</KitButton>
            <KitButton small :href="file('dxf')" download>DXF</KitButton>
            <KitButton small :href="file('dxf-r12')" download>DXF R12</KitButton>
            <KitButton small :href="file('svg')" download>SVG</KitButton>
          </div>
          <KitCollapse title="Before you cut">
            <CautionList step="cut"
              ><li>
                Make it of card first, and hold that in place: a pattern is as good as the line and the figures that it
                stands on. Sheet edges cut: gloves, and dress them.
              </li></CautionList
            >
          </KitCollapse>
        </div>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.size {
  font-size: 1.7rem;
  white-space: nowrap;
}
.question {
  font-size: 1.15rem;
  margin: 0;
}
h3 {
  font-size: 1.05rem;
  margin: 0.5rem 0 0;
}
.edges {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.25rem;
}
</style>
