<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import { OPTION_WORDS, type RepairView } from '@aspecta/contract/verdict';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';

/* On every later page of a repair: what was decided, whether it still holds, and the way back to it. */
const props = defineProps<{ vehicle: string; repair: RepairView }>();
const units = useUnits();
const session = useSession();
const OtherSide = defineAsyncComponent(() => import('./OtherSide.vue'));
const mirroring = ref(false);
const back = computed(
  () => `/vehicles/${props.vehicle}/panels/${props.repair.panel}/verdict?repair=${props.repair.id}`,
);
const grown = computed(() => {
  const { area, areaNow } = props.repair;
  return area !== null && Math.abs(area - areaNow) >= 1
    ? `found ${units.area(areaNow)}, decided on ${units.area(area)}`
    : 'it was changed after the decision';
});
</script>

<template>
  <KitNotice v-if="repair.withdrawn" bad>
    This decision was taken back: {{ repair.withdrawn.reason }}.
    <RouterLink :to="back">Look at the verdict</RouterLink>.
  </KitNotice>
  <KitNotice v-else-if="repair.staleZones.length > 0" bad>
    The damage is not what was decided on: {{ grown }}. What stands here follows it as it is now.
    <RouterLink :to="back">Decide again</RouterLink>.
  </KitNotice>
  <div v-else class="row spread decided">
    <p class="small soft">
      Decided: {{ OPTION_WORDS[repair.choice].decided }}. <RouterLink :to="back">Change the decision</RouterLink>
    </p>
    <KitButton v-if="session.canWork" small plain @click="mirroring = true">Same on the other side</KitButton>
    <OtherSide v-if="mirroring" :vehicle="vehicle" :repair="repair" @close="mirroring = false" />
  </div>
</template>

<style scoped>
.decided p {
  margin: 0;
}
</style>
