<script setup lang="ts">
import { toNextCorner, type CutPlanView } from '@aspecta/contract/cut';
import KitPress from '../kit/KitPress.vue';
import KitTable from '../kit/KitTable.vue';

/* Two tape figures for each corner, and the way to the next one. */
defineProps<{ plan: CutPlanView }>();
const picked = defineModel<number>('picked', { required: true });
</script>

<template>
  <KitTable class="offsets">
    <caption class="visually-hidden">
      Tape offsets of each corner
    </caption>
    <thead>
      <tr>
        <th>Corner</th>
        <th class="num">{{ plan.datums[0].name }}</th>
        <th class="num">{{ plan.datums[1].name }}</th>
        <th class="num">To next</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(entry, i) in plan.corners" :key="i" :class="{ on: picked === i }" @click="picked = i">
        <td>
          <KitPress class="link" :aria-pressed="picked === i">{{ i + 1 }}</KitPress>
        </td>
        <td class="num">{{ entry.offsets[0]!.text }}</td>
        <td class="num">{{ entry.offsets[1]!.text }}</td>
        <td class="num">{{ toNextCorner(plan, i) }}</td>
      </tr>
    </tbody>
  </KitTable>
</template>

<style scoped>
.offsets tr.on td {
  background: var(--mark-soft);
}
.offsets th.num,
.offsets td.num {
  padding-left: 0.2rem;
  padding-right: 0.2rem;
}
.link {
  border: 0;
  background: none;
  min-width: 36px;
  min-height: 36px;
  cursor: pointer;
  font-family: var(--mono);
  color: var(--mark);
  text-decoration: underline;
}
</style>
