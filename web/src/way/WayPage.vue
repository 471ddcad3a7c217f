<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { WaySay, WayView } from '@aspecta/contract/way';
import type { WayRoute } from '@aspecta/core/way';
import { crumbsTo } from '../car/crumbs.ts';
import DecisionLine from '../car/DecisionLine.vue';
import RepairChoice from '../car/RepairChoice.vue';
import { useRepairPage } from '../car/useRepairPage.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { put } from '../shell/api.ts';
import LengthField from '../shell/LengthField.vue';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { overTheirs } from '../shell/theirs.ts';
import { useForm } from '../shell/useForm.ts';
import Waiting from '../shell/Waiting.vue';
import PartingLines from './PartingLines.vue';
import RouteCard from './RouteCard.vue';
import RouteForm from './RouteForm.vue';
import WaySheet from './WaySheet.vue';

/* How the piece gets in: its depth and the lines along which it may be parted → the openings → what each way costs → the one that is taken. */
const props = defineProps<{ id: string; repair: string }>();
const session = useSession();
const form = useForm();
const at = `/repairs/${props.repair}/way`;
const { load, view, decision, others } = useRepairPage<WayView>(props, at);
const looked = ref<string | null>(null);
const shown = computed(
  () =>
    view.value?.results.find(({ id }) => id === (looked.value ?? view.value?.chosen ?? view.value?.best)) ??
    view.value?.results[0] ??
    null,
);
const editing = shallowRef<{ route: WayRoute | null } | null>(null);

let last: Promise<unknown> = Promise.resolve();
/** What is said while something else is on its way is sent after it, on what stands then. */
function say(change: (now: WayView) => Partial<WaySay>): Promise<boolean> {
  const own = last.then(() => send(change));
  last = own;
  return own;
}
const send = (change: (now: WayView) => Partial<WaySay>): Promise<boolean> =>
  form.submit(() =>
    overTheirs<WayView>(
      'how this piece gets in',
      (stored) => (view.value = stored),
      async () => {
        const now = view.value!;
        const { depth, clearance, lines, routes, chosen, version } = now;
        view.value = await put<WayView>(at, { depth, clearance, lines, routes, chosen, version, ...change(now) });
      },
    ),
  );
const withRoute = (routes: readonly WayRoute[], route: WayRoute): WayRoute[] =>
  routes.some(({ id }) => id === route.id)
    ? routes.map((one) => (one.id === route.id ? route : one))
    : [...routes, route];
async function keep(route: WayRoute): Promise<void> {
  if (await say(({ routes }) => ({ routes: withRoute(routes, route) }))) {
    editing.value = null;
    looked.value = route.id;
  }
}
const removed = (gone: string) =>
  say(({ routes, chosen }) => ({
    routes: routes.filter(({ id }) => id !== gone),
    chosen: chosen === gone ? null : chosen,
  }));
const sentence = computed(() => {
  const { chosen, best, cheapest, routes } = view.value!;
  const named = (of: string | null) => routes.find(({ id }) => id === of)?.name;
  if (chosen) return `It goes in: ${named(chosen)}.`;
  if (best && best !== cheapest) return `By the house rules: ${named(best)}. Less cost: ${named(cheapest!)}.`;
  if (best) return `It costs least: ${named(best)}.`;
  return routes.length > 0 ? 'By none of these ways does it go in.' : 'Say through which opening it has to go.';
});
const next = computed(() =>
  view.value?.chosen ? { text: 'See what has to be done in which order', to: `/vehicles/${props.id}/job` } : null,
);
</script>

<template>
  <Waiting :of="load" what="The way in">
    <StationFrame
      v-if="load.data.value && view"
      :crumbs="crumbsTo(load.data.value.vehicle, load.data.value.panel, decision)"
      title="Way in"
      :next="next"
    >
      <template #sheet><WaySheet :view="view" :panel="load.data.value.panel" :result="shown" /></template>
      <template #card>
        <div class="stack">
          <RepairChoice :vehicle="id" :repair="repair" :repairs="others" :plan="load.data.value.plan" station="way" />
          <DecisionLine v-if="decision" :vehicle="id" :repair="decision" />
          <h2 class="question">How does it get in?</h2>
          <p class="large">{{ sentence }}</p>
          <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
          <ul class="routes">
            <RouteCard
              v-for="(route, i) in view.routes"
              :key="route.id"
              :view="view"
              :route="route"
              :result="view.results[i]!"
              :structural="load.data.value.panel.structural"
              :shown="shown?.id === route.id"
              :can-work="session.canWork"
              @show="looked = route.id"
              @choose="say(() => ({ chosen: $event }))"
              @edit="editing = { route }"
              @remove="removed(route.id)"
            />
          </ul>
          <KitButton v-if="session.canWork" :main="view.routes.length === 0" @click="editing = { route: null }">{{
            view.routes.length === 0 ? 'Measure the first opening' : 'Another way'
          }}</KitButton>
          <h3>The piece</h3>
          <LengthField
            label="How deep the piece is, with its flanges"
            :model-value="view.depth"
            @update:model-value="say(() => ({ depth: $event }))"
          />
          <LengthField
            label="Play in all"
            hint="For hands, clamps and what is not straight"
            :model-value="view.clearance"
            @update:model-value="say(() => ({ clearance: $event }))"
          />
          <PartingLines
            :view="view"
            :can-work="session.canWork"
            @lines="say(({ lines }) => ({ lines: $event(lines) }))"
          />
        </div>
        <RouteForm v-if="editing" :route="editing.route" :busy="form.busy.value" @close="editing = null" @save="keep" />
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.question {
  font-size: 1.15rem;
  margin: 0;
}
h3 {
  font-size: 1.05rem;
  margin: 0.5rem 0 0;
}
.large {
  font-size: 1.2rem;
  font-weight: 600;
  margin: 0;
}
.routes {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.6rem;
}
</style>
