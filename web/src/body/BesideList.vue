<script setup lang="ts">
import { computed } from 'vue';
import { usualAreas, type BodyPlan, type Panel } from '@aspecta/core/body';
import KitCheckbox from '../kit/KitCheckbox.vue';
import { areaText, namedOnce } from '../sheet/areaText.ts';

/* What lies over and beside the sheet: the line of a cut makes use of it, or keeps away. What this car has not is unticked. */
const props = defineProps<{ plan: BodyPlan; panel: Panel; layer: string; locked: boolean; busy: boolean }>();
const emit = defineEmits<{ say: [without: string[]] }>();
const areas = computed(() => namedOnce(usualAreas(props.plan, props.panel, props.layer)));
const without = computed(() => props.panel.without ?? []);
const has = (name: string, there: boolean) =>
  emit('say', there ? without.value.filter((one) => one !== name) : [...without.value, name]);
</script>

<template>
  <template v-if="areas.length > 0">
    <h3>Over and beside it</h3>
    <p class="small soft">
      A cut keeps to where it is not seen, and away from what is spoilt. Untick what is off or out.
    </p>
    <KitCheckbox
      v-for="area in areas"
      :key="`${area.kind} ${area.name}`"
      :model-value="!without.includes(area.name)"
      :disabled="locked || busy"
      @update:model-value="has(area.name, $event)"
      >{{ areaText(area).replace(/^./, (first) => first.toUpperCase()) }}</KitCheckbox
    >
  </template>
</template>

<style scoped>
h3 {
  font-size: 1.05rem;
  margin: 0.5rem 0 0;
}
</style>
