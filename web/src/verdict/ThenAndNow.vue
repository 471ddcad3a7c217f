<script setup lang="ts">
import { computed } from 'vue';
import { OPTION_WORDS, type RepairView, type VerdictView } from '@aspecta/contract/verdict';
import type { OptionId } from '@aspecta/core/verdict';
import KitTable from '../kit/KitTable.vue';
import { dayOf } from '../shell/days.ts';
import { hours, useUnits } from '../shell/units.ts';

/* What was decided beside what is weighed now: the same option, and the one that is chosen instead. */
const props = defineProps<{ repair: RepairView; now: VerdictView; area: number; choice: OptionId | null }>();
const units = useUnits();
const optionOf = (id: OptionId | null) => props.now.verdict.options.find((option) => option.id === id);
const columns = computed(() => {
  const { repair } = props;
  const then = {
    title: `Decided ${dayOf(repair.decidedAt)}`,
    what: OPTION_WORDS[repair.choice].name,
    area: repair.area,
    hours: repair.hours,
    cost: units.roundMoney(repair.cost.p50, repair.currency),
  };
  const same = optionOf(repair.choice);
  const other = props.choice === repair.choice ? undefined : optionOf(props.choice);
  return [
    then,
    ...[same, other].flatMap((option) =>
      option
        ? [
            {
              title: 'Weighed now',
              what: OPTION_WORDS[option.id].name + (option.ruledOut ? ', ruled out' : ''),
              area: props.area,
              hours: option.hours,
              cost: units.roundMoney(option.cost.p50),
            },
          ]
        : [],
    ),
  ];
});
</script>

<template>
  <KitTable class="then">
    <caption class="visually-hidden">
      The decision and what is weighed now
    </caption>
    <thead>
      <tr>
        <td></td>
        <th v-for="(column, i) in columns" :key="i" scope="col" class="num">{{ column.title }}</th>
      </tr>
    </thead>
    <tbody>
      <tr>
        <th scope="row">Choice</th>
        <td v-for="(column, i) in columns" :key="i" class="num">{{ column.what }}</td>
      </tr>
      <tr>
        <th scope="row">Damage</th>
        <td v-for="(column, i) in columns" :key="i" class="num">
          {{ column.area === null ? 'not noted' : units.area(column.area) }}
        </td>
      </tr>
      <tr>
        <th scope="row">Hours</th>
        <td v-for="(column, i) in columns" :key="i" class="num">
          {{ hours(column.hours.p50)
          }}<span class="soft small block">{{ hours(column.hours.p10) }} to {{ hours(column.hours.p90) }}</span>
        </td>
      </tr>
      <tr>
        <th scope="row">Cost</th>
        <td v-for="(column, i) in columns" :key="i" class="num">{{ column.cost }}</td>
      </tr>
    </tbody>
  </KitTable>
</template>

<style scoped>
.block {
  display: block;
}
</style>
