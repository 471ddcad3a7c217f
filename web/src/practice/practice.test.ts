import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { PracticeResult, PracticeView } from '@aspecta/contract/practice';
import { button, FakeServer, openPage, signIn } from '../testing/fakeServer.ts';
import PracticePage from './PracticePage.vue';
import PracticeSheet from './PracticeSheet.vue';

const view: PracticeView = {
  ...{ plan: 'saloon', level: 1, seed: 1, readings: 2, best: { points: 61, at: '2026-02-01T10:00:00.000Z' } },
  panels: [
    { panel: 'sill-l', sign: 'Bubbles under the paint' },
    { panel: 'roof', sign: 'Nothing shows' },
  ],
};
const panel = (id: string, over: object = {}) => ({
  ...{ panel: id, choice: 'sound' as const, gone: 8000, found: 0.5, needless: 0, best: 'patch' as const },
  ...{ bestHours: 4, hours: 6.4, lost: 2.4, lesson: 'It is rotten and was called sound.' },
  ...over,
});
const result: PracticeResult = {
  score: { points: 62, panels: [panel('sill-l'), panel('roof')], bestHours: 8, hours: 12.8, readings: 1, over: 0 },
  truth: [{ panel: 'sill-l', gone: [] }],
  best: { points: 62, at: '2026-02-02T10:00:00.000Z' },
};
const at = 'GET /practice?plan=saloon&level=1&seed=1';
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  localStorage.clear();
  document.body.innerHTML = '';
  server = new FakeServer().on(at, view).on('POST /practice/read', { value: 0.62 });
});
const open = async () => (await openPage(PracticePage)).page;
type Page = Awaited<ReturnType<typeof open>>;
const tap = async (page: Page, u: number, v: number) => {
  page.getComponent(PracticeSheet).vm.$emit('tap', [u, v]);
  await flushPromises();
};
const choose = (page: Page, value: string) => page.get(`input[value="${value}"]`).setValue(true);

describe('an exercise', () => {
  it('is read, marked and decided panel by panel; then the truth is out, with points and what to learn', async () => {
    const page = await open();
    expect(page.text()).toMatch(/2 readings left.*What shows:\s*Bubbles under the paint.*your best 61/s);
    await tap(page, 100.4, 20);
    expect(server.to('POST /practice/read')).toMatchObject([{ panel: 'sill-l', at: [100, 20], gauge: 'metal', n: 0 }]);
    expect(page.text()).toContain('1 reading left');
    expect(page.get('.reading').text()).toBe('0.62');
    await choose(page, 'mark');
    for (const [u, v] of [
      [0, 0],
      [200, 0],
      [200, 60],
    ])
      await tap(page, u!, v!);
    await button(page, 'Close this area').trigger('click');
    expect(page.findAll('path.zone')).toHaveLength(1);
    // What is marked is patched until something else is said.
    expect(page.get('.next').text()).toMatch(/Go on with .*roof/i);
    await page.get('.next button').trigger('click');
    expect(page.text()).toContain('Nothing shows');
    // Nothing is said of it yet: one is led to the choice, not past it.
    await page.get('.next button').trigger('click');
    expect(document.activeElement?.getAttribute('value')).toBe('sound');
    await choose(page, 'sound');
    server.on('POST /practice/end', result);
    await page.get('.next button').trigger('click');
    await flushPromises();
    // 2.4 h on each of two panels, at 45.00 an hour.
    expect(page.text()).toMatch(/4\.8 h lost by what was decided,\s*€216 at this shop’s hour/);
    expect(page.text()).toContain('Lost by that: 2.4 h, €108.');
    expect(server.to('POST /practice/end')).toMatchObject([
      {
        readings: 1,
        answers: [
          {
            panel: 'sill-l',
            choice: 'patch',
            zones: [
              [
                [0, 0],
                [200, 0],
                [200, 60],
              ],
            ],
          },
          { panel: 'roof', choice: 'sound', zones: [] },
        ],
      },
    ]);
    expect(page.text()).toMatch(/62\s*of 100.*It is rotten and was called sound.*80\.0 cm² gone, 50 % of it marked/s);
    expect(page.get('.next').text()).toContain('Try another car');
  });

  it('is there again when it was left, and begun anew where what was kept cannot be read', async () => {
    const page = await open();
    await tap(page, 100, 20);
    page.unmount();
    const again = await open();
    expect(again.text()).toContain('1 reading left');
    again.unmount();
    localStorage.setItem('practice saloon 1 1', '{"readings":');
    expect((await open()).text()).toContain('2 readings left');
  });

  it('reads in inches in an inch shop', async () => {
    signIn('owner', 'in');
    const page = await open();
    await tap(page, 100, 20);
    expect(page.get('.reading').text()).toBe('0.024"');
    expect(page.text()).not.toMatch(/\d mm/);
  });
});
