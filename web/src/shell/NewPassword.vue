<script setup lang="ts">
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';

/* A password that is chosen: the same hint wherever one is. */
withDefaults(defineProps<{ label?: string; error?: string | undefined }>(), { label: 'Password', error: undefined });
const model = defineModel<string>({ required: true });
</script>

<template>
  <KitField
    v-slot="{ bind }"
    :label="label"
    hint="At least ten characters: four or five words that do not belong together are easy to keep and hard to guess"
    :error="error"
  >
    <KitInput v-bind="bind" v-model="model" type="password" autocomplete="new-password" />
  </KitField>
</template>
