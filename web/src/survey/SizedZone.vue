<script setup lang="ts">
import { reactive, ref } from 'vue';
import { circle, type Point, type Ring } from '@aspecta/core/geometry';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import type { SizedKind } from './sizedKind.ts';
import { useUnits } from '../shell/units.ts';

/* A zone by its size and place, or the whole panel: a hole to close, an opening to make, damage that was taped. Nothing is drawn by hand. */
const props = defineProps<{ outline: Ring }>();
/** With what it most likely is until the person says: a round one is a hole to close, anything else is damage. */
const emit = defineEmits<{ take: [ring: Point[], kind: SizedKind] }>();
const units = useUnits();
const shape = ref<'round' | 'rectangle' | 'panel'>('round');
const typed = reactive({ u: '', v: '', width: '', height: '' });
const problem = ref<string | null>(null);
const SHAPES = [
  { value: 'round', label: 'Round' },
  { value: 'rectangle', label: 'Rectangle' },
  { value: 'panel', label: 'The whole panel' },
] as const;

function take(): void {
  if (shape.value === 'panel') return emit('take', [...props.outline], 'through');
  const round = shape.value === 'round';
  const [u, v, width] = [typed.u, typed.v, typed.width].map((text) => units.read(text) ?? NaN) as [
    number,
    number,
    number,
  ];
  const height = round ? width : (units.read(typed.height) ?? NaN);
  const right = Number.isFinite(u) && Number.isFinite(v) && width > 0 && height > 0;
  problem.value = right
    ? null
    : `Write its middle and its ${round ? 'diameter' : 'width and height'} as lengths, in ${units.word.value} or with their unit.`;
  if (!right) return;
  const [w, h] = [width / 2, height / 2];
  emit(
    'take',
    round
      ? circle([u, v], w)
      : [
          [u - w, v - h],
          [u + w, v - h],
          [u + w, v + h],
          [u - w, v + h],
        ],
    round ? 'hole' : 'through',
  );
}
</script>

<template>
  <form class="stack" @submit.prevent="take">
    <KitChips v-model="shape" legend="Its shape" :options="SHAPES" />
    <div v-if="shape !== 'panel'" class="two">
      <KitField v-slot="{ bind }" :label="`Middle, from the left, ${units.word.value}`"
        ><KitInput mono v-bind="bind" v-model="typed.u" autocomplete="off"
      /></KitField>
      <KitField v-slot="{ bind }" :label="`Middle, from below, ${units.word.value}`"
        ><KitInput mono v-bind="bind" v-model="typed.v" autocomplete="off"
      /></KitField>
      <KitField v-slot="{ bind }" :label="`${shape === 'round' ? 'Diameter' : 'Width'}, ${units.word.value}`"
        ><KitInput mono v-bind="bind" v-model="typed.width" autocomplete="off"
      /></KitField>
      <KitField v-if="shape === 'rectangle'" v-slot="{ bind }" :label="`Height, ${units.word.value}`"
        ><KitInput mono v-bind="bind" v-model="typed.height" autocomplete="off"
      /></KitField>
    </div>
    <p v-if="problem && shape !== 'panel'" class="alarm small" role="alert">{{ problem }}</p>
    <KitButton submit small>Draw it</KitButton>
  </form>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
  align-items: end;
}
</style>
