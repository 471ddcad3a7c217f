<script setup lang="ts">
import { computed } from 'vue';
import { REGION_KINDS } from '@aspecta/contract/survey';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useUnits } from '../shell/units.ts';
import type { usePictureRegion } from './usePictureRegion.ts';

/* One stroke on the damage, and the picture proposes what belongs to it. */
const props = defineProps<{ tool: ReturnType<typeof usePictureRegion>; busy: boolean }>();
const emit = defineEmits<{ keep: []; zone: [] }>();
const units = useUnits();
const { what, adds, strokes, parts, total, busy: looking, problem } = props.tool;
const KINDS = Object.entries(REGION_KINDS).map(([value, { word }]) => ({
  value: value as keyof typeof REGION_KINDS,
  label: word,
}));
const way = computed({
  get: () => (adds.value ? 'add' : 'take'),
  set: (value: 'add' | 'take') => (adds.value = value === 'add'),
});
const WAYS = [
  { value: 'add', label: 'It belongs to it' },
  { value: 'take', label: 'It does not' },
] as const;
</script>

<template>
  <div class="stack">
    <KitChips v-model="what" legend="What do you stroke?" :options="KINDS" />
    <p v-if="strokes.length === 0" class="small soft">
      Draw one stroke on it with a finger. What looks like it is outlined; more strokes add to it or take away. Two
      fingers move the picture.
    </p>
    <template v-else>
      <KitChips v-model="way" legend="What is under the next stroke?" :options="WAYS" />
      <p role="status">
        <template v-if="looking">Looking …</template>
        <template v-else-if="parts.length > 0">
          <span class="figure">{{ units.area(total) }}</span>
          <span class="soft small">
            of {{ REGION_KINDS[what].word.toLowerCase() }}{{ parts.length > 1 ? ` in ${parts.length} places` : '' }} on
            the panel. Look at its edge before you use it: a picture shows colours, not metal.</span
          >
        </template>
      </p>
      <KitNotice bad v-if="problem">{{ problem }}</KitNotice>
      <div class="row">
        <KitButton
          v-if="REGION_KINDS[what].class !== null"
          main
          :disabled="parts.length === 0 || looking || busy"
          @click="emit('zone')"
          >{{ parts.length > 1 ? 'Make them zones' : 'Make it a zone' }}</KitButton
        >
        <KitButton :disabled="parts.length === 0 || looking || busy" @click="emit('keep')">Keep its area</KitButton>
        <KitButton small :disabled="looking" @click="tool.takeBack">Take one back</KitButton>
        <KitButton small plain @click="tool.clear">Begin again</KitButton>
      </div>
    </template>
  </div>
</template>
