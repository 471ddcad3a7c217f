<script setup lang="ts">
import { ref } from 'vue';
import KitButton from '../kit/KitButton.vue';

/* What was learnt is forgotten, at the second press. */
defineProps<{ label: string; busy: boolean }>();
const emit = defineEmits<{ forget: [] }>();
const sure = ref(false);
function forget(): void {
  sure.value = false;
  emit('forget');
}
</script>

<template>
  <div v-if="sure" class="row">
    <KitButton main :disabled="busy" @click="forget">Forget them, and begin anew</KitButton>
    <KitButton @click="sure = false">Keep them</KitButton>
  </div>
  <KitButton v-else small @click="sure = true">{{ label }}</KitButton>
</template>
