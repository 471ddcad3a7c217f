<script setup lang="ts">
import { computed } from 'vue';
import { figureText, sharedEdges, toNextCorner, troublesOf, type CutPlanView } from '@aspecta/contract/cut';
import KitNotice from '../kit/KitNotice.vue';
import KitPress from '../kit/KitPress.vue';
import KitTable from '../kit/KitTable.vue';

/* Two tape figures for each corner, and the way to the next one. */
const props = defineProps<{ plan: CutPlanView }>();
const picked = defineModel<number>('picked', { required: true });
/** The two edges above the columns; each figure says its own where they differ from corner to corner. */
const edges = computed(() => sharedEdges(props.plan));
</script>

<template>
  <KitTable class="offsets">
    <caption class="visually-hidden">
      Tape offsets of each corner
    </caption>
    <thead>
      <tr>
        <th>Corner</th>
        <th class="num">{{ edges?.[0] ?? 'From one edge' }}</th>
        <th class="num">{{ edges?.[1] ?? 'From the other' }}</th>
        <th class="num">To next</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(entry, i) in plan.corners" :key="i" :class="{ on: picked === i }" @click="picked = i">
        <td>
          <KitPress class="link" :aria-pressed="picked === i">{{ i + 1 }}</KitPress>
        </td>
        <td v-for="(figure, k) in entry.offsets" :key="k" class="num">
          {{ figureText(figure) }}<small v-if="!edges" class="edge">{{ figure.datum }}</small>
        </td>
        <td class="num">{{ toNextCorner(plan, i) }}</td>
      </tr>
    </tbody>
  </KitTable>
  <KitNotice v-if="troublesOf(plan).length > 0" bad>
    <p v-for="trouble in troublesOf(plan)" :key="trouble" class="trouble">{{ trouble }}</p>
  </KitNotice>
</template>

<style scoped>
.offsets tr.on td {
  background: var(--mark-soft);
}
.offsets th.num,
.offsets td.num {
  white-space: nowrap;
  padding-left: 0.2rem;
  padding-right: 0.2rem;
}
.edge {
  white-space: normal;
  display: block;
  font-family: var(--body);
  color: var(--ink-soft);
}
.trouble {
  margin: 0;
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
