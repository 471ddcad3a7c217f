<script setup lang="ts">
import { reactive, ref } from 'vue';
import { METALS } from '@aspecta/contract/body';
import type { AddedPart, Material, Side } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitChips from '../kit/KitChips.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { put, remove } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { draftOf, edgeOf } from './edgeDraft.ts';
import EdgeFields from './EdgeFields.vue';

/* A part that the body plan lacks: bracket, box section, jack point. */
const props = defineProps<{ vehicle: string; part: AddedPart | null }>();
const emit = defineEmits<{ close: []; saved: [part: string]; gone: [] }>();
const units = useUnits();
const form = useForm();
const id = props.part?.id ?? newId();
const at = `/vehicles/${props.vehicle}/parts/${id}`;
const typed = (mm: number | undefined) => (mm === undefined ? '' : units.typed(mm));
const draft = reactive({
  name: props.part?.name ?? '',
  side: (props.part?.side ?? 'left') as Side,
  width: typed(props.part?.width),
  height: typed(props.part?.height),
  thickness: typed(props.part?.thickness),
  material: (props.part?.material ?? 'steel') as Material,
  structural: props.part?.structural ?? true,
  visible: props.part?.visible ?? false,
});
const edge = ref(draftOf(props.part?.edge ?? { kind: 'spot', pitch: 40, sheets: 2 }, units.typed));
const wrong = ref<Record<string, string>>({});
/** What is no length is sent as it was typed, so that it is refused at its field. */
const length = (text: string) => units.read(text) ?? text;
async function save(): Promise<void> {
  const said = edgeOf(edge.value, { read: units.read, noLength: units.noLength });
  wrong.value = said.wrong;
  if (Object.keys(said.wrong).length > 0) return;
  const done = await form.submit(() =>
    put(at, {
      ...draft,
      ...{ width: length(draft.width), height: length(draft.height), thickness: length(draft.thickness) },
      edge: said.edge,
    }),
  );
  if (done) emit('saved', id);
}
async function away(): Promise<void> {
  if (await form.submit(() => remove(at))) emit('gone');
}
const said = (field: string) => (form.errors[field] ? units.said(form.errors[field]!) : null);
const FIELDS = ['name', 'width', 'height', 'thickness'];
</script>

<template>
  <KitDialog :title="part ? part.name : 'A part that the plan lacks'" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <p class="small soft">
        A bracket, a box section, a jack point: it stands beside the body and is measured, decided and planned like any
        panel.
      </p>
      <KitField v-slot="{ bind }" label="What it is" :error="said('name')"
        ><KitInput v-bind="bind" v-model="draft.name" placeholder="Jack point, left"
      /></KitField>
      <KitChips
        v-model="draft.side"
        legend="On which side"
        :options="[
          { value: 'left', label: 'Left' },
          { value: 'right', label: 'Right' },
          { value: 'centre', label: 'Middle' },
        ]"
      />
      <div class="two">
        <KitField v-slot="{ bind }" :label="`Width, laid flat, ${units.word.value}`" :error="said('width')"
          ><KitInput v-bind="bind" v-model="draft.width" mono autocomplete="off"
        /></KitField>
        <KitField v-slot="{ bind }" :label="`Height, laid flat, ${units.word.value}`" :error="said('height')"
          ><KitInput v-bind="bind" v-model="draft.height" mono autocomplete="off"
        /></KitField>
      </div>
      <KitField
        v-slot="{ bind }"
        :label="`Sheet, ${units.word.value}`"
        hint="Or a gauge, as 14 ga"
        :error="said('thickness')"
        ><KitInput v-bind="bind" v-model="draft.thickness" mono autocomplete="off"
      /></KitField>
      <KitChips v-model="draft.material" legend="Metal" :options="METALS" />
      <KitCheckbox v-model="draft.structural">It carries load</KitCheckbox>
      <KitCheckbox v-model="draft.visible">It is seen on the finished car</KitCheckbox>
      <h3>How it is held all round</h3>
      <EdgeFields v-model="edge" :errors="wrong" />
      <KitNotice v-if="form.rest(...FIELDS)" bad>{{ units.said(form.rest(...FIELDS)!) }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Keep</KitButton>
        <KitButton v-if="part" :disabled="form.busy.value" @click="away">Take it off the body</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
h3 {
  font-size: 1.05rem;
  margin: 0.5rem 0 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.8rem;
}
</style>
