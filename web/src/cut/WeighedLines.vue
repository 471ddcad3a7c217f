<script setup lang="ts">
import { computed } from 'vue';
import type { CutLine } from '@aspecta/core/cut';
import type { Ring } from '@aspecta/core/geometry';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitTable from '../kit/KitTable.vue';
import { useUnits } from '../shell/units.ts';

/* Why the line runs where it does, and what the other lines that were weighed would cost. */
const props = defineProps<{ line: CutLine; canTake: boolean }>();
const emit = defineEmits<{ take: [corners: Ring] }>();
const units = useUnits();
const whys = computed(() => [...new Set(props.line.runs.map((run) => run.why))]);
const more = (cost: number) => `${Math.round((cost / props.line.cost - 1) * 100)} %`;
</script>

<template>
  <KitCollapse>
    <template #title>Why here, and what else was weighed</template>
    <p v-for="why in whys" :key="why" class="small">{{ units.said(why) }}</p>
    <p v-if="line.layersBehind.length > 0" class="small">
      Behind it, not to be cut: {{ line.layersBehind.join(', ') }}. Set the blade to one sheet.
    </p>
    <KitTable v-if="line.alternatives.length > 0" class="small">
      <thead>
        <tr>
          <th>Other lines</th>
          <th class="num">cut</th>
          <th class="num">cost</th>
          <th v-if="canTake"><span class="visually-hidden">Take it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="other in line.alternatives.slice(0, 5)" :key="other.name + other.cost">
          <td>{{ other.name }}</td>
          <td class="num">{{ units.length(other.length) }}</td>
          <td class="num">
            {{
              other.cost >= line.cost
                ? `${more(other.cost)} more`
                : `${more(other.cost)}, but more metal or harder to mark`
            }}
          </td>
          <td v-if="canTake">
            <KitButton small :aria-label="`Take the line: ${other.name}`" @click="emit('take', other.laid)"
              >Take</KitButton
            >
          </td>
        </tr>
      </tbody>
    </KitTable>
    <p class="small soft">
      A millimetre in a soft flat middle, near a hole or in double curvature costs more; beside a crease or on a flange
      less. An edge that the piece takes in costs what it takes to open it and to make it again.
    </p>
  </KitCollapse>
</template>
