<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { FitRoundInput, FitView } from '@aspecta/contract/fit';
import { triedWith, type BodyPlan, type Panel } from '@aspecta/core/body';
import FitForm from '../fit/FitForm.vue';
import FitResult from '../fit/FitResult.vue';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get, post } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';

/* A check between two rounds of welds, with what was read: kept as a trial fit, and told whether to go on. */
const props = defineProps<{ vehicle: string; repair: string; plan: BodyPlan; panel: Panel }>();
const form = useForm();
const at = `/repairs/${props.repair}/fit`;
const view = shallowRef<FitView | null>(null);
const open = ref(false);
const picked = ref<string | null>(null);
const read = ref(false);
const last = computed(() => (read.value ? (view.value?.rounds.at(-1) ?? null) : null));
const begin = () =>
  form.submit(async () => {
    view.value = await get<FitView>(at);
    read.value = false;
    open.value = true;
  });
const keep = (round: FitRoundInput) =>
  form.submit(async () => {
    view.value = await post<FitView>(`${at}/rounds`, round);
    read.value = true;
  });
</script>

<template>
  <KitButton :disabled="form.busy.value" @click="begin">Type what you read</KitButton>
  <KitNotice v-if="!open && form.rest('note')" bad>{{ form.rest('note') }}</KitNotice>
  <KitDialog v-if="open && view" title="Gap and level" @close="open = false">
    <div v-if="last" class="stack">
      <KitNotice :bad="!last.result.good"
        ><p>
          {{ last.result.good ? 'It lies as it should: go on.' : 'It has moved. Cure it before the next weld.' }}
        </p></KitNotice
      >
      <FitResult :view="view" :round="last" :panel="panel" :n="view.rounds.length" />
      <div class="row">
        <KitButton main @click="open = false">Back to the bench</KitButton>
        <KitButton :to="`/vehicles/${vehicle}/repairs/${repair}/fit`">To the trial fits</KitButton>
      </div>
    </div>
    <p v-else-if="view.places.length === 0">Nothing of this repair is fitted: no joint of it is closed.</p>
    <FitForm
      v-else
      v-model:picked="picked"
      :view="view"
      :hung="triedWith(plan, view.panel).map(({ name }) => name)"
      :busy="form.busy.value"
      :note-error="form.errors['note'] ?? form.rest('note') ?? null"
      @read="keep"
      @cancel="open = false"
    />
  </KitDialog>
</template>
