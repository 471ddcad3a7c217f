<script setup lang="ts">
import { ref, watch } from 'vue';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { timeOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';
import type { Entry } from './device.ts';
import { fieldsOf, mended } from './mend.ts';
import { useOutbox } from './useOutbox.ts';

/* What the server did not take: each with its reason, to be mended, tried again, or thrown away. */
const emit = defineEmits<{ close: [] }>();
const outbox = useOutbox();
const units = useUnits();
/** Typed values by entry and field. */
const typed = ref<Record<string, Record<string, string>>>({});
const dropping = ref<string | null>(null);
const busy = ref(false);
watch(
  () => outbox.refused,
  (list) => {
    for (const entry of list)
      typed.value[entry.id] ??= Object.fromEntries(fieldsOf(entry, units).map((field) => [field.key, field.value]));
    if (list.length === 0) emit('close');
  },
  { immediate: true },
);
async function again(entry: Entry): Promise<void> {
  busy.value = true;
  await outbox.again(entry.id, mended(entry, typed.value[entry.id] ?? {}, units)).finally(() => (busy.value = false));
}
async function drop(entry: Entry): Promise<void> {
  if (dropping.value !== entry.id) {
    dropping.value = entry.id;
    return;
  }
  await outbox.drop(entry.id);
}
</script>

<template>
  <KitDialog title="Could not be stored" @close="emit('close')">
    <p class="soft small">Nothing of this is lost: it stays on this device until you mend it or throw it away.</p>
    <form v-for="entry in outbox.refused" :key="entry.id" class="tile stack" @submit.prevent="again(entry)">
      <div>
        <strong>{{ units.said(entry.title) }}</strong>
        <p class="small soft">recorded {{ timeOf(new Date(entry.order).toISOString()) }}</p>
      </div>
      <KitNotice bad>{{ entry.refused?.detail }}</KitNotice>
      <div v-if="fieldsOf(entry, units).length > 0" class="pair">
        <KitField v-for="field in fieldsOf(entry, units)" :key="field.key" v-slot="{ bind }" :label="field.label">
          <KitInput
            v-bind="bind"
            v-model="typed[entry.id]![field.key]"
            :class="{ mono: field.number }"
            :inputmode="field.number ? 'decimal' : 'text'"
          />
        </KitField>
      </div>
      <div class="row">
        <KitButton submit main :disabled="busy">
          {{ fieldsOf(entry, units).length > 0 ? 'Store it like this' : 'Try again' }}
        </KitButton>
        <KitButton :to="`/vehicles/${entry.vehicle}`" @click="emit('close')">To the car</KitButton>
        <KitButton @click="drop(entry)">
          {{ dropping === entry.id ? 'Really throw it away' : 'Throw it away' }}
        </KitButton>
      </div>
    </form>
  </KitDialog>
</template>
