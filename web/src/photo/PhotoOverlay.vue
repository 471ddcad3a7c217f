<script setup lang="ts">
import { computed } from 'vue';
import type { PhotoView } from '@aspecta/contract/survey';
import { photoTiles } from './photoTiles.ts';

/* A picture laid true to size on its panel, in mm: small pieces of it, each carried by its own affine map. */
const props = defineProps<{ photo: PhotoView; vehicle: string }>();
const tiles = computed(() => photoTiles(props.photo));
const href = computed(() => `/api/vehicles/${props.vehicle}/photos/${props.photo.id}/picture`);
</script>

<template>
  <g class="overlay">
    <defs>
      <image
        :id="`picture-${photo.id}`"
        :href="href"
        :width="photo.width"
        :height="photo.height"
        preserveAspectRatio="none"
      />
      <clipPath v-for="tile in tiles" :id="`tile-${photo.id}-${tile.key}`" :key="tile.key"
        ><rect :x="tile.x" :y="tile.y" :width="tile.width" :height="tile.height"
      /></clipPath>
    </defs>
    <g v-for="tile in tiles" :key="tile.key" :transform="`matrix(${tile.matrix.join(' ')})`">
      <use :href="`#picture-${photo.id}`" :clip-path="`url(#tile-${photo.id}-${tile.key})`" />
    </g>
  </g>
</template>

<style scoped>
.overlay {
  opacity: 0.82;
  pointer-events: none;
}
</style>
