<script setup lang="ts">
import { computed, defineAsyncComponent, watch } from 'vue';
import type { Vehicle } from '@aspecta/contract/garage';
import type { PhotoView, ReadingView } from '@aspecta/contract/survey';
import { layerOf, type BodyPlan, type Panel } from '@aspecta/core/body';
import type { Point, Polygon } from '@aspecta/core/geometry';
import type { NextReading } from '@aspecta/core/survey';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitSelect from '../kit/KitSelect.vue';
import KitTabs from '../kit/KitTabs.vue';
import CautionList from '../shell/CautionList.vue';
import { useInAddress } from '../shell/inAddress.ts';
import FindList from './FindList.vue';
import MapCharts from './MapCharts.vue';
import NextList from './NextList.vue';
import ReadingList from './ReadingList.vue';
import SurveyCard from './SurveyCard.vue';
import type { useSurvey } from './useSurvey.ts';
import type { SizedKind } from './sizedKind.ts';

/* What the panel says: its map and where to read next, its pits, what does not show yet, its section, its pictures. */
const PitsTab = defineAsyncComponent(() => import('./PitsTab.vue'));
const ExtentTab = defineAsyncComponent(() => import('./ExtentTab.vue'));
const SectionTab = defineAsyncComponent(() => import('./SectionTab.vue'));
const PicturesTab = defineAsyncComponent(() => import('../photo/PicturesTab.vue'));
const props = defineProps<{
  vehicle: Vehicle;
  plan: BodyPlan;
  panel: Panel;
  survey: ReturnType<typeof useSurvey>;
  picked: ReadingView | null;
  canWork: boolean;
}>();
const emit = defineEmits<{
  take: [];
  sized: [ring: Point[], kind: SizedKind];
  zone: [id: string];
  next: [place: NextReading];
  withdraw: [id: string];
  pick: [reading: ReadingView];
}>();
const layer = defineModel<string>('layer', { required: true });
const sectionAt = defineModel<number | null>('sectionAt', { required: true });
const photo = defineModel<PhotoView | null>('photo', { required: true });
const expected = defineModel<{ p50: readonly Polygon[]; p90: readonly Polygon[] } | null>('expected', {
  required: true,
});
type Tab = 'map' | 'pits' | 'extent' | 'section' | 'pictures';

const tabs = computed(() => [
  { value: 'map' as const, label: 'Map' },
  { value: 'pits' as const, label: 'Pits' },
  { value: 'extent' as const, label: 'Unseen' },
  ...(props.panel.layers.length > 1 ? [{ value: 'section' as const, label: 'Section' }] : []),
  { value: 'pictures' as const, label: 'Pictures' },
]);
const tab = useInAddress<Tab>(
  'tab',
  () => 'map',
  () => tabs.value.map(({ value }) => value),
);
const current = computed(() => layerOf(props.panel, layer.value));
const layers = computed(() => props.panel.layers.map(({ id, name }) => ({ value: id, label: name })));
watch(tab, (now) => {
  if (now !== 'section') sectionAt.value = null;
  if (now !== 'extent') expected.value = null;
});
const { maps, counting, zones, proposed, finds } = props.survey;
</script>

<template>
  <div class="stack">
    <KitTabs v-model="tab" legend="What to look at" :options="tabs" />
    <label v-if="layers.length > 1" class="row small layer"
      >Layer<KitSelect v-model="layer" class="grow">
        <option v-for="entry in layers" :key="entry.value" :value="entry.value">{{ entry.label }}</option>
      </KitSelect></label
    >
    <template v-if="tab === 'map'">
      <SurveyCard
        v-model:kind="maps.kind.value"
        v-model:limit="maps.chosenLimit.value"
        :usual-limit="maps.usualLimit.value"
        :layer="current"
        :panel="panel"
        :readings="counting"
        :left-out="maps.samples.value.leftOut"
        :survey-map="maps.surveyMap.value"
        :coating-map="maps.coatingMap.value"
        :mapping="maps.mapping.value"
        :proposed="proposed"
        :zones="zones"
        :can-work="canWork"
        @take="emit('take')"
        @sized="(ring, kind) => emit('sized', ring, kind)"
        @zone="emit('zone', $event)"
      />
      <MapCharts
        v-if="maps.surveyMap.value && maps.kind.value === 'metal'"
        :layer="current"
        :samples="maps.samples.value.metal"
        :map="maps.surveyMap.value.map"
        :limit="maps.limit.value"
      />
      <NextList
        :advice="maps.advice.value"
        :called="maps.called.value"
        :can-work="canWork"
        @next="emit('next', $event)"
      />
      <FindList
        :finds="finds"
        :vehicle="vehicle.id"
        :can-work="canWork"
        @changed="survey.findChanged"
        @gone="survey.findGone"
      />
      <ReadingList
        :readings="counting"
        :picked="picked"
        :can-work="canWork"
        @withdraw="emit('withdraw', $event)"
        @pick="emit('pick', $event)"
      />
      <div class="row">
        <KitButton small :to="`/vehicles/${vehicle.id}/panels/${panel.id}/facts`"
          >What this panel is on this car</KitButton
        >
        <KitButton small :to="`/vehicles/${vehicle.id}/panels/${panel.id}/outline`"
          >Change the outline of this panel</KitButton
        >
      </div>
      <KitCollapse>
        <template #title>Before you scrape and probe</template>
        <CautionList step="survey" />
      </KitCollapse>
    </template>
    <PitsTab
      v-else-if="tab === 'pits'"
      :vehicle="vehicle"
      :plan="plan"
      :panel="panel"
      :layer="current"
      :survey-map="maps.surveyMap.value"
      :can-work="canWork"
      :place="picked ? [picked.u, picked.v] : null"
    />
    <ExtentTab
      v-else-if="tab === 'extent'"
      v-model:expected="expected"
      :vehicle="vehicle.id"
      :panel="panel"
      :layer="layer"
      :zones="zones"
    />
    <SectionTab
      v-else-if="tab === 'section'"
      v-model:at="sectionAt"
      :plan="plan"
      :panel="panel"
      :readings="survey.readings.value"
      :finds="finds"
    />
    <PicturesTab v-else v-model:photo="photo" :vehicle="vehicle.id" :panel="panel" :layer="layer" :can-work="canWork" />
  </div>
</template>

<style scoped>
.layer {
  flex-wrap: nowrap;
}
.layer .select {
  width: auto;
}
</style>
