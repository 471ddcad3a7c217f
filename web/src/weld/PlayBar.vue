<script setup lang="ts">
import { Pause, Play } from 'lucide-vue-next';
import KitButton from '../kit/KitButton.vue';
import KitSlider from '../kit/KitSlider.vue';

/* Plays what the sheet shows, or goes to any moment of it. */
defineProps<{ label: string; what: string; playing: boolean; max: number; said: string }>();
const emit = defineEmits<{ play: [] }>();
const at = defineModel<number>({ required: true });
</script>

<template>
  <div class="player" data-own-pointer>
    <KitButton :aria-label="playing ? 'Stop' : `Play ${what}`" @click="emit('play')">
      <component :is="playing ? Pause : Play" :size="20" />
    </KitButton>
    <KitSlider v-model="at" :label="label" hide-label :max="max" />
    <span class="mono small">{{ said }}</span>
  </div>
</template>

<style scoped>
.player {
  position: absolute;
  left: 2.2rem;
  bottom: 0.5rem;
  right: 10.5rem;
  display: flex;
  gap: 0.6rem;
  align-items: center;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 10px;
  padding: 0.3rem 0.6rem;
}
/* Above the buttons that zoom, where there is no room beside them. */
@media (max-width: 640px) {
  .player {
    right: 0.6rem;
    bottom: 3.6rem;
  }
}
</style>
