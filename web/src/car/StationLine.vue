<script setup lang="ts">
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { Check } from 'lucide-vue-next';
import { belowVehicle } from './belowVehicle.ts';
import { whenStored } from '../shell/api.ts';
import { stations } from '../stations.ts';
import { useVehicle } from './useVehicle.ts';

/* The order of the work on this car: where one is, and in a word what each station waits for. */
const props = defineProps<{ id: string }>();
const route = useRoute();
const car = useVehicle(props.id);
const list = ref<HTMLElement>();
const shown = computed(() =>
  stations
    .filter((station) => station.onLine)
    .map((station) => {
      const standing = car.line.value.find((entry) => entry.station === station.name);
      const path = standing?.path ?? null;
      return {
        ...station,
        word: standing?.word ?? '',
        waits: standing?.waits ?? false,
        done: standing?.done ?? false,
        here: route.meta['station'] === station.name,
        to: within(station) ?? (path === null ? null : belowVehicle(props.id, path)),
      };
    }),
);
/** Of the panel or the repair that is open, where the station is one of panels or repairs. */
function within({ scope, path }: (typeof stations)[number]): string | null {
  const { panel, repair } = route.params as Record<string, string | undefined>;
  if (scope === 'panel' && panel) return path.replace(':id', props.id).replace(':panel', panel);
  if (scope === 'repair' && repair) return path.replace(':id', props.id).replace(':repair', repair);
  return scope === 'car' ? path.replace(':id', props.id) : null;
}
async function showHere(): Promise<void> {
  await nextTick();
  list.value?.querySelector('[aria-current]')?.scrollIntoView?.({ block: 'nearest', inline: 'center' });
}
onMounted(() => void car.renewLine().then(showHere));
/** ms that what is stored is collected before the line is asked for again. */
const TOGETHER = 300;
let later: ReturnType<typeof setTimeout> | undefined;
const stop = whenStored(() => {
  clearTimeout(later);
  later = setTimeout(() => void car.renewLine(), TOGETHER);
});
onUnmounted(() => {
  stop();
  clearTimeout(later);
});
watch(
  () => route.path,
  () => void car.renewLine().then(showHere),
);
</script>

<template>
  <nav ref="list" class="line" aria-label="Order of the work">
    <component
      :is="station.to ? 'RouterLink' : 'span'"
      v-for="station in shown"
      :key="station.name"
      class="stop"
      :class="{ here: station.here, waits: station.waits, none: !station.to }"
      :to="station.to ?? undefined"
      :title="station.question"
      :aria-current="station.here ? 'step' : undefined"
    >
      <span class="name"
        >{{ station.title }}<Check v-if="station.done && !station.waits" :size="14" aria-label="done"
      /></span>
      <span class="word">{{ station.word || ' ' }}</span>
    </component>
  </nav>
</template>

<style scoped>
.line {
  display: flex;
  flex: none;
  min-width: 0;
  overflow-x: auto;
  scrollbar-width: none;
  background: var(--card);
  border-bottom: 1px solid var(--line);
  padding: 0 0.5rem;
}
.stop {
  position: relative;
  display: flex;
  flex-direction: column;
  justify-content: center;
  flex: none;
  min-height: 46px;
  min-width: 5.2rem;
  padding: 0.1rem 1.15rem 0.1rem 0.75rem;
  color: inherit;
  text-decoration: none;
  line-height: 1.2;
  border-bottom: 3px solid transparent;
}
/* One after the other: a notch between them, as on a tape. */
.stop + .stop::before {
  content: '';
  position: absolute;
  left: 0;
  top: 0;
  height: 14px;
  border-left: 1px solid var(--line-strong);
}
.name {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  font-weight: 500;
  font-size: 0.92rem;
}
.word {
  font-size: 0.78rem;
  color: var(--ink-soft);
  white-space: nowrap;
}
.waits .word {
  color: var(--mark);
  font-weight: 600;
}
.here {
  border-color: var(--mark);
}
.here .name {
  font-weight: 600;
}
.none .name {
  color: var(--ink-soft);
}
@media (max-height: 480px) {
  /* Sideways on a phone the sheet needs the height. */
  .stop {
    min-width: 0;
    min-height: 44px;
  }
}
</style>
