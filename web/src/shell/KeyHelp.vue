<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import KitDialog from '../kit/KitDialog.vue';
import KitTable from '../kit/KitTable.vue';
import { stations } from '../stations.ts';

const open = ref(false);
const route = useRoute();
/** Keys of every sheet. */
const EVERYWHERE: readonly (readonly [string, string])[] = [
  ['?', 'Show these keys'],
  ['/', 'Find a panel, a repair, a part, a station, a calculation'],
  ['+ and −', 'Zoom the sheet'],
  ['Arrow keys', 'Move the sheet'],
  ['0', 'Fit the sheet to the window'],
  ['Enter', 'Press what has the focus'],
  ['Escape', 'Leave what you are drawing, close a window'],
];
/** The keys of the station that is open, then those of every sheet, then those of other stations. */
const groups = computed(() => {
  const own = stations.flatMap(({ name, title, keys = [] }) => (keys.length > 0 ? [{ name, title, keys }] : []));
  const isHere = (group: { name: string }) => group.name === route.meta['station'];
  return [...own.filter(isHere), { name: '', title: 'Everywhere', keys: EVERYWHERE }, ...own.filter((g) => !isHere(g))];
});
function onKey(event: KeyboardEvent): void {
  const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
  if (event.key === '?' && !typing) open.value = true;
}
onMounted(() => window.addEventListener('keydown', onKey));
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));
</script>

<template>
  <KitDialog v-if="open" title="Keys" @close="open = false">
    <KitTable v-for="group in groups" :key="group.name">
      <caption class="eyebrow">
        {{
          group.title
        }}
      </caption>
      <tbody>
        <tr v-for="[key, what] in group.keys" :key="key">
          <td class="mono">{{ key }}</td>
          <td>{{ what }}</td>
        </tr>
      </tbody>
    </KitTable>
  </KitDialog>
</template>

<style scoped>
caption {
  text-align: left;
  padding-top: 0.75rem;
}
.mono {
  width: 12rem;
}
</style>
