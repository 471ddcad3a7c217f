<script setup lang="ts">
import { endName, type Edge, type Panel, type SaidEdge } from '@aspecta/core/body';
import { minus, type Point } from '@aspecta/core/geometry';
import NumberedRow from '../sheet/NumberedRow.vue';
import { useUnits } from '../shell/units.ts';
import { edgeText } from './edgeText.ts';
import StretchForm from './StretchForm.vue';

/* The stretches of an edge, one after the other; the picked one can be said to be otherwise on this car. */
const props = defineProps<{
  panel: Panel;
  edges: readonly Edge[];
  said: (line: readonly Point[]) => boolean;
  locked: boolean;
  busy: boolean;
  /** What is stored; a form begins anew when it changes. */
  stored: unknown;
}>();
const emit = defineEmits<{ keep: [edge: SaidEdge]; usual: [line: readonly Point[]] }>();
const picked = defineModel<number | null>('picked', { required: true });
const units = useUnits();
const endsOf = (line: readonly Point[]): [string, string] => {
  const way = minus(line.at(-1)!, line[0]!);
  const names = [endName(props.panel, [-way[0], -way[1]]), endName(props.panel, way)] as [string, string];
  // It runs all the way round.
  return Math.hypot(...way) < 1 ? ['place where it begins', 'end of the round'] : names;
};
</script>

<template>
  <ol class="edges">
    <li v-for="(edge, i) in edges" :key="i">
      <NumberedRow :n="i + 1" :open="picked === i" @press="picked = picked === i ? null : i"
        >{{ edge.name }}: <strong>{{ edgeText(edge, units.length) }}</strong>
        <small v-if="said(edge.line)"> – on this car</small></NumberedRow
      >
      <StretchForm
        v-if="picked === i && !locked"
        :key="`${i} ${JSON.stringify(stored)}`"
        :edge="edge"
        :said="said(edge.line)"
        :ends="endsOf(edge.line)"
        :busy="busy"
        @keep="emit('keep', $event)"
        @usual="emit('usual', edge.line)"
        @cancel="picked = null"
      />
    </li>
  </ol>
</template>

<style scoped>
.edges {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
