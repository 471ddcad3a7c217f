<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { DressRoundInput, DressView } from '@aspecta/contract/dress';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { newId } from '../shell/newId.ts';
import { useUnits } from '../shell/units.ts';

/* What a straight edge shows, place by place; what is not read is left out. */
const props = defineProps<{ view: DressView; busy: boolean; noteError: string | null }>();
const emit = defineEmits<{ read: [round: DressRoundInput]; cancel: [] }>();
/** The place that is looked at on the drawing. */
const picked = defineModel<string | null>('picked', { required: true });
const units = useUnits();
const draft = reactive<{ mm: Record<string, string>; note: string }>({ mm: {}, note: '' });
const wrong = ref<Record<string, string>>({});
function send(): void {
  const bad: Record<string, string> = {};
  const readings = props.view.places.flatMap(({ id }) => {
    const text = draft.mm[id]?.trim() ?? '';
    if (text === '') return [];
    const mm = units.read(text);
    if (mm === null) bad[id] = units.noLength();
    return [{ place: id, mm: mm ?? 0 }];
  });
  if (readings.length === 0) bad['readings'] = 'Read one place at least; 0 where it is level.';
  wrong.value = bad;
  if (Object.keys(bad).length === 0) emit('read', { id: newId(), readings, note: draft.note });
}
</script>

<template>
  <form class="stack" @submit.prevent="send">
    <p class="small soft">
      Lay a straight edge across the weld, as long as a hand on both sides. Proud as it is, low with a minus, in
      {{ units.word.value }}; 0 where it is level. Leave out what you cannot read.
    </p>
    <div class="places">
      <KitField
        v-for="(place, i) in view.places"
        :key="place.id"
        v-slot="{ bind }"
        :label="`${i + 1}: ${view.joints[place.joint]!.name}, ${units.length(place.mm)} from the ${place.end}`"
        :error="wrong[place.id] ?? null"
        ><KitInput v-bind="bind" v-model="draft.mm[place.id]!" mono autocomplete="off" @focus="picked = place.id"
      /></KitField>
    </div>
    <p v-if="wrong['readings']" class="alarm" role="alert">{{ wrong['readings'] }}</p>
    <KitField v-slot="{ bind }" label="What was done before" :error="noteError"
      ><KitInput v-bind="bind" v-model="draft.note" placeholder="Hammered on the dolly along the upper seam"
    /></KitField>
    <div class="row">
      <KitButton submit main :disabled="busy">Keep these readings</KitButton>
      <KitButton @click="emit('cancel')">Cancel</KitButton>
    </div>
  </form>
</template>

<style scoped>
.places {
  display: grid;
  gap: 0.5rem;
}
</style>
