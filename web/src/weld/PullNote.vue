<script setup lang="ts">
import { computed } from 'vue';
import type { SeamPull } from '@aspecta/core/weld';
import KitCheckbox from '../kit/KitCheckbox.vue';
import { useUnits } from '../shell/units.ts';

/* Where a plan draws the sheet together most; drawn on the sheet where one asks for it. */
const props = defineProps<{ pulls: readonly SeamPull[] }>();
const shown = defineModel<boolean>({ required: true });
const units = useUnits();
const most = computed(() => props.pulls.reduce((a, b) => (b.across > a.across ? b : a)));
</script>

<template>
  <KitCheckbox v-model="shown">Draw it on the sheet</KitCheckbox>
  <p class="small">
    Up to {{ units.sheet(most.across) }} across and {{ units.sheet(most.lengthwise) }} lengthwise on one run. What is
    drawn in beside a seam is stretched on the weld, not filled.
  </p>
  <p class="small soft">
    By the usual relations for shrinkage, each run by its stitches and how warm they start. It compares places and
    plans; it is no forecast.
  </p>
</template>
