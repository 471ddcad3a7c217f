<script setup lang="ts">
import { computed } from 'vue';
import type { StockSheet, WaitingBlank } from '@aspecta/contract/stock';
import { boxOf, type Point } from '@aspecta/core/geometry';
import type { LaidSheet } from '@aspecta/core/pattern';
import KitButton from '../kit/KitButton.vue';
import { linePath, ringPath } from '../sheet/pathData.ts';
import { percent, useUnits } from '../shell/units.ts';

/* One sheet with the pieces that are cut from it, and what stays whole. */
const props = defineProps<{
  laid: LaidSheet;
  sheet: StockSheet;
  blanks: readonly WaitingBlank[];
  canWork: boolean;
  busy: boolean;
}>();
const emit = defineEmits<{ cut: [] }>();
const units = useUnits();
/** Room around the sheet for its sizes, as a share of its longer side. */
const pad = computed(() => Math.max(props.sheet.width, props.sheet.height) * 0.04);
const placed = computed(() =>
  props.laid.placed.map(({ blank, outline, rotation, move }, i) => {
    const own = props.blanks.find(({ id }) => id === blank)!;
    const { minU, maxU, minV, maxV } = boxOf(outline);
    const a = (rotation * Math.PI) / 180;
    const at = ([u, v]: Point): Point => [
      u * Math.cos(a) - v * Math.sin(a) + move[0],
      u * Math.sin(a) + v * Math.cos(a) + move[1],
    ];
    return {
      ...{ n: i + 1, own },
      rings: own.blank.map((ring) => ring.map(at)),
      bends: own.bends.map((line) => line.map(at)),
      middle: [(minU + maxU) / 2, (minV + maxV) / 2] as Point,
    };
  }),
);
/** Where this very blank is drawn. */
const patternAt = ({ vehicle, repair, id }: WaitingBlank) => ({
  path: `/vehicles/${vehicle}/repairs/${repair}/pattern`,
  query: id === repair ? {} : { section: String(Number(id.split('.')[1]) + 1) },
});
const size = computed(() => Math.max(props.sheet.width, props.sheet.height) / 22);
</script>

<template>
  <section class="tile stack">
    <h3>{{ sheet.name }}</h3>
    <p class="small soft">
      {{ units.length(sheet.width) }} × {{ units.length(sheet.height) }}, {{ units.sheet(sheet.thickness) }}
      {{ sheet.material }}; {{ percent(laid.yield) }} of it becomes pieces.
    </p>
    <!-- Upwards as on the bench: the sheet's own origin lies at the lower left. -->
    <svg
      :viewBox="`${-pad} ${-sheet.height - pad} ${sheet.width + 2 * pad} ${sheet.height + 2 * pad}`"
      role="img"
      :aria-label="`${sheet.name}: ${placed.map(({ n, own }) => `${n} ${own.panel}`).join(', ')}; ${units.length(laid.used)} of its length are used.`"
    >
      <g transform="scale(1 -1)">
        <rect :width="sheet.width" :height="sheet.height" class="sheet" />
        <rect v-if="laid.left" :y="laid.used" :width="sheet.width" :height="laid.left.height" class="left" />
        <path v-for="one in placed" :key="`p${one.n}`" :d="one.rings.map(ringPath).join('')" class="piece" />
        <path
          v-for="(line, i) in placed.flatMap(({ bends }) => bends)"
          :key="`b${i}`"
          :d="linePath(line)"
          class="bend"
        />
      </g>
      <text
        v-for="one in placed"
        :key="`t${one.n}`"
        :x="one.middle[0]"
        :y="-one.middle[1] + size / 3"
        :font-size="size"
        class="number"
      >
        {{ one.n }}
      </text>
    </svg>
    <ol class="pieces">
      <li v-for="one in placed" :key="one.n">
        <RouterLink :to="patternAt(one.own)">{{ one.own.panel }}, {{ one.own.car }}</RouterLink>
      </li>
    </ol>
    <p class="small">
      <template v-if="laid.left"
        >{{ units.length(laid.left.width) }} × {{ units.length(laid.left.height) }} stay whole and go back into the
        rack.</template
      >
      <template v-else>Nothing of it is left that is worth keeping.</template>
    </p>
    <KitButton v-if="canWork" main :disabled="busy" @click="emit('cut')">It is cut so</KitButton>
  </section>
</template>

<style scoped>
h3 {
  margin: 0;
}
svg {
  width: 100%;
  max-height: 22rem;
}
.sheet {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.left {
  fill: var(--sheet);
  stroke: var(--ink-soft);
  stroke-dasharray: 6 4;
  vector-effect: non-scaling-stroke;
}
.piece {
  fill: var(--mark);
  fill-opacity: 0.2;
  fill-rule: evenodd;
  stroke: var(--ink);
  stroke-width: 1.6;
  vector-effect: non-scaling-stroke;
}
.bend {
  fill: none;
  stroke: var(--mark);
  stroke-dasharray: 6 4;
  vector-effect: non-scaling-stroke;
}
.number {
  text-anchor: middle;
  font-family: var(--mono);
  font-weight: 600;
  fill: var(--ink);
}
.pieces {
  margin: 0;
  padding-left: 1.4rem;
}
.pieces a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
</style>
