<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import type { Vehicle } from '@aspecta/contract/garage';
import type { PitsView } from '@aspecta/contract/survey';
import type { BodyPlan, Layer, Panel } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { Problem } from '@aspecta/core';
import { CATEGORY_OF, lookAgain, lookAtPits, weldableLimit, type LookAgain } from '@aspecta/core/survey';
import ChartView from '../charts/ChartView.vue';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
import { useOutbox } from '../outbox/useOutbox.ts';
import { get, post } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { dayOf } from '../shell/days.ts';
import { percent, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import type { SurveyMap } from '../workers/compute.ts';
import { lossChart, pitsChart } from './surveyCharts.ts';
import { useSurveyRules } from './useSurveyRules.ts';

/* The deepest pit of a few equal patches, and what that says of the whole panel; when to look again if it is left. */
const props = defineProps<{
  vehicle: Vehicle;
  plan: BodyPlan;
  panel: Panel;
  layer: Layer;
  surveyMap: SurveyMap | null;
  canWork: boolean;
  place: Point | null;
}>();
/** mm. A square that a hand covers. */
const SIDE = 60;
const units = useUnits();
const rules = useSurveyRules();
const form = useForm();
const outbox = useOutbox();
const view = shallowRef<PitsView | null>(null);
const inches = computed(() => units.unit.value === 'in');
const draft = reactive({ depth: '', side: units.typed(SIDE), u: '', v: '', pits: '', mouth: '' });
const said = ref('');
const number = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
/** A length as typed, in mm; nothing typed is nothing. */
function length(field: string, text: string): number | null {
  if (text.trim() === '') return null;
  const mm = units.read(text);
  if (mm === null)
    throw new Problem(
      'not-a-length',
      field,
      `"${text}" is not a length; write for example ${inches.value ? '0.012, 5/64 or 0.3 mm' : '0.3 or 1/64"'}.`,
    );
  return mm;
}
const path = computed(() => `/vehicles/${props.vehicle.id}/panels/${props.panel.id}/layers/${props.layer.id}/pits`);

watch(
  path,
  () =>
    form.submit(async () => {
      view.value = await get<PitsView>(path.value);
      const side = view.value.patches[0]?.side;
      if (side) draft.side = units.typed(side);
    }),
  { immediate: true },
);
watch(
  () => props.place,
  (place) => {
    if (place) [draft.u, draft.v] = place.map((x) => units.typed(Math.round(x))) as [string, string];
  },
  { immediate: true },
);
async function add(): Promise<void> {
  said.value = '';
  let stored = true;
  const done = await form.submit(async () => {
    const pit = {
      id: newId(),
      panel: props.panel.id,
      layer: props.layer.id,
      u: length('u', draft.u),
      v: length('v', draft.v),
      side: length('side', draft.side),
      depth: length('depth', draft.depth),
      pits: number(draft.pits),
      mouth: units.spot.read(draft.mouth),
    };
    const { answer } = await outbox.record<PitsView>(
      {
        id: pit.id,
        vehicle: props.vehicle.id,
        kind: 'pit',
        title: `Pit of ${pit.depth === null ? 'no depth' : units.sheet(pit.depth)} on ${props.panel.name}`,
        path: `/vehicles/${props.vehicle.id}/pits`,
        body: pit,
      },
      true,
    );
    if (answer) view.value = answer;
    stored = answer !== null;
  });
  if (!done) return;
  Object.assign(draft, { depth: '', pits: '', mouth: '' });
  said.value = stored ? 'Patch stored.' : 'Kept on this device.';
}
async function remove(id: string): Promise<void> {
  await form.submit(async () => {
    await post(`/vehicles/${props.vehicle.id}/pits/${id}/remove`);
    view.value = await get<PitsView>(path.value);
  });
}
const plot = computed(() => {
  const { result, patches } = view.value ?? {};
  if (!result || !patches) return null;
  const depths = patches.map((patch) => patch.depth);
  return pitsChart(depths, result, { thickness: props.layer.thickness, unit: units.unit.value });
});
/** Least metal of the map, mm; null where there is no map. */
const thinnest = computed(() => {
  const means = props.surveyMap ? Array.from(props.surveyMap.map.mean).filter((m) => !Number.isNaN(m)) : [];
  return means.length === 0 ? null : Math.min(...means);
});
const loss = computed(() => {
  const metal = thinnest.value ?? props.layer.thickness;
  return lossChart(
    CATEGORY_OF[props.vehicle.climate],
    metal - weldableLimit(props.layer.thickness, rules.value),
    units.unit.value,
  );
});
/** When to look again if it is left: by the deepest pit until it is through, else by the thinnest of the map until it cannot be welded to. */
const watchPlan = computed<{ earliest: number; on: string; what: string; now: string } | null>(() => {
  const { thickness, material } = props.layer;
  // The rates are those of steel.
  if (material !== 'steel') return null;
  const result = view.value?.result;
  const age = new Date().getFullYear() - props.vehicle.year;
  if (result)
    return dated(lookAtPits({ depth: Math.min(result.deepestP90, thickness), thickness, years: age }), {
      what: 'the deepest pit can be through',
      now: `the deepest pit may be ${units.sheet(result.deepestP90)} deep, through the sheet,`,
    });
  const metal = thinnest.value;
  if (metal === null) return null;
  const limit = weldableLimit(thickness, rules.value);
  return dated(lookAgain({ metal, limit, category: CATEGORY_OF[props.vehicle.climate] }), {
    what: `the thinnest place, ${units.sheet(metal)} now, can be down to the ${units.sheet(limit)} that can be welded to`,
    now:
      metal < HOLE
        ? 'there is a hole in it'
        : `the thinnest place has ${units.sheet(metal)} left, less than the ${units.sheet(limit)} that can be welded to,`,
  });
});
/** mm. So little on a map is none. */
const HOLE = 0.1;
function dated({ earliest, months }: LookAgain, words: { what: string; now: string }) {
  const on = new Date();
  on.setMonth(on.getMonth() + months);
  return { earliest, on: on.toISOString(), ...words };
}
/** A hollow that this sheet closes: it may stay wet for weeks, and the rates of open weather do not hold in it. */
const cavity = computed(() =>
  props.plan.cavities.find(({ walls }) =>
    walls.some((wall) => wall.panel === props.panel.id && wall.layer === props.layer.id),
  ),
);
const years = (value: number) =>
  value === Infinity
    ? 'many years'
    : value < 0.1
      ? 'less than a month'
      : value < 2
        ? `${Math.round(value * 12)} months`
        : `${value.toFixed(0)} years`;
</script>

<template>
  <div class="stack">
    <div>
      <p class="eyebrow">How deep is the deepest pit of the whole panel?</p>
      <template v-if="view?.result">
        <p class="figure">
          {{ units.sheet(view.result.deepestP50) }}
          <small>up to {{ units.sheet(view.result.deepestP90) }}</small>
        </p>
        <p class="small soft">
          of {{ units.sheet(layer.thickness) }}: as likely deeper as not so deep; in nine of ten such panels not deeper
          than the second figure. Chance that one has gone through:
          <strong :class="{ alarm: view.result.perforationProbability > 0.2 }">{{
            percent(view.result.perforationProbability)
          }}</strong>. From {{ view.patches.length }} patches; the panel has {{ view.result.areaRatio.toFixed(0) }} of
          them.
        </p>
        <p v-if="view.rating" class="small soft">
          Rated <span class="mono">{{ view.rating.text }}</span> by density, size and depth.
        </p>
      </template>
      <p v-else-if="view" class="soft">{{ units.said(view.why ?? '') }}</p>
      <p v-else class="soft" role="status">Fetching the pits …</p>
    </div>
    <ChartView v-if="plot" :chart="plot" />
    <KitNotice v-if="watchPlan" quiet :bad="watchPlan.earliest === 0">
      <p v-if="watchPlan.earliest === 0">
        <strong>Too late to leave it and watch:</strong> by what is known {{ watchPlan.now }} already.
      </p>
      <p v-else>
        <strong>If it is left and watched:</strong> going on bare, {{ watchPlan.what }} in
        {{ years(watchPlan.earliest) }} at the earliest. Look again by <strong>{{ dayOf(watchPlan.on) }}</strong>.
      </p>
      <p v-if="cavity && watchPlan.earliest > 0" class="small">
        These are rates of open weather. {{ cavity.name }} can stay wet for weeks: there it goes much faster, and no
        date can be given.
      </p>
    </KitNotice>
    <p v-else-if="layer.material !== 'steel'" class="small soft">
      How fast it goes on is known for steel only; {{ layer.name.toLowerCase() }} is {{ layer.material }}.
    </p>
    <KitCollapse v-if="watchPlan && watchPlan.earliest > 0" title="What bare steel loses over the years">
      <ChartView :chart="loss" />
    </KitCollapse>
    <form v-if="canWork" class="stack" @submit.prevent="add">
      <p class="eyebrow">Another patch</p>
      <p class="small soft">Mark a square of the same size, find its deepest pit with a pit gauge, write its depth.</p>
      <div class="pair">
        <KitField v-slot="{ bind }" :label="`Deepest pit, ${units.word.value}`" :error="form.errors['depth']"
          ><KitInput mono v-bind="bind" v-model="draft.depth" inputmode="decimal" autocomplete="off"
        /></KitField>
        <KitField v-slot="{ bind }" :label="`Side of the patch, ${units.word.value}`" :error="form.errors['side']"
          ><KitInput mono v-bind="bind" v-model="draft.side" inputmode="decimal"
        /></KitField>
        <KitField v-slot="{ bind }" :label="`From the left, ${units.word.value}`" :error="form.errors['u']"
          ><KitInput mono v-bind="bind" v-model="draft.u" inputmode="decimal"
        /></KitField>
        <KitField v-slot="{ bind }" :label="`Up, ${units.word.value}`" :error="form.errors['v']"
          ><KitInput mono v-bind="bind" v-model="draft.v" inputmode="decimal"
        /></KitField>
        <KitField v-slot="{ bind }" label="Pits in it (if counted)" :error="form.errors['pits']"
          ><KitInput mono v-bind="bind" v-model="draft.pits" inputmode="numeric"
        /></KitField>
        <KitField v-slot="{ bind }" :label="`Mean mouth, ${units.spot.word.value}`" :error="form.errors['mouth']"
          ><KitInput mono v-bind="bind" v-model="draft.mouth" inputmode="decimal"
        /></KitField>
      </div>
      <KitNotice bad v-if="form.rest('depth', 'mouth', 'pits', 'side', 'u', 'v')">{{
        form.rest('depth', 'mouth', 'pits', 'side', 'u', 'v')
      }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Store the patch</KitButton>
        <span class="small soft" role="status">{{ said }}</span>
      </div>
    </form>
    <KitTable v-if="view && view.patches.length > 0">
      <thead>
        <tr>
          <th class="num">Depth</th>
          <th class="num">u</th>
          <th class="num">v</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="patch in view.patches" :key="patch.id">
          <td class="num">{{ units.sheet(patch.depth) }}</td>
          <td class="num">{{ units.length(patch.u) }}</td>
          <td class="num">{{ units.length(patch.v) }}</td>
          <td><KitButton small plain v-if="canWork" @click="remove(patch.id)">Remove</KitButton></td>
        </tr>
      </tbody>
    </KitTable>
  </div>
</template>
