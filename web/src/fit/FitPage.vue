<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { triedWith } from '@aspecta/core/body';
import type { FitRoundInput, FitView } from '@aspecta/contract/fit';
import { crumbsTo } from '../car/crumbs.ts';
import DecisionLine from '../car/DecisionLine.vue';
import RepairChoice from '../car/RepairChoice.vue';
import { useRepairPage } from '../car/useRepairPage.ts';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import CautionList from '../shell/CautionList.vue';
import { post, put, remove } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { useForm } from '../shell/useForm.ts';
import ReasonForm from '../shell/ReasonForm.vue';
import Waiting from '../shell/Waiting.vue';
import FitForm from './FitForm.vue';
import FitResult from './FitResult.vue';
import FitSheet from './FitSheet.vue';

/* Trial fits of a piece: gaps at places of its joints → move, trim, build up → the next one, until it may be welded. */
const props = defineProps<{ id: string; repair: string }>();
const session = useSession();
const form = useForm();
const at = `/repairs/${props.repair}/fit`;
const { load, view, decision, others } = useRepairPage<FitView>(props, at);
const last = computed(() => view.value?.rounds.at(-1) ?? null);
/** Gaps that come from the Bench book are read at once. */
const trying = ref(useRoute().query['gaps'] !== undefined);
const picked = ref<string | null>(null);
async function keep(round: FitRoundInput): Promise<void> {
  const done = await form.submit(async () => {
    view.value = await post<FitView>(`${at}/rounds`, round);
  });
  if (done) trying.value = false;
}
const takeBack = (round: string) =>
  form.submit(async () => {
    view.value = await remove<FitView>(`${at}/rounds/${round}`);
  });
const overruling = ref(false);
async function overrule(why: string): Promise<void> {
  const done = await form.submit(async () => {
    view.value = await put<FitView>(`${at}/overruled`, { reason: why });
  });
  if (done) overruling.value = false;
}
const next = computed(() => {
  if (!view.value || !last.value) return null;
  return view.value.ready ? { text: 'Weld it in', to: `/vehicles/${props.id}/repairs/${props.repair}/weld` } : null;
});
const sentence = computed(() => {
  if (!last.value) return 'Not tried yet.';
  if (view.value!.overruled) return 'It may be welded as it fits now.';
  return last.value.result.good ? 'It fits: it may be tacked.' : 'It does not fit yet.';
});
</script>

<template>
  <Waiting :of="load" what="The trial fits">
    <StationFrame
      v-if="load.data.value && view"
      :crumbs="crumbsTo(load.data.value.vehicle, load.data.value.panel, decision)"
      title="Fit"
      :next="next"
    >
      <template #sheet>
        <FitSheet :view="view" :panel="load.data.value.panel" :round="last" :picked="picked" @pick="picked = $event" />
      </template>
      <template #card>
        <div class="stack">
          <RepairChoice :vehicle="id" :repair="repair" :repairs="others" :plan="load.data.value.plan" station="fit" />
          <DecisionLine v-if="decision" :vehicle="id" :repair="decision" />
          <h2 class="question">When does it fit?</h2>
          <p v-if="view.places.length === 0" class="soft">
            Nothing of this repair is fitted: no joint of it is closed.
          </p>
          <template v-else>
            <p class="figure">{{ view.rounds.length }}</p>
            <p>{{ view.rounds.length === 1 ? 'trial fit' : 'trial fits' }}. {{ sentence }}</p>
            <FitResult v-if="last" :view="view" :round="last" :panel="load.data.value.panel" :n="view.rounds.length" />
            <KitNotice v-if="form.rest('reason', 'note')" bad>{{ form.rest('reason', 'note') }}</KitNotice>
            <FitForm
              v-if="trying"
              v-model:picked="picked"
              :view="view"
              :hung="triedWith(load.data.value.plan, view.panel).map(({ name }) => name)"
              :busy="form.busy.value"
              :note-error="form.errors['note'] ?? null"
              @read="keep"
              @cancel="trying = false"
            />
            <template v-else-if="session.canWork">
              <KitButton :main="!view.ready" @click="trying = true"
                >Read trial fit {{ view.rounds.length + 1 }}</KitButton
              >
              <KitButton v-if="last" small plain :disabled="form.busy.value" @click="takeBack(last.id)"
                >Take the last one back</KitButton
              >
              <p v-if="view.overruled" class="small">
                Overruled: {{ view.overruled.reason }} ({{ view.overruled.by }}).
                <KitButton small plain @click="overrule('')">Not after all</KitButton>
              </p>
              <template v-else-if="last && !last.result.good">
                <ReasonForm
                  v-if="overruling"
                  label="Why it is welded as it fits now"
                  act="Weld it for this reason"
                  keep="Cancel"
                  :error="form.errors['reason'] ?? null"
                  :busy="form.busy.value"
                  @give="overrule"
                  @cancel="overruling = false"
                />
                <KitButton v-else small plain @click="overruling = true">It is good enough …</KitButton>
              </template>
            </template>
            <section v-if="view.other">
              <h3>The other side took {{ view.other.rounds.length }}</h3>
              <ul class="plain small">
                <li v-for="(round, i) in view.other.rounds" :key="round.id">
                  {{ i + 1 }}: {{ round.result.good ? 'it fitted' : 'not yet'
                  }}<template v-if="round.note"> – {{ round.note }}</template>
                </li>
              </ul>
              <p class="small soft">Its figures are mirrored: try them on this side first.</p>
            </section>
            <KitCollapse v-if="view.rounds.length > 1" title="Earlier trial fits">
              <FitResult
                v-for="(round, i) in view.rounds.slice(0, -1)"
                :key="round.id"
                :view="view"
                :round="round"
                :panel="load.data.value.panel"
                :n="i + 1"
              />
            </KitCollapse>
          </template>
          <KitCollapse title="Before you weld">
            <CautionList step="weld" />
          </KitCollapse>
        </div>
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
  margin: 0;
}
</style>
