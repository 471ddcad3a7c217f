<script setup lang="ts">
import { ZONE_CLASSES, type ZoneView } from '@aspecta/contract/survey';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useUnits } from '../shell/units.ts';
import type { Drawing } from './useZoneDraft.ts';

/* What can be done with the shape of a zone: islands, splitting, joining with another. */
defineProps<{
  zone: ZoneView | null;
  others: readonly ZoneView[];
  drawing: Drawing;
  penLength: number;
  islands: number;
  problem: string | null;
}>();
const emit = defineEmits<{
  draw: [what: Drawing];
  keepIsland: [];
  dropIslands: [];
  split: [];
  merge: [other: ZoneView];
  subtract: [other: ZoneView];
}>();
const units = useUnits();
const name = (zone: ZoneView) => `${ZONE_CLASSES[zone.class].toLowerCase()}, ${units.area(zone.area)}`;
</script>

<template>
  <div class="stack">
    <template v-if="drawing === 'island'">
      <p>Tap the corners of the sound island inside the zone.</p>
      <div class="row">
        <KitButton main :disabled="penLength < 3" @click="emit('keepIsland')">Keep the island</KitButton
        ><KitButton @click="emit('draw', 'outline')">Cancel</KitButton>
      </div>
    </template>
    <template v-else-if="drawing === 'split'">
      <p>Tap two or more places: the zone is split along the line through them.</p>
      <div class="row">
        <KitButton main :disabled="penLength < 2" @click="emit('split')">Split it there</KitButton
        ><KitButton @click="emit('draw', 'outline')">Cancel</KitButton>
      </div>
    </template>
    <KitNotice bad v-if="problem">{{ problem }}</KitNotice>
    <KitCollapse v-if="drawing === 'outline'">
      <template #title>Shape</template>
      <div class="stack">
        <div class="row">
          <KitButton small @click="emit('draw', 'island')">Mark a sound island</KitButton>
          <KitButton small v-if="islands > 0" @click="emit('dropIslands')">
            Drop {{ islands === 1 ? 'the island' : `${islands} islands` }}
          </KitButton>
          <KitButton small v-if="zone" @click="emit('draw', 'split')">Split along a line</KitButton>
        </div>
        <template v-if="zone">
          <div v-for="other in others" :key="other.id" class="row">
            <KitButton small @click="emit('merge', other)">Merge with {{ name(other) }}</KitButton>
            <KitButton small @click="emit('subtract', other)">Take it out of this one</KitButton>
          </div>
          <dl>
            <div>
              <dt>To the edge</dt>
              <dd class="mono">{{ units.length(zone.distances.edge) }}</dd>
            </div>
            <div v-if="zone.distances.crease !== null">
              <dt>To the next crease</dt>
              <dd class="mono">{{ units.length(zone.distances.crease) }}</dd>
            </div>
            <div v-if="zone.distances.mount !== null">
              <dt>To the next mount</dt>
              <dd class="mono" :class="{ alarm: zone.distances.mount < 300 }">
                {{ units.length(zone.distances.mount) }}
              </dd>
            </div>
          </dl>
          <p v-if="zone.distances.mount !== null && zone.distances.mount < 300" class="small alarm">
            Near a mount everything counts as load bearing; follow your local code.
          </p>
        </template>
      </div>
    </KitCollapse>
  </div>
</template>

<style scoped>
dl {
  margin: 0;
  display: grid;
  gap: 0.2rem;
}
dl div {
  display: flex;
  justify-content: space-between;
}
dd {
  margin: 0;
}
</style>
