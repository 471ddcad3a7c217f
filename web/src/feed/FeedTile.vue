<script setup lang="ts">
import { ref } from 'vue';
import type { FeedView, NewFeed } from '@aspecta/contract/plan';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get, post, remove } from '../shell/api.ts';
import { dayOf } from '../shell/days.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';

/* The plan of all cars in one's own calendar: an address that a telephone asks again and again. */
const form = useForm();
const load = useLoad(() => get<FeedView>('/feed'));
const address = ref<string | null>(null);
const open = () =>
  form.submit(async () => {
    const { token, since } = await post<NewFeed>('/feed');
    load.data.value = { since };
    address.value = `${window.location.origin}/api/calendar/${token}.ics`;
  });
const end = () =>
  form.submit(async () => {
    load.data.value = await remove<FeedView>('/feed');
    address.value = null;
  });
</script>

<template>
  <section v-if="load.data.value" class="tile stack">
    <h2>The plan in my calendar</h2>
    <p class="small soft">
      An address that a telephone or a calendar program subscribes to: what comes next on all cars, moved as the plan
      moves. Whoever has the address can read it.
    </p>
    <KitNotice v-if="address">
      <p>This address is shown once. Copy it now:</p>
      <p class="mono address">{{ address }}</p>
    </KitNotice>
    <p v-else-if="load.data.value.since" class="small">
      One is given out since {{ dayOf(load.data.value.since) }}. A new one ends it.
    </p>
    <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
    <div class="row">
      <KitButton :disabled="form.busy.value" @click="open">{{
        load.data.value.since ? 'Another address' : 'Make an address'
      }}</KitButton>
      <KitButton v-if="load.data.value.since" :disabled="form.busy.value" @click="end">End it</KitButton>
    </div>
  </section>
</template>

<style scoped>
h2 {
  margin: 0;
}
.address {
  overflow-wrap: anywhere;
}
</style>
