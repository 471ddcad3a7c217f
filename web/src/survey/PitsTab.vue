<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import type { Vehicle } from '@aspecta/contract/garage';
import type { PitsView } from '@aspecta/contract/survey';
import type { Layer, Panel } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { CATEGORY_OF, lookAgain, weldableLimit } from '@aspecta/core/survey';
import { get, post } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import Field from '../shell/Field.vue';
import { useForm } from '../shell/useForm.ts';
import { dayOf, percent, useUnits } from '../shell/units.ts';
import type { SurveyMap } from '../workers/compute.ts';

/* The deepest pit of a few equal patches, and what that says of the whole panel; when to look again if it is left. */
const props = defineProps<{
  vehicle: Vehicle;
  panel: Panel;
  layer: Layer;
  surveyMap: SurveyMap | null;
  canWork: boolean;
  place: Point | null;
}>();
const units = useUnits();
const form = useForm();
const view = shallowRef<PitsView | null>(null);
const draft = reactive({ depth: '', side: '60', u: '', v: '', pits: '', mouth: '' });
const said = ref('');
const number = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
const path = computed(() => `/vehicles/${props.vehicle.id}/panels/${props.panel.id}/layers/${props.layer.id}/pits`);

watch(
  path,
  () =>
    form.submit(async () => {
      view.value = await get<PitsView>(path.value);
      const side = view.value.patches[0]?.side;
      if (side) draft.side = String(side);
    }),
  { immediate: true },
);
watch(
  () => props.place,
  (place) => {
    if (place) [draft.u, draft.v] = place.map((x) => x.toFixed(0)) as [string, string];
  },
  { immediate: true },
);
async function add(): Promise<void> {
  said.value = '';
  const done = await form.submit(async () => {
    view.value = await post<PitsView>(`/vehicles/${props.vehicle.id}/pits`, {
      id: newId(),
      panel: props.panel.id,
      layer: props.layer.id,
      u: number(draft.u),
      v: number(draft.v),
      side: number(draft.side),
      depth: number(draft.depth),
      pits: number(draft.pits),
      mouth: number(draft.mouth),
    });
  });
  if (!done) return;
  Object.assign(draft, { depth: '', pits: '', mouth: '' });
  said.value = 'Patch stored.';
}
async function remove(id: string): Promise<void> {
  await form.submit(async () => {
    await post(`/vehicles/${props.vehicle.id}/pits/${id}/remove`);
    view.value = await get<PitsView>(path.value);
  });
}
/** What is left, and down to what it may go: under the deepest pit until it is through, else the thinnest of the map until it cannot be welded to. */
const leftNow = computed<{ metal: number; limit: number; what: string } | null>(() => {
  const result = view.value?.result;
  if (result)
    return {
      metal: Math.max(0, props.layer.thickness - result.deepestExpected),
      limit: 0,
      what: 'the deepest pit is through',
    };
  const means = props.surveyMap ? Array.from(props.surveyMap.map.mean).filter((m) => !Number.isNaN(m)) : [];
  if (means.length === 0) return null;
  const limit = weldableLimit(props.layer.thickness);
  return { metal: Math.min(...means), limit, what: `the thinnest place is down to ${units.sheet(limit)}` };
});
const watchPlan = computed(() => {
  if (!leftNow.value) return null;
  const plan = lookAgain({ ...leftNow.value, category: CATEGORY_OF[props.vehicle.climate] });
  const on = new Date();
  on.setMonth(on.getMonth() + plan.months);
  return { ...plan, ...leftNow.value, on: on.toISOString() };
});
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
          {{ units.sheet(view.result.deepestExpected) }} <small>± {{ units.sheet(view.result.standardError) }}</small>
        </p>
        <p class="small soft">
          of {{ units.sheet(layer.thickness) }}. Chance that one has gone through:
          <strong :class="{ alarm: view.result.perforationProbability > 0.2 }">{{
            percent(view.result.perforationProbability)
          }}</strong>. From {{ view.patches.length }} patches; the panel has {{ view.result.areaRatio.toFixed(0) }} of
          them.
        </p>
        <p v-if="view.rating" class="small soft">
          Rated <span class="mono">{{ view.rating.text }}</span> by density, size and depth.
        </p>
      </template>
      <p v-else-if="view" class="soft">{{ view.why }}</p>
      <p v-else class="soft" role="status">Fetching the pits …</p>
    </div>
    <div v-if="watchPlan" class="notice" :class="{ bad: watchPlan.soonest === 0 }">
      <p v-if="watchPlan.soonest === 0">
        <strong>Too late to leave it and watch:</strong> by what is known {{ watchPlan.what }} already.
      </p>
      <p v-else>
        <strong>If it is left and watched:</strong> going on bare in this climate ({{ watchPlan.category }}),
        {{ watchPlan.what }} in {{ years(watchPlan.soonest) }} at the soonest, {{ years(watchPlan.latest) }} at the
        latest. Look again by <strong>{{ dayOf(watchPlan.on) }}</strong>.
      </p>
    </div>
    <form v-if="canWork" class="stack" @submit.prevent="add">
      <p class="eyebrow">Another patch</p>
      <p class="small soft">Mark a square of the same size, find its deepest pit with a pit gauge, write its depth.</p>
      <div class="pair">
        <Field v-slot="{ bind }" label="Deepest pit, mm" :error="form.errors['depth']"
          ><input v-bind="bind" v-model="draft.depth" class="input mono" inputmode="decimal" autocomplete="off"
        /></Field>
        <Field v-slot="{ bind }" label="Side of the patch, mm" :error="form.errors['side']"
          ><input v-bind="bind" v-model="draft.side" class="input mono" inputmode="decimal"
        /></Field>
        <Field v-slot="{ bind }" label="From the left, mm" :error="form.errors['u']"
          ><input v-bind="bind" v-model="draft.u" class="input mono" inputmode="decimal"
        /></Field>
        <Field v-slot="{ bind }" label="Up, mm" :error="form.errors['v']"
          ><input v-bind="bind" v-model="draft.v" class="input mono" inputmode="decimal"
        /></Field>
        <Field v-slot="{ bind }" label="Pits in it (if counted)" :error="form.errors['pits']"
          ><input v-bind="bind" v-model="draft.pits" class="input mono" inputmode="numeric"
        /></Field>
        <Field v-slot="{ bind }" label="Mean mouth, mm²" :error="form.errors['mouth']"
          ><input v-bind="bind" v-model="draft.mouth" class="input mono" inputmode="decimal"
        /></Field>
      </div>
      <p v-if="form.general.value" class="notice bad" role="alert">{{ form.general.value }}</p>
      <div class="row">
        <button class="btn main" :disabled="form.busy.value">Store the patch</button>
        <span class="small soft" role="status">{{ said }}</span>
      </div>
    </form>
    <table v-if="view && view.patches.length > 0" class="plain">
      <thead>
        <tr>
          <th class="num">Depth</th>
          <th class="num">u</th>
          <th class="num">v</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="patch in view.patches" :key="patch.id">
          <td class="num">{{ units.sheet(patch.depth) }}</td>
          <td class="num">{{ units.length(patch.u) }}</td>
          <td class="num">{{ units.length(patch.v) }}</td>
          <td><button v-if="canWork" class="btn plain small-btn" @click="remove(patch.id)">Remove</button></td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.6rem;
}
</style>
