<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import {
  FACE_STATE_WORDS,
  type CloseView,
  type SystemsView,
  type CoatView,
  type FaceView,
} from '@aspecta/contract/close';
import type { PlanView } from '@aspecta/contract/plan';
import { panelOf } from '@aspecta/core/body';
import CarHead from '../car/CarHead.vue';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { dayOf, timeOf } from '../shell/days.ts';
import { useLoad } from '../shell/useLoad.ts';
import ReasonForm from '../shell/ReasonForm.vue';
import Waiting from '../shell/Waiting.vue';
import { groupsOf, sectionOf, type FaceGroup } from './closeScene.ts';
import CoatForm from './CoatForm.vue';
import FaceSection from './FaceSection.vue';
import NeedsTile from './NeedsTile.vue';
import ProductList from './ProductList.vue';
import ReminderList from './ReminderList.vue';
import SystemList from './SystemList.vue';
import { useClose } from './useClose.ts';

/* Every face that is laid bare: what is on it, which weld shuts it, and until when it can be coated. */
const props = defineProps<{ id: string }>();
const session = useSession();
const car = useVehicle(props.id);
const close = useClose(props.id);
const { view, form } = close;
/** When each step is planned; it takes its time and is shown when it comes. */
const planned = shallowRef<PlanView | null>(null);
const load = useLoad(async (again) => {
  const [{ vehicle, plan }, faces] = await Promise.all([
    car.ready(again),
    get<CloseView>(`/vehicles/${props.id}/close`),
  ]);
  view.value = faces;
  void get<PlanView>(`/vehicles/${props.id}/plan`)
    .then((found) => (planned.value = found))
    .catch(() => undefined);
  return { vehicle, plan };
});
car.keepFresh(load);
/** Other coats: what they take, and what is still missing, comes anew. */
function renewed(systems: SystemsView): void {
  view.value = { ...view.value!, systems };
  void load.reload();
}
const groups = computed(() => (view.value && load.data.value ? groupsOf(view.value, load.data.value.plan) : []));
const bare = computed(() => (view.value?.faces ?? []).filter(({ state }) => state === 'bare'));
const toShut = computed(() => bare.value.filter(({ closedBy }) => closedBy.length > 0));
const chosen = ref<string[]>([]);
const choose = (face: string, on: boolean) =>
  (chosen.value = on ? [...chosen.value, face] : chosen.value.filter((id) => id !== face));
const chosenFaces = computed(() => (view.value?.faces ?? []).filter(({ id }) => chosen.value.includes(id)));
const coating = ref(false);
const DAY = 86_400_000;
/** The last chance: when the first weld that shuts this hollow is planned. */
function lastChance({ open }: FaceGroup): string {
  const times = (planned.value?.steps ?? [])
    .filter(({ kind, repair }) => kind === 'weld' && open.some(({ id }) => id === repair))
    .flatMap(({ pieces }) => pieces.slice(0, 1).map(([from]) => from))
    .sort();
  const [first] = times;
  if (!first) return '';
  const days = Math.max(0, Math.floor((Date.parse(first) - Date.now()) / DAY));
  return `By the plan that is ${dayOf(first)}: ${days === 0 ? 'less than a day is' : days === 1 ? 'one day is' : `${days} days are`} left.`;
}
const names = (group: FaceGroup) =>
  group.open.map(({ panel }) => panelOf(load.data.value!.plan, panel).name).join(', ');
const overruling = ref<string | null>(null);
async function overrule(repair: string, why: string): Promise<void> {
  if (await close.overrule({ repair, reason: why })) overruling.value = null;
}
const now = Date.now();
function nextOf({ next, grit }: CoatView): string {
  const late = next.latest !== null && Date.parse(next.latest) < now;
  if (late)
    return grit
      ? `The next coat is too late: scuff it with ${grit} grit first.`
      : 'The next coat is too late: read the sheet of its maker.';
  if (Date.parse(next.earliest) > now) return `The next coat from ${timeOf(next.earliest)}.`;
  return next.latest ? `The next coat may go on now, until ${timeOf(next.latest)}.` : 'The next coat may go on.';
}
const lastOf = ({ coats }: FaceView) => coats.at(-1);
const done = () => {
  coating.value = false;
  chosen.value = [];
};
</script>

<template>
  <Waiting :of="load" what="What must be coated">
    <main v-if="load.data.value && view" class="page">
      <CarHead :vehicle="load.data.value.vehicle" title="Close" question="What must be coated before it is shut?" />
      <p v-if="view.faces.length === 0" class="tile soft">
        No repair lays a face bare yet. As soon as it is decided that metal is cut or treated, its faces stand here.
        <RouterLink :to="`/vehicles/${id}/job`">To the job</RouterLink>
      </p>
      <template v-else>
        <p class="figure">{{ toShut.length }}</p>
        <p>
          {{ toShut.length === 1 ? 'face is' : 'faces are' }} bare that a weld will shut<template
            v-if="bare.length > toShut.length"
            >; {{ bare.length - toShut.length }}
            {{
              bare.length - toShut.length === 1 ? 'that stays in reach is bare' : 'that stay in reach are bare'
            }}</template
          >.
          <template v-if="toShut.length > 0">A weld that would shut one is stopped at the bench.</template>
        </p>
        <KitNotice v-if="form.rest('reason', 'product', 'celsius', 'humidity', 'steel', 'note')" bad>{{
          form.rest('reason', 'product', 'celsius', 'humidity', 'steel', 'note')
        }}</KitNotice>
        <section v-if="view.reminders.length > 0" class="tile group" aria-label="What will not wait">
          <h2>What will not wait</h2>
          <ReminderList :reminders="view.reminders" />
        </section>
        <section v-for="group in groups" :key="group.id" class="tile group">
          <div class="row top">
            <FaceSection
              v-if="sectionOf(load.data.value.plan, group).length > 0"
              :walls="sectionOf(load.data.value.plan, group)"
              :title="group.title"
            />
            <div class="grow">
              <h2>{{ group.title }}</h2>
              <p v-if="group.hollow && group.open.length > 0" class="small">
                Shut by the welds of {{ names(group) }}. <strong>{{ lastChance(group) }}</strong>
              </p>
              <p v-else-if="group.hollow" class="small">It is shut.</p>
              <p v-if="group.drains.length > 0 && group.open.length > 0" class="small soft">
                Leave open: {{ group.drains.join(', ') }}.
              </p>
              <p v-if="group.finds.length > 0 && group.open.length > 0" class="small warn">
                Not cured yet: {{ group.finds.join('; ') }}.
              </p>
              <ul class="plain">
                <li v-for="face in group.faces" :key="face.id" class="face" :data-face="face.id">
                  <KitCheckbox
                    v-if="session.canWork"
                    :model-value="chosen.includes(face.id)"
                    @update:model-value="choose(face.id, $event)"
                    >{{ face.name }}</KitCheckbox><span v-else>{{ face.name }}</span>
                  <span class="state" :class="face.state">{{ FACE_STATE_WORDS[face.state] }}</span>
                  <ul v-if="face.coats.length > 0" class="plain small coats">
                    <li v-for="coat in face.coats" :key="coat.id">
                      {{ coat.name }}, {{ timeOf(coat.at) }} ({{ coat.by }})<template v-if="coat.damp"
                        >, <strong class="warn">too near the dew point</strong></template
                      ><template v-if="coat.note"> – {{ coat.note }}</template
                      >{{ ' ' }}
                      <KitButton v-if="session.canWork" small plain @click="close.takeBack(coat.id)"
                        >Take back</KitButton
                      >
                    </li>
                    <li v-if="lastOf(face)" class="soft">{{ nextOf(lastOf(face)!) }}</li>
                  </ul>
                </li>
              </ul>
              <div v-for="repair in group.open" :key="repair.id" class="small">
                <template v-if="repair.overruled">
                  {{ repair.name }} may be shut bare: {{ repair.overruled.reason }} ({{ repair.overruled.by }}).
                  <KitButton v-if="session.canWork" small plain @click="overrule(repair.id, '')"
                    >Not after all</KitButton
                  >
                </template>
                <template v-else-if="repair.bare.length > 0 && session.canWork">
                  <ReasonForm
                    v-if="overruling === repair.id"
                    label="Why it may be shut bare"
                    act="Shut it for this reason"
                    keep="Cancel"
                    :error="form.errors['reason'] ?? null"
                    :busy="form.busy.value"
                    @give="overrule(repair.id, $event)"
                    @cancel="overruling = null"
                  />
                  <KitButton v-else small plain @click="overruling = repair.id">It may be shut bare …</KitButton>
                </template>
              </div>
            </div>
          </div>
        </section>
      </template>
      <div v-if="session.canWork && chosen.length > 0" class="act">
        <KitButton v-if="session.canWork && chosen.length > 0" main @click="coating = true">
          Coat {{ chosen.length === 1 ? 'this face' : `these ${chosen.length} faces` }}
        </KitButton>
      </div>
      <NeedsTile v-if="view.needs.length > 0" :vehicle="id" :needs="view.needs" class="group" />
      <SystemList :systems="view.systems" @changed="renewed" />
      <ProductList :products="view.products" @changed="view = { ...view, products: $event }" />
      <CoatForm v-if="coating" :close="close" :view="view" :faces="chosenFaces" @done="done" @close="coating = false" />
    </main>
  </Waiting>
</template>

<style scoped>
.group {
  margin-bottom: 0.8rem;
  max-width: 1000px;
}
.top {
  align-items: flex-start;
  gap: 1rem;
  flex-wrap: nowrap;
}
.grow {
  flex: 1;
  min-width: 0;
}
h2 {
  font-size: 1.1rem;
  margin: 0 0 0.2rem;
}
.grow p {
  margin: 0.15rem 0;
}
.face {
  padding: 0.35rem 0;
  border-bottom: 1px solid var(--line);
  min-height: 44px;
}
.coats {
  margin: 0 0 0 1.9rem;
}
.coats > li {
  border: 0;
  padding: 0;
}
.state {
  font-weight: 600;
  margin-left: 0.6rem;
}
.state.bare,
.state.shut-bare,
.warn {
  color: var(--alarm);
}
.act {
  position: sticky;
  bottom: 0.6rem;
  z-index: 2;
  width: fit-content;
}
</style>
