<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import type { FindView, ReadingView } from '@aspecta/contract/survey';
import { layerOf, sectionAt, type BodyPlan, type Panel, type SectionSheet } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';
import { layerSamples, metalClass, type MetalClass, type ThicknessAt } from '@aspecta/core/survey';
import KitSlider from '../kit/KitSlider.vue';
import { linePath } from '../sheet/pathData.ts';
import { useUnits } from '../shell/units.ts';
import { compute } from '../workers/bridge.ts';
import { asReading } from './asReading.ts';
import { useSurveyRules } from './useSurveyRules.ts';

/* A cut through the panel at one place: its sheets by what was measured, the hollows, what drains where. */
const rules = useSurveyRules();
const props = defineProps<{
  plan: BodyPlan;
  panel: Panel;
  readings: readonly ReadingView[];
  finds: readonly FindView[];
}>();
const at = defineModel<number | null>('at', { required: true });
const units = useUnits();
const length = computed(() => boxOf(props.panel.outline).maxU);
const u = computed(() => at.value ?? length.value / 2);
watch(
  () => props.panel.id,
  () => (at.value ??= length.value / 2),
  { immediate: true },
);
const section = computed(() => sectionAt(props.plan, props.panel, u.value));
interface Piece {
  path: string;
  look: MetalClass | 'unmeasured';
}
const pieces = shallowRef<readonly { layer: string; name: string; pieces: readonly Piece[] }[]>([]);
/** Drawn thickness of a sheet and size of its number as a share of the drawing: true thickness would be a hair. */
const SHEET_SHARE = 1 / 90;
const NUMBER_SHARE = 1 / 18;

let wanted = 0;
watch(
  [section, () => props.readings],
  async ([{ sheets }]) => {
    const mine = ++wanted;
    const counting = props.readings.filter((reading) => !reading.withdrawn).map(asReading);
    const told = await Promise.all(
      sheets.map(async ({ layer, lines }) => {
        const { thickness, name } = layerOf(props.panel, layer);
        const { metal } = layerSamples(props.panel, layer, counting);
        const places = lines.flat().map((p): Point => [u.value, p[1]]);
        const values =
          metal.length < 3
            ? null
            : await compute()
                .along(thickness, metal, places)
                .catch(() => null);
        let at = 0;
        const drawn = lines.flatMap((line) => {
          const own = values?.slice(at, (at += line.length)) ?? null;
          return piecesOf(line, own, thickness);
        });
        return { layer, name, pieces: drawn };
      }),
    );
    if (mine === wanted) pieces.value = told;
  },
  { immediate: true },
);

/** Neighbouring points of the same look as one piece of line. */
function piecesOf(line: readonly Point[], values: readonly ThicknessAt[] | null, asBuilt: number): Piece[] {
  const looks = line.map((_, i) => {
    const value = values?.[i];
    return !value?.measured ? ('unmeasured' as const) : metalClass(value.mean, asBuilt, rules.value);
  });
  const result: Piece[] = [];
  for (let i = 0; i < line.length - 1;) {
    let end = i + 1;
    while (end < line.length - 1 && looks[end] === looks[i]) end++;
    result.push({ path: linePath(line.slice(i, end + 1)), look: looks[i]! });
    i = end;
  }
  return result;
}
const frame = computed(() => {
  const box = boxOf(section.value.sheets.flatMap((sheet) => sheet.lines.flat()));
  return { x: box.minU - 45, y: -box.maxV - 20, width: box.maxU - box.minU + 90, height: box.maxV - box.minV + 40 };
});
/** Where the number of a sheet stands: in the middle of its longest stretch. */
function middleOf({ lines }: SectionSheet): Point {
  const longest = lines.reduce((a, b) =>
    Math.abs(b.at(-1)![1] - b[0]![1]) > Math.abs(a.at(-1)![1] - a[0]![1]) ? b : a,
  );
  return longest[Math.floor(longest.length / 2)]!;
}
const drawn = computed(() => Math.max(7, frame.value.height * SHEET_SHARE));
const number = computed(() => Math.max(12, frame.value.height * NUMBER_SHARE));
const blocked = computed(() => props.finds.filter((find) => !find.closed && find.sign === 'blocked-drain'));
const side = (along: number) =>
  Math.abs(along) < 15 ? 'here' : `${units.length(Math.abs(along))} to the ${along < 0 ? 'left' : 'right'}`;
const isBlocked = (along: number) => blocked.value.some((find) => Math.abs(find.u - (u.value + along)) < 60);
</script>

<template>
  <div class="stack">
    <div>
      <p class="eyebrow">What would the saw meet here?</p>
      <KitSlider
        label="Place along the panel"
        :model-value="u"
        :max="Math.floor(length)"
        :step="5"
        @update:model-value="at = $event"
      />
      <span class="mono">{{ units.length(u) }}</span>
    </div>
    <svg
      class="section"
      role="img"
      :aria-label="`Cross-section at ${units.length(u)}: ${section.sheets.length} sheets`"
      :viewBox="`${frame.x} ${frame.y} ${frame.width} ${frame.height}`"
    >
      <g transform="scale(1 -1)">
        <template v-for="sheet in pieces" :key="sheet.layer">
          <path
            v-for="(piece, i) in sheet.pieces"
            :key="`h${i}`"
            :d="piece.path"
            class="sheet halo"
            :stroke-width="drawn + 2"
          />
          <path
            v-for="(piece, i) in sheet.pieces"
            :key="i"
            :d="piece.path"
            class="sheet"
            :class="piece.look"
            :stroke-width="drawn"
          />
        </template>
      </g>
      <g v-for="gap in section.open" :key="gap.from">
        <path :d="`M0 ${-gap.from}V${-gap.to}`" class="glass" />
        <text :x="drawn" :y="-(gap.from + gap.to) / 2" :font-size="number * 0.7">{{ gap.name }}</text>
      </g>
      <text
        v-for="(sheet, i) in section.sheets"
        :key="sheet.layer"
        :x="middleOf(sheet)[0] + (i * 2 >= section.sheets.length ? 1 : -1) * drawn * 1.4"
        :y="-middleOf(sheet)[1]"
        :font-size="number"
        :text-anchor="i * 2 >= section.sheets.length ? 'start' : 'end'"
      >
        {{ i + 1 }}
      </text>
    </svg>
    <p class="small soft">Outside is on the left. Sheets are drawn thicker than they are.</p>
    <ol class="small">
      <li v-for="sheet in section.sheets" :key="sheet.layer">
        {{ layerOf(panel, sheet.layer).name }}, {{ units.sheet(layerOf(panel, sheet.layer).thickness) }} as built
      </li>
    </ol>
    <div v-for="hollow in section.hollows" :key="hollow.cavity.id">
      <p class="eyebrow">{{ hollow.cavity.name }}</p>
      <p v-if="hollow.nearest.length === 0" class="small alarm">
        No drain leads out of it: water stays. Never close it wet.
      </p>
      <ul v-else class="small">
        <li v-for="{ drain, along } in hollow.nearest" :key="drain.id" :class="{ alarm: isBlocked(along) }">
          {{ drain.name }}, {{ side(along) }}{{ isBlocked(along) ? ' – found blocked' : '' }}
        </li>
      </ul>
    </div>
    <p class="small soft">Coat a hollow before it is closed, and keep its drains open.</p>
  </div>
</template>

<style scoped>
.glass {
  fill: none;
  stroke: var(--line-strong);
  stroke-dasharray: 4 5;
  vector-effect: non-scaling-stroke;
}
.section {
  width: 100%;
  max-height: 300px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 8px;
}
.sheet {
  fill: none;
  stroke-linecap: butt;
  stroke-linejoin: round;
}
.halo {
  stroke: var(--metal-line);
}
.unmeasured {
  stroke: var(--sheet);
  stroke-dasharray: 2 2.5;
}
.sound {
  stroke: var(--sound);
}
.worn {
  stroke: var(--worn);
}
.thin {
  stroke: var(--thin);
  stroke-dasharray: 9 1.2;
}
.failing {
  stroke: var(--failing);
  stroke-dasharray: 5 1.2;
}
.through {
  stroke: var(--paper);
}
text {
  font-weight: 600;
  font-family: var(--mono);
  fill: var(--ink-soft);
}
ol,
ul {
  margin: 0;
  padding-left: 1.2rem;
}
</style>
