<script setup lang="ts">
import { computed, ref } from 'vue';
import Papa from 'papaparse';
import KitButton from '../../kit/KitButton.vue';
import KitInput from '../../kit/KitInput.vue';
import KitNotice from '../../kit/KitNotice.vue';
import KitTable from '../../kit/KitTable.vue';
import KitUpload from '../../kit/KitUpload.vue';
import { useUnits } from '../../shell/units.ts';
import type { Figure, FigureShape } from './shape.ts';
import { cellDraft, cellText, NAME, type DraftRecord } from './text.ts';

/* Several of the same kind as a table: typed, pasted out of a spreadsheet, or read from a CSV file. */
const props = defineProps<{ label: string; shape: FigureShape & { kind: 'rows' }; error: string | null }>();
const rows = defineModel<DraftRecord[]>({ required: true });
const units = useUnits();
const told = ref<string | null>(null);
const columns = computed<readonly Figure[]>(() => [
  ...(props.shape.keyed
    ? [{ key: NAME, label: 'name', unitWord: '', optional: false, nullable: false, shape: { kind: 'text' } as const }]
    : []),
  ...props.shape.columns,
]);
const unitOf = (column: Figure) => {
  const own = 'unit' in column.shape ? column.shape.unit : null;
  return own === 'mm' ? units.word.value : own === 'celsius' ? units.heat.word.value : column.unitWord;
};
const head = (column: Figure) =>
  `${column.label}${unitOf(column) ? `, ${unitOf(column)}` : ''}${column.optional ? '' : ' *'}`;
/** ch. A column shows its longest cell whole. */
const widthOf = (column: Figure) =>
  Math.min(40, Math.max(6, ...rows.value.map((row) => cellText(column.shape, row[column.key] ?? '').length)) + 5);
const write = (row: number, column: Figure, text: string) =>
  (rows.value = rows.value.map((entry, i) =>
    i === row ? { ...entry, [column.key]: cellDraft(column.shape, text) } : entry,
  ));
const fresh = (): DraftRecord =>
  Object.fromEntries(columns.value.map((column) => [column.key, cellDraft(column.shape, '')]));
const add = () => (rows.value = [...rows.value, fresh()]);
const drop = (row: number) => (rows.value = rows.value.filter((_, i) => i !== row));

/** Rows of a spreadsheet: with a line of headings their columns are found by name, without one by their order. */
function take(text: string): boolean {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  if (data.length === 0 || (data.length === 1 && data[0]!.length < 2)) return false;
  const named = (cell: string) =>
    columns.value.findIndex(({ key, label }) =>
      [key.toLowerCase(), label.toLowerCase()].includes(cell.trim().toLowerCase().replace(/,.*$/, '')),
    );
  const heads = data[0]!.map(named);
  const headed = heads.some((at) => at >= 0);
  const order = headed ? heads : data[0]!.map((_, i) => (i < columns.value.length ? i : -1));
  const body = headed ? data.slice(1) : data;
  rows.value = body.map((cells) => {
    const row = fresh();
    cells.forEach((cell, i) => {
      const column = columns.value[order[i] ?? -1];
      if (column) row[column.key] = cellDraft(column.shape, cell.trim());
    });
    return row;
  });
  const left = headed ? data[0]!.filter((_, i) => heads[i]! < 0) : [];
  told.value = `${body.length} rows taken.${left.length > 0 ? ` Not known here, and left out: ${left.join(', ')}.` : ''}`;
  return true;
}
function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? '';
  // One cell alone is pasted where the cursor stands.
  if (/[\t\n]/.test(text.trim()) && take(text)) event.preventDefault();
}
async function read([file]: readonly File[]): Promise<void> {
  if (!take(await file!.text())) told.value = `${file!.name} has no rows. Save the sheet as CSV, one row on a line.`;
}
</script>

<template>
  <section class="rows" :aria-label="label">
    <p class="legend">{{ label }}</p>
    <div class="scroll" @paste="paste">
      <KitTable>
        <thead>
          <tr>
            <th v-for="column in columns" :key="column.key" scope="col">{{ head(column) }}</th>
            <th><span class="visually-hidden">Row</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in rows" :key="i">
            <td v-for="column in columns" :key="column.key" :style="{ minWidth: `${widthOf(column)}ch` }">
              <KitInput
                mono
                :aria-label="`${column.label}, row ${i + 1}`"
                :model-value="cellText(column.shape, row[column.key] ?? '')"
                @update:model-value="write(i, column, $event)"
              />
            </td>
            <td><KitButton small plain :aria-label="`Drop row ${i + 1}`" @click="drop(i)">×</KitButton></td>
          </tr>
        </tbody>
      </KitTable>
    </div>
    <p class="small soft">
      * must be filled in. Within a cell: semicolons between several, commas within one. A table copied out of a
      spreadsheet can be pasted into any cell.
    </p>
    <div class="row">
      <KitButton small @click="add">Add a row</KitButton>
      <KitUpload label="From a CSV file" accept=".csv,text/csv" @files="read" />
      <span v-if="told" class="small" role="status">{{ told }}</span>
    </div>
    <KitNotice bad v-if="error">{{ error }}</KitNotice>
  </section>
</template>

<style scoped>
.rows {
  min-width: 0;
}
.legend {
  font-weight: 500;
  font-size: 0.9rem;
  margin: 0 0 0.25rem;
}
.scroll {
  overflow-x: auto;
}
.scroll :deep(td) {
  padding: 2px;
  min-width: 5.5rem;
}
.scroll :deep(th) {
  font-weight: 500;
  white-space: normal;
}
</style>
