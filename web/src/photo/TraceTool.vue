<script setup lang="ts">
import { ref } from 'vue';
import type { RepairView } from '@aspecta/contract/verdict';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitSelect from '../kit/KitSelect.vue';

/* Corners tapped around something on a picture: damage becomes a zone, a card or a cut-out the pattern of a repair. */
const props = defineProps<{
  corners: number;
  /** The picture is pinned to a panel: only there can a zone be. */
  pinned: boolean;
  /** Repairs for which a piece is made or cut, with their names. */
  repairs: readonly { repair: RepairView; name: string }[];
  busy: boolean;
}>();
const emit = defineEmits<{ back: []; zone: []; pattern: [repair: string] }>();
const repair = ref(props.repairs[0]?.repair.id ?? '');
</script>

<template>
  <div class="stack">
    <p>Tap around it: {{ corners }} corners.</p>
    <div class="row">
      <KitButton main :disabled="corners < 3 || !pinned || busy" @click="emit('zone')">Make it a zone</KitButton>
      <KitButton :disabled="corners === 0" @click="emit('back')"> Take one back </KitButton>
    </div>
    <p v-if="!pinned" class="small soft">For a zone, say on which panel the picture was taken.</p>
    <template v-if="repairs.length > 0">
      <KitField v-slot="{ bind }" label="Or it is a card or a cut-out: the pattern for">
        <KitSelect v-bind="bind" v-model="repair">
          <option v-for="entry in repairs" :key="entry.repair.id" :value="entry.repair.id">{{ entry.name }}</option>
        </KitSelect>
      </KitField>
      <KitButton :disabled="corners < 3 || busy" @click="emit('pattern', repair)">Make it the pattern</KitButton>
    </template>
  </div>
</template>
