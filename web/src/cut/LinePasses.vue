<script setup lang="ts">
import { computed } from 'vue';
import type { PanelArea } from '@aspecta/core/body';
import type { CutLine } from '@aspecta/core/cut';
import { areaText, namedOnce } from '../sheet/areaText.ts';
import { useUnits } from '../shell/units.ts';

/* What the line runs under and across, and what else is drawn on the sheet; what heat spoils is a warning of its own. */
const props = defineProps<{ line: CutLine; areas: readonly PanelArea[]; facts: string }>();
const units = useUnits();
const runs = computed(() => props.line.passes.filter(({ kind }) => kind !== 'heat'));
const others = computed(() =>
  namedOnce(props.areas).filter((area) => !props.line.passes.some(({ name }) => name === area.name)),
);
</script>

<template>
  <p v-for="passed in runs" :key="passed.name" class="small">
    {{ units.marked(passed.length) }} of it {{ passed.kind === 'trim' ? 'run' : 'run where the face is' }}
    {{ areaText(passed)
    }}{{
      passed.kind === 'trim' ? ': rough dressing is enough there.' : '. It moves more there and is harder to dress.'
    }}
  </p>
  <p v-if="areas.length > 0" class="small soft">
    <template v-if="others.length > 0">Also drawn on the sheet: {{ others.map(areaText).join('; ') }}.</template>
    Is something of it off or out? <RouterLink :to="facts">Say so</RouterLink>: the line is found anew.
  </p>
</template>
