<script setup lang="ts">
import { computed } from 'vue';
import { STAGE_WORDS, type StagedView } from '@aspecta/contract/plan';
import { STAGES, type Stage } from '@aspecta/core/job';
import KitTable from '../kit/KitTable.vue';
import { today } from '../shell/days.ts';

/* Panel by panel from bare metal to paint: what is reached, and on which day the rest is. */
const props = defineProps<{
  vehicle: string;
  stages: readonly StagedView[];
  dayText: (iso: string) => string;
  /** The day that was promised, as 2026-05-31, by the clock of the shop; null where none was. */
  promised: string | null;
}>();
/** Stages that some panel has. */
const columns = computed(() => STAGES.filter((stage) => props.stages.some((one) => one.stages[stage])));
function said({ stages }: StagedView, stage: Stage): string {
  const reached = stages[stage];
  if (!reached) return '–';
  return reached.done ? 'done' : reached.end ? props.dayText(reached.end) : 'not planned';
}
/** The day that was promised is as good until its end, where the shop is. */
const isLate = ({ stages }: StagedView, stage: Stage) =>
  stage === 'ready' &&
  props.promised !== null &&
  !!stages.ready?.end &&
  today(new Date(stages.ready.end)) > props.promised;
</script>

<template>
  <div class="wide" tabindex="0" role="region" aria-label="From bare metal to paint, panel by panel">
    <KitTable>
      <thead>
        <tr>
          <th scope="col">Panel</th>
          <th v-for="stage in columns" :key="stage" scope="col">{{ STAGE_WORDS[stage] }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in stages" :key="one.repair">
          <th scope="row">
            <RouterLink :to="`/vehicles/${vehicle}/panels/${one.panel}`">{{ one.name }}</RouterLink>
          </th>
          <td
            v-for="stage in columns"
            :key="stage"
            :class="{ done: one.stages[stage]?.done, now: one.now === stage, alarm: isLate(one, stage) }"
          >
            {{ said(one, stage) }}<template v-if="isLate(one, stage)">, too late</template>
          </td>
        </tr>
      </tbody>
    </KitTable>
  </div>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}
td {
  white-space: nowrap;
}
.done {
  color: var(--good);
}
.now {
  font-weight: 600;
}
</style>
