import type { GlobalThemeOverrides } from 'naive-ui';
import { defineStore } from 'pinia';
import { computed, ref, watchEffect } from 'vue';

const KEY = 'aspecta-look';

/** Day and night look; remembered on this device. */
export const useLook = defineStore('look', () => {
  const night = ref(read());
  watchEffect(() => {
    document.documentElement.dataset['look'] = night.value ? 'night' : 'day';
  });
  const overrides = computed<GlobalThemeOverrides>(() => {
    const primary = night.value ? '#a9b1ff' : '#2a35b8';
    return {
      common: {
        primaryColor: primary,
        primaryColorHover: primary,
        primaryColorPressed: primary,
        fontFamily: "'Barlow', system-ui, sans-serif",
        fontFamilyMono: "'DM Mono', monospace",
        borderRadius: '8px',
        heightMedium: '44px',
      },
    };
  });
  function toggle(): void {
    night.value = !night.value;
    try {
      localStorage.setItem(KEY, night.value ? 'night' : 'day');
    } catch {
      // A device that keeps nothing still changes its look until it is reloaded.
    }
  }
  return { night, overrides, toggle };
});

function read(): boolean {
  try {
    const kept = localStorage.getItem(KEY);
    return kept ? kept === 'night' : window.matchMedia('(prefers-color-scheme: dark)').matches;
  } catch {
    return false;
  }
}
