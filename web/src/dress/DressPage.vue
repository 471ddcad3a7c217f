<script setup lang="ts">
import { computed, ref } from 'vue';
import {
  ACT_WORDS,
  FILL_PRODUCT_WORDS,
  FILL_STAGE_WORDS,
  FILL_WORDS,
  type DressRoundInput,
  type DressView,
} from '@aspecta/contract/dress';
import { DRESS_LIMITS, fillStages, type FillStage } from '@aspecta/core/dress';
import { crumbsTo } from '../car/crumbs.ts';
import DecisionLine from '../car/DecisionLine.vue';
import RepairChoice from '../car/RepairChoice.vue';
import { useRepairPage } from '../car/useRepairPage.ts';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import CautionList from '../shell/CautionList.vue';
import { post, remove } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import StationFrame from '../shell/StationFrame.vue';
import { dayOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import Waiting from '../shell/Waiting.vue';
import DressForm from './DressForm.vue';
import DressSheet from './DressSheet.vue';

/* After welding: a straight edge across the welds → what is tapped down, stretched, filled → the next reading, until it is level. */
const props = defineProps<{ id: string; repair: string }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const at = `/repairs/${props.repair}/dress`;
const { load, view, decision, others } = useRepairPage<DressView>(props, at);
const last = computed(() => view.value?.rounds.at(-1) ?? null);
const before = computed(() => view.value?.rounds.at(-2) ?? null);
const reading = ref(false);
const picked = ref<string | null>(null);
/** Places to see to, by what is done there. */
const todo = computed(() => {
  const acts = ['again', 'build', 'stretch', 'shrink', 'fill'] as const;
  const number = (place: string) => view.value!.places.findIndex(({ id }) => id === place) + 1;
  return acts.flatMap((act) => {
    const own = (last.value?.result.places ?? []).filter((one) => one.act === act);
    return own.length > 0
      ? [{ act, places: own.map(({ place, mm }) => ({ n: number(place), mm: Math.abs(mm) })) }]
      : [];
  });
});
const sentence = computed(() => {
  if (!last.value) return 'Not read yet.';
  if (last.value.result.good) return view.value!.noFiller ? 'Leave it as it is.' : 'Level enough for good work.';
  return 'Not level yet.';
});
async function keep(round: DressRoundInput): Promise<void> {
  const done = await form.submit(async () => {
    view.value = await post<DressView>(`${at}/rounds`, round);
  });
  if (done) reading.value = false;
}
const takeBack = (round: string) =>
  form.submit(async () => {
    view.value = await remove<DressView>(`${at}/rounds/${round}`);
  });
const stageText = ({ what, product, mm, layers, grits }: FillStage): string =>
  [
    what === 'fill' && product
      ? `${FILL_STAGE_WORDS.fill} ${units.fine(mm)} with ${FILL_PRODUCT_WORDS[product]}, in ${layers} ${layers === 1 ? 'layer' : 'layers'}, each hardened through`
      : FILL_STAGE_WORDS[what],
    ...(grits.length > 0 ? [`with ${grits.join(', then ')} grit`] : []),
  ].join(', ');
const next = computed(() =>
  last.value?.result.good ? { text: 'Coat it before it rusts again', to: `/vehicles/${props.id}/close` } : null,
);
</script>

<template>
  <Waiting :of="load" what="The welds">
    <StationFrame
      v-if="load.data.value && view"
      :crumbs="crumbsTo(load.data.value.vehicle, load.data.value.panel, decision)"
      title="Dress"
      :next="next"
    >
      <template #sheet>
        <DressSheet
          :view="view"
          :panel="load.data.value.panel"
          :round="last"
          :picked="picked"
          @pick="picked = $event"
        />
      </template>
      <template #card>
        <div class="stack">
          <RepairChoice :vehicle="id" :repair="repair" :repairs="others" :plan="load.data.value.plan" station="dress" />
          <DecisionLine v-if="decision" :vehicle="id" :repair="decision" />
          <h2 class="question">How level is it?</h2>
          <p v-if="view.places.length === 0" class="soft">Nothing of this repair is welded along a line.</p>
          <template v-else>
            <p v-if="last" class="figure">{{ units.sheet(last.result.low) }} <small>at its lowest</small></p>
            <p class="large">{{ sentence }}</p>
            <p v-if="last && before" class="small">
              Before: {{ units.sheet(before.result.low) }} low, {{ units.sheet(before.result.proud) }} proud; now
              {{ units.sheet(last.result.low) }} and {{ units.sheet(last.result.proud) }}.
            </p>
            <KitNotice v-if="view.noFiller">{{ view.noFiller }}</KitNotice>
            <p v-else-if="view.finish === 'metal'" class="small soft">
              By the <RouterLink to="/house">house rules</RouterLink> metal is worked here until no filler is needed.
            </p>
            <p v-if="view.welded !== null && view.welded < 1 && view.rounds.length === 0" class="small soft">
              Not all of its welds are done: a reading holds for what is cold and welded.
            </p>
            <section v-for="entry in todo" :key="entry.act" class="act">
              <h3>
                {{ entry.places.length === 1 ? 'Place' : 'Places' }}
                {{ entry.places.map(({ n, mm }) => `${n} (${units.sheet(mm)})`).join(', ') }}:
                {{ ACT_WORDS[entry.act][0] }}
              </h3>
              <p class="small">{{ ACT_WORDS[entry.act][1] }}</p>
            </section>
            <section v-if="last?.result.fill" class="act">
              <h3>If it were filled as it lies now</h3>
              <p>
                <strong class="mono">{{ Math.round(last.result.fill.grams) }} g</strong> to mix, about half of it is
                sanded off again ({{ last.result.fill.ml.toFixed(0) }} ± {{ last.result.fill.sd.toFixed(0) }} ml stay),
                {{ last.result.fill.layers }} {{ last.result.fill.layers === 1 ? 'layer' : 'layers' }}.
              </p>
              <p class="small">{{ FILL_WORDS[last.result.fill.kind] }}.</p>
              <ol class="small stages">
                <li v-for="(stage, i) in fillStages(last.result.fill)" :key="i">{{ stageText(stage) }}</li>
              </ol>
              <p class="small soft">
                Feather it out {{ units.length(DRESS_LIMITS.feather) }} and more on both sides. Not over a hole, not
                near a mount: there filler counts for nothing.
              </p>
            </section>
            <KitNotice v-if="form.rest('note')" bad>{{ form.rest('note') }}</KitNotice>
            <DressForm
              v-if="reading"
              v-model:picked="picked"
              :view="view"
              :busy="form.busy.value"
              :note-error="form.errors['note'] ?? null"
              @read="keep"
              @cancel="reading = false"
            />
            <template v-else-if="session.canWork">
              <KitButton :main="!last?.result.good" @click="reading = true">{{
                last ? 'Read it again' : 'Lay a straight edge across the welds'
              }}</KitButton>
              <KitButton v-if="last" small plain :disabled="form.busy.value" @click="takeBack(last.id)"
                >Take the last reading back</KitButton
              >
            </template>
            <KitCollapse v-if="view.rounds.length > 0" title="All readings">
              <p v-for="(round, i) in view.rounds" :key="round.id" class="small">
                {{ i + 1 }}. {{ dayOf(round.at) }}, {{ round.by }}: {{ units.sheet(round.result.low) }} low,
                {{ units.sheet(round.result.proud) }} proud{{ round.note ? ` – ${round.note}` : '' }}
              </p>
            </KitCollapse>
            <KitCollapse title="Before you grind">
              <CautionList step="strip"
                ><li>
                  Grinding can warp as much as welding: short touches, never until it turns blue; let it cool.
                </li></CautionList
              >
            </KitCollapse>
          </template>
        </div>
      </template>
    </StationFrame>
  </Waiting>
</template>

<style scoped>
.stages {
  margin: 0.3rem 0;
  padding-left: 1.4rem;
}
.question {
  font-size: 1.15rem;
  margin: 0;
}
.large {
  font-size: 1.2rem;
  font-weight: 600;
  margin: 0;
}
.act h3 {
  font-size: 1rem;
  margin: 0;
}
.act p {
  margin: 0.15rem 0;
}
</style>
