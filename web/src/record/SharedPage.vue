<script setup lang="ts">
import type { RecordView } from '@aspecta/contract/record';
import { get } from '../shell/api.ts';
import { dayOf } from '../shell/days.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import RecordText from './RecordText.vue';

/* Somebody without an account reads the record of one car by its link. */
const props = defineProps<{ token: string }>();
const load = useLoad(() => get<RecordView>(`/shared/${props.token}`));
</script>

<template>
  <Waiting :of="load" what="The record">
    <main v-if="load.data.value" class="page">
      <p class="eyebrow">Record</p>
      <h1>{{ load.data.value.car }}</h1>
      <p class="soft">{{ load.data.value.shop }}, as of {{ dayOf(load.data.value.on) }}</p>
      <RecordText :view="load.data.value" :picture-at="(photo) => `/api/shared/${token}/pictures/${photo}`" />
    </main>
  </Waiting>
</template>
