<script setup lang="ts">
import { computed } from 'vue';
import type { ThicknessMap } from '@aspecta/core/survey';
import { useLook } from '../shell/look.ts';
import { paintMap, type MapColours, type Rgb } from './paintMap.ts';

/* The map as a picture on the sheet, in mm. */
const props = defineProps<{ map: ThicknessMap }>();
const look = useLook();
const rgb = (name: string): Rgb => {
  const hex = getComputedStyle(document.documentElement).getPropertyValue(name).trim().slice(1);
  return [0, 2, 4].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as Rgb;
};
const href = computed(() => {
  void look.night;
  const colours: MapColours = {
    sound: rgb('--sound'),
    worn: rgb('--worn'),
    thin: rgb('--thin'),
    failing: rgb('--failing'),
    through: rgb('--through'),
    hatch: rgb('--metal-line'),
    paper: rgb('--paper'),
  };
  const { width, height, data } = paintMap(props.map, colours);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')!.putImageData(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  return canvas.toDataURL();
});
const size = computed(() => ({ width: props.map.columns * props.map.cell, height: props.map.rows * props.map.cell }));
</script>

<template>
  <image
    :href="href"
    :width="size.width"
    :height="size.height"
    preserveAspectRatio="none"
    :transform="`translate(${map.origin[0]} ${map.origin[1] + size.height}) scale(1 -1)`"
  />
</template>
