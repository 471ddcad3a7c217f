import { defineStore } from 'pinia';
import { ref, watchEffect } from 'vue';

const KEY = 'aspecta-look';

/** Day and night look; remembered on this device. */
export const useLook = defineStore('look', () => {
  const night = ref(read());
  watchEffect(() => {
    document.documentElement.dataset['look'] = night.value ? 'night' : 'day';
  });
  function toggle(): void {
    night.value = !night.value;
    try {
      localStorage.setItem(KEY, night.value ? 'night' : 'day');
    } catch {
      // A device that keeps nothing still changes its look until it is reloaded.
    }
  }
  return { night, toggle };
});

function read(): boolean {
  try {
    const kept = localStorage.getItem(KEY);
    return kept ? kept === 'night' : window.matchMedia('(prefers-color-scheme: dark)').matches;
  } catch {
    return false;
  }
}
