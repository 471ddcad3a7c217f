<script setup lang="ts">
import { computed, shallowRef } from 'vue';
import type { FindView } from '@aspecta/contract/survey';
import { signOf } from '@aspecta/core/survey';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';
import FindEntry from './FindEntry.vue';

/* What was found: the worst on load-bearing metal first, what is cured last. */
const props = defineProps<{
  finds: readonly FindView[];
  vehicle: string;
  canWork: boolean;
  nameOf?: (panel: string) => string;
}>();
/** The find as it is stored now, or the one that is gone. */
const emit = defineEmits<{ changed: [find: FindView]; gone: [find: FindView] }>();
const form = useForm();
const removed = shallowRef<FindView | null>(null);
const shown = computed(() => props.finds.filter((find) => find.sign !== 'sound'));
const open = computed(() => shown.value.filter((find) => !find.closed));
const cured = computed(() => shown.value.filter((find) => find.closed));
const grave = computed(() => open.value.some((find) => find.structural && signOf(find.sign).weight >= 0.5));

function gone(find: FindView): void {
  removed.value = find;
  emit('gone', find);
}
async function bringBack(): Promise<void> {
  const find = removed.value!;
  if (!(await form.submit(() => post(`/vehicles/${props.vehicle}/finds/${find.id}/restore`)))) return;
  removed.value = null;
  emit('changed', find);
}
</script>

<template>
  <div v-if="shown.length > 0 || removed">
    <p class="eyebrow">Found</p>
    <p v-if="grave" class="small alarm">
      Some of it is on load-bearing metal. Nothing there counts as strength until it is repaired as your local code
      says; ask a qualified person.
    </p>
    <ul>
      <FindEntry
        v-for="find in [...open, ...cured]"
        :key="find.id"
        :find="find"
        :vehicle="vehicle"
        :panel-name="nameOf ? nameOf(find.panel) : null"
        :can-work="canWork"
        @changed="emit('changed', $event)"
        @gone="gone"
      />
    </ul>
    <div v-if="removed" class="row" role="status">
      <span class="small">“{{ signOf(removed.sign).title }}” is removed.</span>
      <KitButton small :disabled="form.busy.value" @click="bringBack">Bring it back</KitButton>
    </div>
    <KitNotice bad v-if="form.rest()">{{ form.rest() }}</KitNotice>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.6rem;
}
</style>
