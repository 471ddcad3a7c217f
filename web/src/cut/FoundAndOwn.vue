<script setup lang="ts">
import { computed } from 'vue';
import { isSeen, type BodyPlan, type Panel } from '@aspecta/core/body';
import type { CutLine } from '@aspecta/core/cut';
import { closedJoints, closedWork, meanHours, pieceJoints, usualMetalwork } from '@aspecta/core/repair';
import KitTable from '../kit/KitTable.vue';
import { useSession } from '../shell/session.ts';
import { hours, useUnits } from '../shell/units.ts';

/* The line that was laid by hand beside the one that would be found: what it takes, in the same figures. */
const props = defineProps<{ own: CutLine; found: CutLine; body: BodyPlan; panel: Panel; layer: string }>();
const units = useUnits();
const session = useSession();
const columns = computed(() =>
  [props.own, props.found].map((line) => {
    const visible = isSeen(props.panel, [props.layer]);
    const { finish } = { ...usualMetalwork, ...session.current!.shop.metalwork };
    const joints = closedJoints(pieceJoints(props.body, props.panel, line.outline, props.layer), {
      visible,
      schools: session.current!.shop.schools,
    });
    return {
      cut: units.marked(line.cutLength),
      edge: units.length(line.edgeLength),
      area: units.area(line.area),
      fasteners: String(joints.reduce((sum, joint) => sum + joint.fasteners, 0)),
      hours: hours(meanHours(closedWork(joints, { visible, made: true, finish }))),
    };
  }),
);
const ROWS = [
  ['cut', 'To cut and weld'],
  ['edge', 'Own edge, made again'],
  ['fasteners', 'Fasteners to open'],
  ['area', 'Size of the piece'],
  ['hours', 'Cutting, joints, dressing'],
] as const;
</script>

<template>
  <KitTable class="small both">
    <caption class="visually-hidden">
      Your line and the one that was found
    </caption>
    <thead>
      <tr>
        <td></td>
        <th scope="col" class="num">Yours</th>
        <th scope="col" class="num">Found</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="[key, label] in ROWS" :key="key">
        <th scope="row">{{ label }}</th>
        <td v-for="(column, i) in columns" :key="i" class="num">{{ column[key] }}</td>
      </tr>
    </tbody>
  </KitTable>
</template>
