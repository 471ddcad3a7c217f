import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { PurseView } from '@aspecta/contract/purse';
import { rowsOf } from '../charts/chart.ts';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { balances, moneyChart } from './moneyChart.ts';
import PurseTile from './PurseTile.vue';

const money = {
  left: 5000,
  comes: [
    { at: '2026-02-05T00:00:00.000Z', amount: 4000 },
    { at: '2026-02-12T00:00:00.000Z', amount: 4000 },
  ],
  pays: [{ at: '2026-02-12T00:00:00.000Z', amount: 12_000, title: 'Sill, left: order it' }],
};
const dayText = (iso: string) => iso.slice(0, 10);
const purse = (over: Partial<PurseView> = {}): PurseView => ({
  there: 5000,
  left: 5000,
  comes: [{ amount: 4000, first: '2026-02-05', every: 'week' }],
  version: 3,
  since: '2026-02-03T10:00:00.000Z',
  ...over,
});
let server: FakeServer;
beforeEach(() => {
  signIn();
  server = new FakeServer().on('GET /purse', purse());
});
const open = (of: typeof money | null = money) =>
  openPage(PurseTile, { money: of, from: '2026-02-03T12:00:00.000Z', until: '2026-02-20T00:00:00.000Z', dayText });

describe('money for parts', () => {
  it('is there before it is paid on the same day, and never below nothing', () => {
    expect(balances(money).map(({ left }) => left)).toEqual([9000, 13_000, 1000]);
    const rows = rowsOf(
      moneyChart(money, {
        from: '2026-02-03T12:00:00.000Z',
        until: '2026-02-20T00:00:00.000Z',
        dayText,
        write: String,
      }),
    ).rows;
    expect(rows.slice(-2)).toEqual([
      ['there', '2026-02-12', '1000'],
      ['there', '2026-02-20', '1000'],
    ]);
  });

  it('tells what is there, what comes in, and what each order leaves', async () => {
    const { page } = await open();
    expect(page.text()).toContain('€50.00 there now; €40.00 each week from');
    expect(page.text()).toContain('Sill, left: order it, €120.00; €10.00 is left');
  });

  it('says how a plan reckons as long as nobody has told, and asks for it', async () => {
    server.on('GET /purse', purse({ there: null, left: null, comes: [], version: 0 })).on('PUT /purse', purse());
    const { page } = await open(null);
    expect(page.text()).toContain('as if money were always there');
    await button(page, 'Say what money there is').trigger('click');
    await field(page, /^There now/).setValue('120,50');
    await button(page, 'Something comes in').trigger('click');
    await field(page, /^Amount/).setValue('400');
    await field(page, 'First on').setValue('2026-03-01');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /purse')).toEqual([
      { there: 12_050, comes: [{ amount: 40_000, first: '2026-03-01', every: 'month' }], version: 0 },
    ]);
    expect(page.find('form').exists()).toBe(false);
  });

  it('leaves what is refused as it was typed, with the words at its field', async () => {
    const detail = 'This is no day of the calendar; choose another.';
    server.on('PUT /purse', () =>
      problem('invalid', detail, 422, { field: 'comes[0].first', errors: [{ field: 'comes[0].first', detail }] }),
    );
    const { page } = await open();
    await button(page, 'Change').trigger('click');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain(detail);
    expect((field(page, /^Amount/).element as HTMLInputElement).value).toBe('40.00');
  });

  it('is not offered for change to who may not change it', async () => {
    signIn('worker');
    const { page } = await open();
    expect(page.findAll('button').some((one) => one.text() === 'Change')).toBe(false);
  });
});
