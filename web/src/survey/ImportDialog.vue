<script setup lang="ts">
import { ref, shallowRef } from 'vue';
import type { ImportView } from '@aspecta/contract/survey';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
import KitUpload from '../kit/KitUpload.vue';
import { useToast } from '../kit/useToast.ts';
import { postBytes } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';

const props = defineProps<{ vehicle: string }>();
const emit = defineEmits<{ close: []; stored: [] }>();
const form = useForm();
const toast = useToast();
const chosen = shallowRef<File | null>(null);
const name = ref('');
const seen = ref<ImportView | null>(null);
const LARGEST = 24_000_000;

async function pick([file]: readonly File[]): Promise<void> {
  seen.value = null;
  if (!file) return;
  name.value = file.name;
  await form.submit(async () => {
    if (file.size > LARGEST)
      throw new Error(
        `${file.name} is ${(file.size / 1e6).toFixed(1)} MB; at most 24 MB and 20,000 readings can be taken at once. Split it.`,
      );
    chosen.value = file;
    seen.value = await postBytes<ImportView>(`/vehicles/${props.vehicle}/readings/import`, file);
  });
}
async function store(): Promise<void> {
  const done = await form.submit(async () => {
    seen.value = await postBytes<ImportView>(`/vehicles/${props.vehicle}/readings/import?store=1`, chosen.value!);
  });
  if (!done || !seen.value?.stored) return;
  toast.done(`${seen.value.count} readings stored.`);
  emit('stored');
  emit('close');
}
</script>

<template>
  <KitDialog title="Import readings" wide @close="emit('close')">
    <p>
      A CSV file or workbook (.xlsx) with the columns
      <span class="mono small">panel,layer,u_mm,v_mm,coating_um,metal_mm,note</span>. Decimal point or comma;
      <span class="mono small">u_in,v_in,metal_in</span> for inches; or a JSON file that Aspecta has written. It is
      looked through first; nothing is stored while a line is wrong.
    </p>
    <KitUpload label="File of readings" accept=".csv,.xlsx,.json,text/csv,text/plain" @files="pick"
      >Choose a file, or drop it here</KitUpload
    >
    <KitNotice bad v-if="form.rest()">{{ form.rest() }}</KitNotice>
    <p v-if="form.busy.value" role="status">Looking through {{ name }} …</p>
    <template v-if="seen && !form.busy.value">
      <KitNotice bad v-if="seen.errors.length > 0">
        <p>
          <strong
            >{{ seen.errors.length }}{{ seen.errors.length === 200 ? ' or more' : '' }}
            {{ seen.errors.length === 1 ? 'line' : 'lines' }} cannot be taken; nothing has been stored.</strong
          >
          Mend the file and choose it again.
        </p>
        <KitTable>
          <thead>
            <tr>
              <th class="num">Line</th>
              <th>Column</th>
              <th>What is wrong</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="error in seen.errors.slice(0, 50)" :key="`${error.line} ${error.column}`">
              <td class="num">{{ error.line }}</td>
              <td>{{ error.column }}</td>
              <td>{{ error.message }}</td>
            </tr>
          </tbody>
        </KitTable>
      </KitNotice>
      <template v-else>
        <p class="good">
          <strong
            >{{ seen.count }} readings on {{ Object.keys(seen.panels).length }}
            {{ Object.keys(seen.panels).length === 1 ? 'panel' : 'panels' }}, all good.</strong
          >
        </p>
        <KitTable>
          <tbody>
            <tr v-for="(count, panel) in seen.panels" :key="panel">
              <td>{{ panel }}</td>
              <td class="num">{{ count }}</td>
            </tr>
          </tbody>
        </KitTable>
        <KitButton main style="margin-top: 0.75rem" @click="store">Store {{ seen.count }} readings</KitButton>
      </template>
    </template>
  </KitDialog>
</template>
