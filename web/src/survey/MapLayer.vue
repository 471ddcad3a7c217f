<script setup lang="ts">
import { computed } from 'vue';
import type { Raster } from '@aspecta/core/survey';
import { useLook } from '../shell/look.ts';
import { paintCells, type CellLook, type Rgb } from './paintMap.ts';

/* A map as a picture on the sheet, in mm. */
const props = defineProps<{ raster: Raster; look: (cell: number) => CellLook | null }>();
const night = useLook();
const rgb = (name: string): Rgb => {
  const hex = getComputedStyle(document.documentElement).getPropertyValue(name).trim().slice(1);
  return [0, 2, 4].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as Rgb;
};
const href = computed(() => {
  void night.night;
  const { width, height, data } = paintCells(props.raster, props.look, rgb);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')!.putImageData(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  return canvas.toDataURL();
});
const size = computed(() => ({
  width: props.raster.columns * props.raster.cell,
  height: props.raster.rows * props.raster.cell,
}));
</script>

<template>
  <image
    :href="href"
    :width="size.width"
    :height="size.height"
    preserveAspectRatio="none"
    :transform="`translate(${raster.origin[0]} ${raster.origin[1] + size.height}) scale(1 -1)`"
  />
</template>
