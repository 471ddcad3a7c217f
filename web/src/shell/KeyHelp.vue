<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from 'vue';
import Dialog from './Dialog.vue';

const open = ref(false);
const KEYS: readonly (readonly [string, string])[] = [
  ['?', 'Show these keys'],
  ['+ and −', 'Zoom the sheet'],
  ['Arrow keys', 'Move the sheet'],
  ['0', 'Fit the sheet to the window'],
  ['R', 'Survey: take readings'],
  ['Z', 'Survey: draw a zone'],
  ['Enter', 'Store the reading, close the zone, or press what has the focus'],
  ['Ctrl Z, Ctrl Shift Z', 'Undo, redo'],
  ['Space', 'Weld plan: play or stop. Bench mode: step done'],
  ['Escape', 'Leave what you are drawing, close a window'],
];
function onKey(event: KeyboardEvent): void {
  const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
  if (event.key === '?' && !typing) open.value = true;
}
onMounted(() => window.addEventListener('keydown', onKey));
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));
</script>

<template>
  <Dialog v-if="open" title="Keys" @close="open = false">
    <table class="plain">
      <tbody>
        <tr v-for="[key, what] in KEYS" :key="key">
          <td class="mono">{{ key }}</td>
          <td>{{ what }}</td>
        </tr>
      </tbody>
    </table>
  </Dialog>
</template>
