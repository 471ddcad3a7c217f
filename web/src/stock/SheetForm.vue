<script setup lang="ts">
import { reactive } from 'vue';
import { METALS } from '@aspecta/contract/body';
import type { StockSheet } from '@aspecta/contract/stock';
import type { Material } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post, put, remove } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* A sheet or a leftover in the rack. */
const props = defineProps<{ sheet: StockSheet | null }>();
const emit = defineEmits<{ close: []; saved: [] }>();
const units = useUnits();
const form = useForm();
const id = props.sheet?.id ?? newId();
const draft = reactive({
  name: props.sheet?.name ?? '',
  width: props.sheet ? units.typed(props.sheet.width) : '',
  height: props.sheet ? units.typed(props.sheet.height) : '',
  thickness: props.sheet ? units.typed(props.sheet.thickness) : '',
  material: (props.sheet?.material ?? 'steel') as Material,
});
/** What is no length is sent as it was typed, so that it is refused at its field. */
const length = (text: string) => units.read(text) ?? text;
async function save(): Promise<void> {
  const done = await form.submit(async () => {
    const body = {
      ...{ id, name: draft.name, material: draft.material },
      ...{ width: length(draft.width), height: length(draft.height), thickness: length(draft.thickness) },
    };
    if (props.sheet) await put(`/stock/sheets/${id}`, { ...body, version: props.sheet.version });
    else await post('/stock/sheets', body);
  });
  if (done) emit('saved');
}
async function away(): Promise<void> {
  if (await form.submit(() => remove(`/stock/sheets/${id}`))) emit('saved');
}
const said = (field: string) => (form.errors[field] ? units.said(form.errors[field]!) : null);
</script>

<template>
  <KitDialog :title="sheet ? sheet.name : 'A sheet in the rack'" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitField v-slot="{ bind }" label="What it is called, or where it stands" :error="said('name')"
        ><KitInput v-bind="bind" v-model="draft.name" placeholder="Deep-drawing sheet, rack 2"
      /></KitField>
      <KitChips v-model="draft.material" legend="Metal" :options="METALS" />
      <KitField
        v-slot="{ bind }"
        :label="`Thickness, ${units.word.value}`"
        hint="Or a gauge, as 18 ga"
        :error="said('thickness')"
        ><KitInput v-bind="bind" v-model="draft.thickness" mono autocomplete="off"
      /></KitField>
      <div class="two">
        <KitField v-slot="{ bind }" :label="`Width, ${units.word.value}`" :error="said('width')"
          ><KitInput v-bind="bind" v-model="draft.width" mono autocomplete="off"
        /></KitField>
        <KitField v-slot="{ bind }" :label="`Length, ${units.word.value}`" :error="said('height')"
          ><KitInput v-bind="bind" v-model="draft.height" mono autocomplete="off"
        /></KitField>
      </div>
      <KitNotice v-if="form.rest('name', 'thickness', 'width', 'height')" bad>{{
        form.rest('name', 'thickness', 'width', 'height')
      }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Keep</KitButton>
        <KitButton v-if="sheet" :disabled="form.busy.value" @click="away">It is gone</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.8rem;
}
</style>
