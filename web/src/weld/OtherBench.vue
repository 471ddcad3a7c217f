<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import { STEP_WORDS, type OtherSideView } from '@aspecta/contract/weld';
import KitButton from '../kit/KitButton.vue';
import { get, serverNow } from '../shell/api.ts';
import { clock } from '../shell/units.ts';
import { nextOf } from './weldScene.ts';

/* The other side of the car, to which one goes over while this side cools; nothing where it has no plan, or is done. */
const props = defineProps<{ vehicle: string; repair: string; left: number }>();
/** s. It takes a minute to go over: for less one waits. */
const WORTH_GOING = 60;
/** ms */
const [TICK, FOLLOW] = [1000, 10_000];
const other = shallowRef<OtherSideView | null>(null);
const now = ref(serverNow());
const next = computed(() => other.value && nextOf(other.value.plan.plan.steps, other.value.plan.done, now.value));
const isBetter = computed(() => next.value !== null && props.left - next.value.left >= WORTH_GOING);
const words = computed(() => {
  if (!other.value || !next.value) return '';
  const { step, left } = next.value;
  const state = left > 0 ? `cools for ${clock(left)}` : 'can go on';
  return `${other.value.name}: step ${step.n}, ${STEP_WORDS[step.kind][0].toLowerCase()}, ${state}`;
});
async function look(): Promise<void> {
  try {
    other.value = await get<OtherSideView | null>(`/repairs/${props.repair}/weld/other`);
  } catch {
    // Without network the bench goes on by itself; the bar at the top says so.
  }
}
const timers: ReturnType<typeof setInterval>[] = [];
onMounted(() => {
  void look();
  timers.push(
    setInterval(() => (now.value = serverNow()), TICK),
    setInterval(() => void look(), FOLLOW),
  );
});
onBeforeUnmount(() => timers.forEach(clearInterval));
</script>

<template>
  <KitButton v-if="other && next" :main="isBetter" :to="`/vehicles/${vehicle}/repairs/${other.repairId}/bench`">
    <template v-if="isBetter">Go over while it cools – </template>{{ words }}
  </KitButton>
</template>
