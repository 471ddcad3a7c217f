<script setup lang="ts">
import { defineAsyncComponent, onBeforeUnmount, onMounted, ref } from 'vue';
import { Search } from 'lucide-vue-next';
import KitButton from '../kit/KitButton.vue';

/* One key, or a tap: anything by a word. */
const SearchDialog = defineAsyncComponent(() => import('./SearchDialog.vue'));
const open = ref(false);
function onKey(event: KeyboardEvent): void {
  const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
  if (event.key !== '/' || typing || event.ctrlKey || event.metaKey || event.altKey) return;
  event.preventDefault();
  open.value = true;
}
onMounted(() => window.addEventListener('keydown', onKey));
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));
</script>

<template>
  <KitButton plain aria-label="Where to? Find anything" @click="open = true"><Search :size="20" /></KitButton>
  <SearchDialog v-if="open" @close="open = false" />
</template>
