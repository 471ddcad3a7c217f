<script setup lang="ts">
import { NModal } from 'naive-ui';
import { useId } from 'vue';
import { X } from 'lucide-vue-next';
import KitButton from './KitButton.vue';

/*
 * A window over the page: keeps the focus inside and gives it back, Escape closes. Its outermost element is a
 * <div>: the library keeps the focus in nothing else.
 */
const props = defineProps<{
  title: string;
  wide?: boolean;
  stay?: boolean;
  /** Who opens it puts the focus where it belongs; else it goes to the first thing inside. */
  ownFocus?: boolean;
}>();
const emit = defineEmits<{ close: [] }>();
const id = useId();
const close = (shown: boolean) => !shown && !props.stay && emit('close');
</script>

<template>
  <NModal
    :show="true"
    :mask-closable="false"
    :close-on-esc="!stay"
    :auto-focus="!ownFocus"
    transform-origin="center"
    @update:show="close"
  >
    <div class="dialog" :class="{ wide }" role="dialog" aria-modal="true" :aria-labelledby="id">
      <div class="row spread head">
        <h2 :id="id">{{ title }}</h2>
        <KitButton v-if="!stay" plain aria-label="Close" @click="emit('close')"><X :size="20" /></KitButton>
      </div>
      <slot />
    </div>
  </NModal>
</template>

<style>
.dialog {
  background: var(--card);
  color: var(--ink);
  border: 1px solid var(--line);
  border-radius: 12px;
  box-shadow: var(--shadow);
  padding: 1.25rem;
  width: min(560px, calc(100vw - 2rem));
  max-height: calc(100dvh - 2rem);
  overflow: auto;
}
.dialog.wide {
  width: min(820px, calc(100vw - 2rem));
}
.dialog > .head {
  margin-bottom: 0.75rem;
}
</style>
