<script setup lang="ts">
import { computed } from 'vue';
import type { FitRoundView, FitView } from '@aspecta/contract/fit';
import type { Panel } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';
import PlacesSheet from '../sheet/PlacesSheet.vue';

/* The piece with the places where its gaps are read: what is trimmed there, and which way the piece is moved. */
const props = defineProps<{ view: FitView; panel: Panel; round: FitRoundView | null; picked: string | null }>();
const emit = defineEmits<{ pick: [place: string] }>();
const middle = computed((): Point => {
  const { minU, minV, maxU, maxV } = boxOf(props.view.piece);
  return [(minU + maxU) / 2, (minV + maxV) / 2];
});
const joints = computed(() => props.view.joints.map(({ line, open }) => ({ line, dashed: !open })));
const places = computed(() =>
  props.view.places.map(({ id, at }) => {
    const trim = props.round?.result.joints.flatMap((joint) => joint.trim).find((one) => one.place === id)?.mm ?? 0;
    const read = props.round?.readings.some((one) => one.place === id) ?? false;
    return { id, at, look: trim > 0 ? ('bad' as const) : read ? ('good' as const) : ('plain' as const) };
  }),
);
/** px a millimetre of the move is drawn. */
const LONG = 14;
function arrow(place: (p: Point) => readonly [number, number]): string {
  const move = props.round?.result.move;
  if (!move) return '';
  const [x, y] = place(middle.value);
  const [dx, dy] = [move.u * LONG, -move.v * LONG];
  const far = Math.hypot(dx, dy);
  if (far < 4) return '';
  const [nx, ny] = [dx / far, dy / far];
  const head = (turn: 1 | -1) => `L${x + dx - nx * 10 - ny * 7 * turn} ${y + dy - ny * 10 + nx * 7 * turn}`;
  return `M${x} ${y}L${x + dx} ${y + dy}${head(1)}M${x + dx} ${y + dy}${head(-1)}`;
}
</script>

<template>
  <PlacesSheet
    :panel="panel"
    :piece="view.piece"
    :joints="joints"
    :places="places"
    :picked="picked"
    :label="`${panel.name}: ${view.places.length} places where gaps are read.`"
    @pick="emit('pick', $event)"
  >
    <template #default="{ place }"><path v-if="round" class="move" :d="arrow(place)" /></template>
  </PlacesSheet>
</template>

<style scoped>
.move {
  fill: none;
  stroke: var(--mark);
  stroke-width: 4;
}
</style>
