<script setup lang="ts">
import { ref } from 'vue';
import type { Turn } from '@aspecta/core/pattern';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useUnits } from '../shell/units.ts';
import { ANGLES, EDGE_WAYS, edgeWay } from './edgeText.ts';

/* How one edge of a piece goes on: it ends, lies flat, is turned or folded back; how wide, and which way. */
const props = defineProps<{ edge: Turn & { chosen: boolean }; name: string; busy: boolean; wrong: string | null }>();
const emit = defineEmits<{ keep: [turn: Turn]; usual: []; cancel: [] }>();
const units = useUnits();
const way = ref(edgeWay(props.edge));
const width = ref(props.edge.width > 0 ? units.typed(props.edge.width) : units.typed(15));
const angle = ref(String(Math.round(props.edge.angle || 45)));
const inOut = ref<'in' | 'out'>(props.edge.way);
const bad = ref<{ width?: string; angle?: string }>({});
function keep(): void {
  bad.value = {};
  if (way.value === 'ends') return emit('keep', { width: 0, angle: 0, way: inOut.value });
  const mm = units.read(width.value);
  const degrees = way.value === 'other' ? Number(angle.value.replace(',', '.')) : ANGLES[way.value];
  if (mm === null || mm <= 0) bad.value.width = units.noLength();
  if (!(degrees >= 0 && degrees <= 180)) bad.value.angle = 'Type degrees out of flat, from 0 to 180.';
  if (!bad.value.width && !bad.value.angle) emit('keep', { width: mm!, angle: degrees, way: inOut.value });
}
</script>

<template>
  <form class="stack edge" @submit.prevent="keep">
    <KitChips v-model="way" :legend="`The ${name}`" :options="EDGE_WAYS" />
    <template v-if="way !== 'ends'">
      <KitField v-slot="{ bind }" :label="`How wide, outside, ${units.word.value}`" :error="bad.width ?? null"
        ><KitInput v-bind="bind" v-model="width" mono autocomplete="off"
      /></KitField>
      <KitField v-if="way === 'other'" v-slot="{ bind }" label="Out of flat, °" :error="bad.angle ?? null"
        ><KitInput v-bind="bind" v-model="angle" mono autocomplete="off"
      /></KitField>
      <KitChips
        v-if="way !== 'flat'"
        v-model="inOut"
        legend="Which way"
        :options="[
          { value: 'in', label: 'In, away from the face' },
          { value: 'out', label: 'Out, towards you' },
        ]"
      />
    </template>
    <KitNotice v-if="wrong" bad>{{ wrong }}</KitNotice>
    <div class="row">
      <KitButton submit main :disabled="busy">Keep</KitButton>
      <KitButton v-if="edge.chosen" :disabled="busy" @click="emit('usual')">As is usual</KitButton>
      <KitButton @click="emit('cancel')">Cancel</KitButton>
    </div>
  </form>
</template>
