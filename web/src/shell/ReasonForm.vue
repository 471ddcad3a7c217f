<script setup lang="ts">
import { ref } from 'vue';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';

/* Why something is done although it is advised against: without a reason it is not. */
defineProps<{ label: string; act: string; keep: string; error: string | null; busy: boolean }>();
const emit = defineEmits<{ give: [reason: string]; cancel: [] }>();
const reason = ref('');
</script>

<template>
  <form class="stack" @submit.prevent="emit('give', reason)">
    <KitField v-slot="{ bind }" :label="label" :error="error"><KitInput v-bind="bind" v-model="reason" /></KitField>
    <div class="row">
      <KitButton submit small :disabled="busy || reason.trim() === ''">{{ act }}</KitButton>
      <KitButton small plain @click="emit('cancel')">{{ keep }}</KitButton>
    </div>
  </form>
</template>
