<script setup lang="ts">
import { ref } from 'vue';
import type { ZoneView } from '@aspecta/contract/survey';
import type { Layer } from '@aspecta/core/body';
import type { ZoneClass } from '@aspecta/core/survey';
import KitButton from '../kit/KitButton.vue';
import type { useForm } from '../shell/useForm.ts';
import type { useZoneDraft } from './useZoneDraft.ts';
import ZoneForm, { type ZoneDraft } from './ZoneForm.vue';
import ZoneHistory from './ZoneHistory.vue';
import ZoneTools from './ZoneTools.vue';

/* Beside the sheet while a zone is drawn or changed. */
const props = defineProps<{
  vehicle: string;
  draft: ReturnType<typeof useZoneDraft>;
  layers: readonly Layer[];
  layer: string;
  form: ReturnType<typeof useForm>;
  told: (isBare: boolean) => { class: ZoneClass; because: string } | null;
  others: readonly ZoneView[];
  proposed: boolean;
  canWork: boolean;
}>();
const emit = defineEmits<{
  save: [draft: ZoneDraft];
  cancel: [];
  remove: [];
  takeProposed: [];
  join: [op: 'merge' | 'subtract', other: ZoneView];
  split: [];
  layer: [id: string];
}>();
const problem = ref<string | null>(null);
const { ring, closed, editing, drawing, pen, holes } = props.draft;
</script>

<template>
  <div v-if="!closed" class="stack">
    <p class="eyebrow">Draw the damage</p>
    <p>Tap its corners on the sheet. Tap the first corner again, or close it here.</p>
    <p class="figure">
      {{ ring.length }} <small>{{ ring.length === 1 ? 'corner' : 'corners' }}</small>
    </p>
    <div class="row">
      <KitButton main :disabled="ring.length < 3" @click="draft.close(layer)">Close the zone</KitButton
      ><KitButton :disabled="ring.length === 0" @click="draft.back()">Take the last corner back</KitButton>
    </div>
    <KitButton v-if="proposed" @click="emit('takeProposed')">Take the proposed zone instead</KitButton>
  </div>
  <div v-else class="stack">
    <ZoneForm
      v-if="drawing === 'outline'"
      :draft="draft.fresh.value"
      :layers="layers"
      :errors="form.errors"
      :busy="form.busy.value"
      :crossing="draft.crossing.value"
      :existing="editing !== null"
      :can-work="canWork"
      :told="told"
      @save="emit('save', $event)"
      @cancel="emit('cancel')"
      @remove="emit('remove')"
      @layer="emit('layer', $event)"
    />
    <ZoneTools
      v-if="canWork"
      :zone="editing"
      :others="others"
      :drawing="drawing"
      :pen-length="pen.length"
      :islands="holes.length"
      :problem="problem ?? form.errors['other'] ?? form.errors['line'] ?? null"
      @draw="((problem = null), draft.setDrawing($event))"
      @keep-island="problem = draft.keepIsland()"
      @drop-islands="draft.dropIslands()"
      @split="emit('split')"
      @merge="emit('join', 'merge', $event)"
      @subtract="emit('join', 'subtract', $event)"
    />
    <ZoneHistory v-if="editing" :vehicle="vehicle" :zone="editing.id" />
  </div>
</template>
