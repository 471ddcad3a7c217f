<script setup lang="ts">
import Dialog from '../shell/Dialog.vue';
import { useSession } from '../shell/session.ts';

/* What can be taken along: the inspection on paper or as a table, and the readings themselves. */
const props = defineProps<{ vehicle: string }>();
const emit = defineEmits<{ close: [] }>();
const session = useSession();
const file = (name: string) => `/api/vehicles/${props.vehicle}/${name}`;
</script>

<template>
  <Dialog title="Take it along" @close="emit('close')">
    <div class="stack">
      <p class="eyebrow">Inspection report</p>
      <p class="soft small">
        State, maps, pits, finds and pictures panel by panel, with their doubt and what was not inspected. It describes;
        it certifies nothing.
      </p>
      <div class="row">
        <a v-if="!session.isCustomer" class="btn main" :href="file('inspection.pdf')" download
          >Report for the workshop (PDF)</a
        >
        <a class="btn" :href="file('inspection.pdf?for=customer')" download>In plain words, for a customer (PDF)</a>
        <template v-if="!session.isCustomer">
          <a class="btn small-btn" :href="file('inspection.csv')" download>Table (CSV)</a>
          <a class="btn small-btn" :href="file('inspection.xlsx')" download>Workbook (XLSX)</a>
        </template>
      </div>
      <template v-if="!session.isCustomer">
        <p class="eyebrow">Readings</p>
        <p class="soft small">Every reading that counts. Brought in again, they are exactly what they were.</p>
        <div class="row">
          <a class="btn small-btn" :href="file('readings.csv')" download>CSV</a>
          <a class="btn small-btn" :href="file('readings.xlsx')" download>XLSX</a>
          <a class="btn small-btn" :href="file('readings.json')" download>JSON</a>
        </div>
      </template>
    </div>
  </Dialog>
</template>
