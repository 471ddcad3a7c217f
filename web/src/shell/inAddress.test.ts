import { flushPromises, mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { defineComponent, h } from 'vue';
import { createMemoryHistory, createRouter } from 'vue-router';
import { useInAddress } from './inAddress.ts';

type Tab = 'map' | 'pits';
let tab: ReturnType<typeof useInAddress<Tab>>;
const Part = defineComponent({
  setup() {
    tab = useInAddress<Tab>(
      'tab',
      () => 'map',
      () => ['map', 'pits'],
    );
    return () => h('p', tab.value);
  },
});
const routes = [{ path: '/', component: Part }];

describe('a choice in the address', () => {
  it('is read from it, written to it, and leaves it as it is where it is the usual one', async () => {
    const router = createRouter({ history: createMemoryHistory(), routes });
    await router.push('/?tab=pits&layer=inner');
    const page = mount(Part, { global: { plugins: [router] } });
    expect(page.text()).toBe('pits');
    tab.value = 'map';
    await flushPromises();
    expect(router.currentRoute.value.query).toEqual({ layer: 'inner' });
    tab.value = 'pits';
    await flushPromises();
    expect(router.currentRoute.value.fullPath).toBe('/?layer=inner&tab=pits');
    expect(page.text()).toBe('pits');
    router.back();
  });

  it('falls back to the usual one where the address says what is not offered', async () => {
    const router = createRouter({ history: createMemoryHistory(), routes });
    await router.push('/?tab=engine');
    expect(mount(Part, { global: { plugins: [router] } }).text()).toBe('map');
  });

  it('is kept by a part that stands alone', async () => {
    const part = mount(Part);
    tab.value = 'pits';
    await flushPromises();
    expect(part.text()).toBe('pits');
  });
});
