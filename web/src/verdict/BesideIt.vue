<script setup lang="ts">
import { computed } from 'vue';
import type { Panel } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';

/* Damage goes on in the panels at this one: some parts are bought, or made, over several of them. */
const props = defineProps<{ vehicle: string; panel: Panel; beside: readonly Panel[] }>();
const names = computed(() => props.beside.map(({ name }) => name).join('; '));
const to = computed(
  () =>
    `/vehicles/${props.vehicle}/panels/${props.panel.id}/facts?joining=${props.beside.map(({ id }) => id).join(',')}`,
);
</script>

<template>
  <div class="stack">
    <p class="small">
      Damage is drawn on what lies at it, too: {{ names }}. Is it bought or made in one piece with
      {{ beside.length > 1 ? 'them' : 'it' }}? Then the seams between need not be made.
    </p>
    <KitButton plain small :to="to">In one piece with {{ beside.length > 1 ? 'these' : 'it' }}</KitButton>
  </div>
</template>
