<script setup lang="ts">
import type { RecordView, ShareView, Timeline } from '@aspecta/contract/record';
import CarHead from '../car/CarHead.vue';
import { useVehicle } from '../car/useVehicle.ts';
import KitButton from '../kit/KitButton.vue';
import KitTabs from '../kit/KitTabs.vue';
import { get } from '../shell/api.ts';
import { useInAddress } from '../shell/inAddress.ts';
import { useSession } from '../shell/session.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import RecordText from './RecordText.vue';
import ShareTile from './ShareTile.vue';
import TimelineList from './TimelineList.vue';

/* What was found, decided and done: in words for others, as a timeline for the shop, and shared by a link. */
const props = defineProps<{ id: string }>();
const car = useVehicle(props.id);
const load = useLoad(async (again) => {
  const at = `/vehicles/${props.id}`;
  const [{ vehicle }, record, timeline, shares] = await Promise.all([
    car.ready(again),
    get<RecordView>(`${at}/record`),
    get<Timeline>(`${at}/timeline`),
    get<ShareView[]>(`${at}/shares`),
  ]);
  return { vehicle, record, timeline, shares };
});
car.keepFresh(load);
const session = useSession();
type Tab = 'record' | 'timeline' | 'share';
const tab = useInAddress<Tab>(
  'tab',
  () => 'record',
  () => ['record', 'timeline', 'share'],
);
</script>

<template>
  <Waiting :of="load" what="The record">
    <main v-if="load.data.value" class="page">
      <CarHead :vehicle="load.data.value.vehicle" title="Record" question="What was found, decided and done?">
        <KitButton :href="`/api/vehicles/${id}/costs.xlsx`">Hours and costs</KitButton>
        <KitButton v-if="session.canWork" :href="`/api/vehicles/${id}/archive.zip`">The whole car, ZIP</KitButton>
        <KitButton :href="`/api/vehicles/${id}/inspection.pdf`">As PDF, for the shop</KitButton>
        <KitButton :href="`/api/vehicles/${id}/inspection.pdf?for=customer`">As PDF, for others</KitButton>
      </CarHead>
      <KitTabs
        v-model="tab"
        legend="What is looked at"
        :options="[
          { value: 'record', label: 'In words' },
          { value: 'timeline', label: 'Timeline' },
          { value: 'share', label: 'Share it' },
        ]"
      />
      <RecordText
        v-if="tab === 'record'"
        :view="load.data.value.record"
        :picture-at="(photo) => `/api/vehicles/${id}/photos/${photo}/picture?small=1`"
      />
      <TimelineList v-else-if="tab === 'timeline'" :vehicle="id" :first="load.data.value.timeline" />
      <ShareTile v-else :vehicle="id" :first="load.data.value.shares" />
    </main>
  </Waiting>
</template>
