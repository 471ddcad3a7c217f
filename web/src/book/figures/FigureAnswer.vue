<script setup lang="ts">
import { computed } from 'vue';
import { boxOf } from '@aspecta/core/geometry';
import KitTable from '../../kit/KitTable.vue';
import { linePath } from '../../sheet/pathData.ts';
import type { Told } from './told.ts';

/* What came out: figures, tables, and what can be drawn of it. */
const props = defineProps<{ answer: Told }>();
const frame = computed(() => {
  const box = boxOf(props.answer.rings.flat());
  const around = Math.max(1, (box.maxU - box.minU + box.maxV - box.minV) * 0.03);
  return `${box.minU - around} ${-box.maxV - around} ${box.maxU - box.minU + 2 * around} ${box.maxV - box.minV + 2 * around}`;
});
</script>

<template>
  <div class="stack">
    <svg v-if="answer.rings.length > 0" :viewBox="frame" class="drawn" role="img" aria-label="What came out, drawn">
      <g transform="scale(1 -1)"><path v-for="(ring, i) in answer.rings" :key="i" :d="linePath(ring)" /></g>
    </svg>
    <dl v-if="answer.lines.length > 0">
      <template v-for="line in answer.lines" :key="line.name"
        ><dt>{{ line.name }}</dt>
        <dd class="mono">{{ line.text }}</dd></template
      >
    </dl>
    <section v-for="table in answer.tables" :key="table.title" :aria-label="table.title">
      <p class="eyebrow">{{ table.title }}</p>
      <div class="scroll" tabindex="0">
        <KitTable>
          <thead>
            <tr>
              <th v-for="head in table.heads" :key="head" scope="col">{{ head }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, i) in table.rows" :key="i">
              <td v-for="(cell, j) in row" :key="j" class="mono">{{ cell }}</td>
            </tr>
          </tbody>
        </KitTable>
      </div>
      <p v-if="table.left > 0" class="small soft">and {{ table.left }} more; “As JSON” has them all.</p>
      <p v-if="table.rows.length === 0" class="small soft">None.</p>
    </section>
  </div>
</template>

<style scoped>
.drawn {
  width: 100%;
  max-height: 16rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 8px;
}
.drawn path {
  fill: none;
  stroke: var(--mark);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, auto) minmax(0, 1fr);
  gap: 0.25rem 0.9rem;
  margin: 0;
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
dt {
  color: var(--ink-soft);
}
.scroll {
  overflow: auto;
  max-height: 24rem;
}
</style>
