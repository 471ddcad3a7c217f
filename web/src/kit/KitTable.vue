<script setup lang="ts">
import { NTable } from 'naive-ui';

/* A list with columns: head and body as they are written; figures in cells of the class `num`. */
</script>

<template>
  <NTable class="plain" :bordered="false" :single-line="true"><slot /></NTable>
</template>

<style>
.plain.n-table {
  background: none;
}
.plain.n-table th {
  font: 600 0.8rem/1.2 var(--narrow);
  letter-spacing: 0.05em;
  text-transform: uppercase;
  text-align: left;
  border-bottom-color: var(--line-strong);
}
.plain.n-table tbody th {
  font: inherit;
  letter-spacing: 0;
  text-transform: none;
  color: inherit;
  border-bottom-color: var(--line);
}
.plain.n-table td {
  vertical-align: top;
}
.plain.n-table th.num {
  text-align: right;
}
.plain.n-table td.num {
  text-align: right;
  font-family: var(--mono);
}
</style>
