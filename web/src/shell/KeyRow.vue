<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import KitPress from '../kit/KitPress.vue';
import { useUnits } from './units.ts';

/* Number pads of phones lack what a tape needs: the missing keys stand in a row above the pad while a figure is typed. */
const units = useUnits();
const KEYS = ['/', '"', "'", '>', '<', '-', ' '] as const;
const WORDS: Readonly<Record<string, string>> = { ' ': 'space', '"': 'inch mark', "'": 'foot mark' };
const field = shallowRef<HTMLInputElement | null>(null);
/** px from the lower edge of the page up to the pad. */
const above = ref(0);

const touched = () => window.matchMedia?.('(pointer: coarse)').matches ?? false;
function focused({ target }: FocusEvent): void {
  const is = target instanceof HTMLInputElement && ['decimal', 'numeric'].includes(target.inputMode);
  field.value = is && touched() ? (target as HTMLInputElement) : null;
  place();
}
const left = () => (field.value = null);
function place(): void {
  const seen = window.visualViewport;
  above.value = seen ? Math.max(0, window.innerHeight - seen.height - seen.offsetTop) : 0;
}
/** Writes at the cursor, as the pad would. */
function write(key: string): void {
  const input = field.value;
  if (!input) return;
  const [from, to] = [input.selectionStart ?? input.value.length, input.selectionEnd ?? input.value.length];
  input.setRangeText(key, from, to, 'end');
  input.dispatchEvent(new Event('input', { bubbles: true }));
}
onMounted(() => {
  document.addEventListener('focusin', focused);
  document.addEventListener('focusout', left);
  window.visualViewport?.addEventListener('resize', place);
  window.visualViewport?.addEventListener('scroll', place);
});
onBeforeUnmount(() => {
  document.removeEventListener('focusin', focused);
  document.removeEventListener('focusout', left);
  window.visualViewport?.removeEventListener('resize', place);
  window.visualViewport?.removeEventListener('scroll', place);
});
</script>

<template>
  <div v-if="field" class="keys" role="group" aria-label="More keys" :style="{ bottom: `${above}px` }">
    <KitPress
      v-for="key in KEYS.filter((one) => units.unit.value === 'in' || one !== '\'')"
      :key="key"
      class="key mono"
      :aria-label="WORDS[key] ?? key"
      tabindex="-1"
      @pointerdown.prevent="write(key)"
      >{{ key === ' ' ? '␣' : key }}</KitPress
    >
  </div>
</template>

<style scoped>
.keys {
  position: fixed;
  left: 0;
  right: 0;
  z-index: 40;
  display: flex;
  gap: 0.3rem;
  padding: 0.3rem;
  background: var(--card);
  border-top: 1px solid var(--line-strong);
}
.key {
  flex: 1;
  display: grid;
  place-items: center;
  min-height: 46px;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font-size: 1.2rem;
}
</style>
