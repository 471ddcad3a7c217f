import { mount } from '@vue/test-utils';
import { createMemoryHistory, createRouter } from 'vue-router';
import { beforeEach, describe, expect, it } from 'vitest';
import { signIn } from '../testing/fakeServer.ts';
import ThumbPage from './ThumbPage.vue';

beforeEach(() => {
  signIn('owner');
  Element.prototype.scrollIntoView = () => undefined;
});
async function open(path = '/book/rules-of-thumb') {
  const routes = [{ path: '/:any(.*)*', component: { template: '<i />' } }];
  const router = createRouter({ history: createMemoryHistory(), routes });
  await router.push(path);
  return mount(ThumbPage, { global: { plugins: [router] } });
}

describe('rules of thumb', () => {
  it('stand by the order of the work, are found by a word, and never show how the code calls them', async () => {
    const page = await open();
    expect(page.findAll('h2')[0]!.text()).toBe('Deciding');
    expect(page.text()).not.toMatch(/T-\d\d/);
    await page.get('input').setValue('filler edge');
    expect(page.findAll('li').length).toBeGreaterThan(0);
    expect(page.findAll('li').length).toBeLessThan(8);
    await page.get('input').setValue('no such word');
    expect(page.text()).toContain('Nothing by these words.');
  });

  it('show the one that a figure led to, and read in inches', async () => {
    const page = await open('/book/rules-of-thumb?rule=T-22');
    expect(page.get('.asked').text()).toContain('drilled out');
    signIn('owner', 'in');
    expect((await open()).text()).not.toMatch(/\d mm/);
  });
});
