<script setup lang="ts">
import { onMounted, ref, watch } from 'vue';
import type { Point } from '@aspecta/core/geometry';
import type { HeatReplay } from '@aspecta/core/weld';
import { useLook } from '../shell/look.ts';
import { heatTable, paintHeat, type HeatColours, type HeatTable, type Rgb } from './paintHeat.ts';

/* One picture of the heat, laid over the sheet. */
const props = defineProps<{
  replay: HeatReplay;
  frame: number;
  ambient: number;
  handWarm: number;
  place: (at: Point) => [number, number];
  scale: number;
}>();
const canvas = ref<HTMLCanvasElement>();
const look = useLook();
const NAMES = { cool: '--heat-cool', warm: '--heat-warm', hot: '--heat-hot', arc: '--heat-arc', slash: '--heat-slash' };
function coloursNow(): HeatColours {
  const style = getComputedStyle(document.documentElement);
  const rgb = (name: string): Rgb => {
    const hex = style.getPropertyValue(name).trim().slice(1);
    return [0, 2, 4].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as Rgb;
  };
  return Object.fromEntries(Object.entries(NAMES).map(([key, name]) => [key, rgb(name)])) as unknown as HeatColours;
}
let table: HeatTable | undefined;
/** px that the tapes take at the left and above. */
const TAPE = 24;
function draw(): void {
  if (!canvas.value) return;
  table ??= heatTable({ ...props, colours: coloursNow() });
  const { width, height, data } = paintHeat(props.replay, props.frame, table);
  if (canvas.value.width !== width) canvas.value.width = width;
  if (canvas.value.height !== height) canvas.value.height = height;
  const picture = new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height);
  canvas.value.getContext('2d')!.putImageData(picture, 0, 0);
}
onMounted(draw);
watch([() => props.frame, () => props.replay], draw);
watch(
  [() => look.night, () => props.ambient, () => props.handWarm],
  () => {
    table = undefined;
    draw();
  },
  { flush: 'post' },
);
</script>

<template>
  <div class="within">
    <canvas
      ref="canvas"
      class="heat"
      :style="{
        left: `${place(replay.origin)[0] - TAPE}px`,
        top: `${place(replay.origin)[1] - replay.rows * replay.cell * scale - TAPE}px`,
        width: `${replay.cols * replay.cell * scale}px`,
        height: `${replay.rows * replay.cell * scale}px`,
      }"
    />
  </div>
</template>

<style scoped>
.within {
  position: absolute;
  inset: 24px 0 0 24px;
  overflow: hidden;
  pointer-events: none;
  mix-blend-mode: multiply;
}
.heat {
  position: absolute;
}
:root[data-look='night'] .within {
  mix-blend-mode: screen;
}
</style>
