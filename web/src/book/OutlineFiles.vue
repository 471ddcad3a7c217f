<script setup lang="ts">
import { computed, ref } from 'vue';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { postForBlob } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';
import { toSvg } from './outlineFile.ts';

/* The outline as a file at 1:1: for a printer, a plotter or a cutter. */
type Lines = readonly (readonly (readonly [number, number])[])[];
const props = defineProps<{ name: string; title: string; cut: Lines; mark: Lines }>();
const FILES = [
  { as: 'svg', label: 'SVG', ending: 'svg' },
  { as: 'dxf', label: 'DXF', ending: 'dxf' },
  { as: 'dxf-r12', label: 'DXF R12', ending: 'dxf' },
  { as: 'pdf-a4', label: 'PDF on A4 sheets', ending: 'pdf' },
  { as: 'pdf-letter', label: 'PDF on Letter sheets', ending: 'pdf' },
] as const;
const as = ref<(typeof FILES)[number]['as']>('svg');
const file = computed(() => FILES.find((entry) => entry.as === as.value)!);
const form = useForm();

async function save(): Promise<void> {
  await form.submit(async () => {
    const blob =
      as.value === 'svg'
        ? new Blob([toSvg(props.cut)], { type: 'image/svg+xml' })
        : await postForBlob('/shape/outline', { as: as.value, title: props.title, cut: props.cut, mark: props.mark });
    const url = URL.createObjectURL(blob);
    Object.assign(document.createElement('a'), {
      href: url,
      download: `${props.name}-1to1.${file.value.ending}`,
    }).click();
    URL.revokeObjectURL(url);
  });
}
</script>

<template>
  <div class="row files">
    <label class="visually-hidden" :for="`${name}-as`">File of the outline</label>
    <KitSelect :id="`${name}-as`" v-model="as">
      <option v-for="entry in FILES" :key="entry.as" :value="entry.as">{{ entry.label }}</option>
    </KitSelect>
    <KitButton small :disabled="form.busy.value" @click="save">Outline 1:1 as {{ file.label }}</KitButton>
  </div>
  <KitNotice bad v-if="form.rest()">
    {{ form.rest() }}
  </KitNotice>
</template>

<style scoped>
.files {
  gap: 0.5rem;
  flex-wrap: wrap;
}
.files .select {
  width: auto;
}
</style>
