<script setup lang="ts">
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitNotice from '../kit/KitNotice.vue';
import { handOver, pngFile, svgFile } from '../sheet/drawingFile.ts';
import { dayOf, today } from '../shell/days.ts';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';

/* What can be taken along: the inspection on paper or as a table, and the readings themselves. */
const props = defineProps<{ vehicle: string; name: string; drawing: () => SVGSVGElement | null }>();
const emit = defineEmits<{ close: [] }>();
const session = useSession();
const form = useForm();
/** The body as it is drawn on the page, with what is known of it today. */
const draw = (as: 'svg' | 'png') =>
  form.submit(async () => {
    const drawing = props.drawing();
    if (!drawing) throw new Error('The drawing is not there yet; try again in a moment.');
    const svg = svgFile(drawing, { title: props.name, below: `as of ${dayOf(today())}` });
    const file = as === 'svg' ? new Blob([svg], { type: 'image/svg+xml' }) : await pngFile(svg);
    handOver(file, `${props.name}.${as}`);
  });
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
      <p class="eyebrow">The body as a drawing</p>
      <p class="soft small">As it stands on the page: one side of it, or all of it opened flat.</p>
      <div class="row">
        <KitButton small :disabled="form.busy.value" @click="draw('svg')">SVG</KitButton>
        <KitButton small :disabled="form.busy.value" @click="draw('png')">PNG</KitButton>
      </div>
      <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
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
