<script setup lang="ts">
import { ref } from 'vue';
import type { FindInput } from '@aspecta/contract/survey';
import type { Layer } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { SIGNS, type SignId } from '@aspecta/core/survey';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* Tap the place, then what is there: one tap each. */
const props = defineProps<{
  place: Point | null;
  layers: readonly Layer[];
  layer: string;
  add: (find: Omit<FindInput, 'id' | 'panel'>) => Promise<void>;
}>();
const emit = defineEmits<{ done: [] }>();
const form = useForm();
const units = useUnits();
const note = ref('');
const said = ref('');

async function found(sign: SignId): Promise<void> {
  if (!props.place) return;
  const [u, v] = props.place;
  const done = await form.submit(() =>
    props.add({ layer: props.layer, u: Math.round(u * 10) / 10, v: Math.round(v * 10) / 10, sign, note: note.value }),
  );
  if (!done) return;
  note.value = '';
  said.value = 'Noted.';
  emit('done');
}
</script>

<template>
  <div class="stack">
    <p class="eyebrow">What is there?</p>
    <p v-if="!place" class="soft">Tap the place on the sheet first.</p>
    <p v-else class="soft small">At {{ units.length(place[0]) }} from the left, {{ units.length(place[1]) }} up.</p>
    <KitNotice bad v-if="form.rest()">
      {{ form.rest() }}
    </KitNotice>
    <div class="signs">
      <KitButton
        v-for="sign in SIGNS"
        :key="sign.id"
        :disabled="!place || form.busy.value"
        :title="sign.meaning"
        @click="found(sign.id)"
      >
        {{ sign.title }}
      </KitButton>
    </div>
    <KitField v-slot="{ bind }" label="Note, written before the tap"
      ><KitInput v-bind="bind" v-model="note"
    /></KitField>
    <p class="small soft" role="status">{{ said }}</p>
  </div>
</template>

<style scoped>
.signs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.4rem;
}
.signs .btn {
  padding: 0.3rem 0.5rem;
  min-height: 52px;
  line-height: 1.15;
  font-size: 0.92rem;
}
</style>
