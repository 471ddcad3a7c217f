<script setup lang="ts">
import { ref } from 'vue';
import type { WhatIf } from '@aspecta/contract/plan';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';

/* What would bring the end nearer: reckoned when it is asked for, since every change is a plan of its own. */
const props = defineProps<{ vehicle: string }>();
const form = useForm();
const list = ref<WhatIf[] | null>(null);
const ask = () =>
  form.submit(async () => {
    list.value = await get<WhatIf[]>(`/vehicles/${props.vehicle}/plan/what-if`);
  });
/** Half a day and less is no sooner: the runs differ by as much. */
const LEAST = 0.5;
const soonerText = (sooner: number | null) =>
  sooner === null || sooner < LEAST
    ? 'no sooner'
    : `${Math.round(sooner)} ${Math.round(sooner) === 1 ? 'day' : 'days'} sooner`;
</script>

<template>
  <section class="whatif">
    <h2>What would bring the end nearer?</h2>
    <ul v-if="list" class="plain">
      <li v-for="one in list" :key="one.name" class="row spread">
        <span>{{ one.name }}</span>
        <strong>{{ soonerText(one.sooner) }}</strong>
      </li>
    </ul>
    <KitButton v-else :disabled="form.busy.value" @click="ask">{{
      form.busy.value ? 'Planning each of them …' : 'Try a helper, an evening more, parts at once'
    }}</KitButton>
    <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
  </section>
</template>

<style scoped>
.whatif {
  margin-top: 1.5rem;
  max-width: 900px;
}
</style>
