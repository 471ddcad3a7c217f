<script setup lang="ts">
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import { useSession } from '../shell/session.ts';

/* What can be taken along: the inspection on paper or as a table, and the readings themselves. */
const props = defineProps<{ vehicle: string }>();
const emit = defineEmits<{ close: [] }>();
const session = useSession();
const file = (name: string) => `/api/vehicles/${props.vehicle}/${name}`;
</script>

<template>
  <KitDialog title="Take it along" @close="emit('close')">
    <div class="stack">
      <p class="eyebrow">Inspection report</p>
      <p class="soft small">
        State, maps, pits, finds and pictures panel by panel, with their doubt and what was not inspected. It describes;
        it certifies nothing.
      </p>
      <div class="row">
        <KitButton main v-if="!session.isCustomer" :href="file('inspection.pdf')" download
          >Report for the workshop (PDF)</KitButton
        >
        <KitButton :href="file('inspection.pdf?for=customer')" download>In plain words, for a customer (PDF)</KitButton>
        <template v-if="!session.isCustomer">
          <KitButton small :href="file('inspection.csv')" download>Table (CSV)</KitButton>
          <KitButton small :href="file('inspection.xlsx')" download>Workbook (XLSX)</KitButton>
        </template>
      </div>
      <template v-if="!session.isCustomer">
        <p class="eyebrow">Readings</p>
        <p class="soft small">Every reading that counts. Brought in again, they are exactly what they were.</p>
        <div class="row">
          <KitButton small :href="file('readings.csv')" download>CSV</KitButton>
          <KitButton small :href="file('readings.xlsx')" download>XLSX</KitButton>
          <KitButton small :href="file('readings.json')" download>JSON</KitButton>
        </div>
      </template>
    </div>
  </KitDialog>
</template>
