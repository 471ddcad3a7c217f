import { describe, expect, it, vi } from 'vitest';
import type { TonightStep, WeeksView } from '@aspecta/contract/plan';
import ChartView from '../charts/ChartView.vue';
import { button, FakeServer, openPage, signIn } from '../testing/fakeServer.ts';
import WeeksPage from './WeeksPage.vue';

const step = (id: string, day: number, over: Partial<TonightStep> = {}): TonightStep => ({
  ...{ id, kind: 'strip', title: `Strip ${id}`, repair: 'r', panel: 'sill-l', path: 'repairs/r/cut', waits: false },
  ...{ state: 'ready', needs: [], hours: 1, share: 0, said: null, why: [], by: 'Ines', critical: 0, outside: {} },
  pieces: [[`2026-02-0${day}T18:00:00.000Z`, `2026-02-0${day}T19:00:00.000Z`]],
  ...{ vehicle: 'v', nickname: 'Marigold' },
  ...over,
});
const view = (over: Partial<WeeksView> = {}): WeeksView => ({
  from: '2026-02-03T12:00:00.000Z',
  timeZone: 'Europe/Berlin',
  workers: [],
  steps: [
    step('a', 3),
    step('b', 4, { vehicle: 'w', nickname: 'Finch', by: 'Jo', share: 0.5 }),
    step('c', 5, { by: null, title: 'Primer dries', hours: 24 }),
  ],
  cars: [
    { id: 'v', nickname: 'Marigold', ready: '2026-02-05T19:00:00.000Z' },
    { id: 'w', nickname: 'Finch', ready: '2026-02-04T19:00:00.000Z' },
  ],
  later: [],
  problem: null,
  ...over,
});
const open = async (over: Partial<WeeksView> = {}) => {
  signIn('owner');
  new FakeServer().on('GET /weeks', view(over));
  return (await openPage(WeeksPage, {})).page;
};

describe('the weeks ahead', () => {
  it('tell when each car is ready, what is left of it and what comes next, with the way there', async () => {
    const page = await open();
    const rows = page.findAll('tbody tr').map((row) => row.text().replace(/\s+/g, ' '));
    expect(rows[0]).toMatch(/Marigold\s*Thu,? 5 Feb\s*1\.0 h, 2 steps\s*Strip a, Tue/);
    expect(rows[1]).toMatch(/Finch\s*Wed,? 4 Feb\s*30 min, 1 step\s*Strip b/);
    expect(page.get('tbody a').attributes('href')).toBe('/vehicles/v/plan');
  });
  it('lie as bars in the rows of the cars, or of who works on them', async () => {
    const page = await open();
    const names = () => page.getComponent(ChartView).props('chart').y.names;
    expect(names()).toEqual(['Marigold', 'Finch']);
    await page.get('input[value="person"]').setValue(true);
    expect(names()).toEqual(['Ines', 'Jo']);
  });
  it('hang on the wall as the evenings of a week', async () => {
    const page = await open();
    const week = page.get('.week').text().replace(/\s+/g, ' ');
    expect(week).toMatch(/Tuesday 3 February, 19:00 to 20:00 · Ines\s*Marigold: Strip a · 1\.0 h/);
    expect(week).not.toContain('Primer dries');
    const print = vi.spyOn(window, 'print').mockImplementation(() => undefined);
    await button(page, 'Print the week').trigger('click');
    expect(print).toHaveBeenCalledOnce();
  });
  it('name the cars that are too many to be planned with the others', async () => {
    expect((await open()).text()).not.toContain('Too many steps');
    const text = (await open({ later: [{ id: 'x', nickname: 'Wren' }] })).text();
    expect(text).toMatch(/Too many steps to plan at once: Wren\s+is not among these/);
  });
  it('say what is missing where there is no plan, and that nothing is left', async () => {
    expect((await open({ steps: [], cars: [], problem: 'Say who works when.' })).text()).toContain(
      'Say who works when',
    );
    expect((await open({ steps: [], cars: [] })).text()).toContain('Nothing is left to do on any car');
  });
});
