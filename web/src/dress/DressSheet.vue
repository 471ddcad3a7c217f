<script setup lang="ts">
import { computed } from 'vue';
import type { DressRoundView, DressView } from '@aspecta/contract/dress';
import type { Panel } from '@aspecta/core/body';
import type { DressAct } from '@aspecta/core/dress';
import PlacesSheet from '../sheet/PlacesSheet.vue';

/* The piece with the places where a straight edge is laid across its welds, and what it showed there. */
const props = defineProps<{ view: DressView; panel: Panel; round: DressRoundView | null; picked: string | null }>();
const emit = defineEmits<{ pick: [place: string] }>();
const LOOKS = {
  level: 'good',
  fill: 'some',
  shrink: 'crossed',
  stretch: 'bad',
  build: 'bad',
  again: 'bad',
} as const satisfies Record<DressAct, string>;
const places = computed(() =>
  props.view.places.map(({ id, at }) => {
    const act = props.round?.result.places.find((one) => one.place === id)?.act;
    return { id, at, look: act ? LOOKS[act] : ('unread' as const) };
  }),
);
</script>

<template>
  <PlacesSheet
    :panel="panel"
    :piece="view.piece"
    :joints="view.joints"
    :places="places"
    :picked="picked"
    :label="`${panel.name}: ${view.places.length} places across its welds.`"
    @pick="emit('pick', $event)"
  />
</template>
