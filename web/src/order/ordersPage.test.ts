import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { OrderLine } from '@aspecta/contract/order';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import OrdersPage from './OrdersPage.vue';

const line = (id: string, over: Partial<OrderLine> = {}): OrderLine => ({
  id,
  vehicleId: 'v',
  vehicle: 'Marigold',
  repairId: null,
  panel: 'sill-r',
  panelName: `Panel ${id}`,
  maker: 'Harrow Pressings',
  price: 10_000,
  quantity: 1,
  carriage: 0,
  landed: 12_000,
  currency: 'EUR',
  taxRate: 0.2,
  state: 'wanted',
  next: ['ordered'],
  due: null,
  late: false,
  note: '',
  unneeded: null,
  parcel: null,
  tracking: null,
  arrival: null,
  credit: null,
  sheet: 1,
  history: [],
  version: 1,
  ...over,
});
const cars = [
  { id: 'v', nickname: 'Marigold', year: 1964, planId: 'saloon' },
  { id: 'w', nickname: 'Old truck', year: 1952, planId: 'pickup' },
];

let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles', cars)
    .on('GET /orders/advice', { needs: [], basket: null, makers: [], problem: null })
    .on('GET /orders', [
      line('a'),
      line('b', { landed: 30_050 }),
      line('c', { state: 'confirmed', late: true, due: '2026-01-02' }),
      line('d', { state: 'ordered' }),
      line('e', { state: 'fitted' }),
      line('f', { state: 'returned' }),
    ]);
});
const open = async () => (await openPage(OrdersPage)).page;
const shown = (page: Awaited<ReturnType<typeof open>>) =>
  [
    ...page
      .get('.lines')
      .text()
      .matchAll(/Panel (\w)/g),
  ].map(([, id]) => id);

describe('the order book', () => {
  it('adds up what is on the way, what is late and what is still to be ordered', async () => {
    const page = await open();
    const [way, pay] = page.findAll('.figures > div').map((entry) => entry.text());
    expect(way).toMatch(/^2\s*on the way, €240 landed, 1 late$/);
    expect(pay).toContain('€42');
  });

  it('shows what is open, on the way, or all', async () => {
    const page = await open();
    expect(shown(page)).toEqual(['c', 'a', 'b', 'd']);
    await page.get('input[value=awaited]').setValue(true);
    await flushPromises();
    expect(shown(page)).toEqual(['c', 'd']);
    await page.get('input[value=all]').setValue(true);
    await flushPromises();
    expect(shown(page)).toEqual(['c', 'a', 'b', 'd', 'e', 'f']);
  });

  it('says how it fills while it is empty', async () => {
    server.on('GET /orders', []);
    expect((await open()).text()).toContain('The book is empty. Decide for a whole panel');
  });

  it('takes a line with money as it is written, for a panel of the chosen car', async () => {
    const page = await open();
    server.on('POST /orders', {});
    await button(page, 'Add a line').trigger('click');
    await flushPromises();
    await field(page, 'For which car').setValue('w');
    await flushPromises();
    // What is no panel is named.
    await field(page, 'What').setValue('');
    expect(page.text()).toContain('What it is');
    const panels = field(page, 'What')
      .findAll('option')
      .map((option) => option.attributes('value'));
    expect(panels).toContain('tailgate');
    expect(panels).not.toContain('quarter-l');
    await field(page, 'What').setValue('tailgate');
    await field(page, 'Maker').setValue('Quillfeather Panels');
    await field(page, /^Price each, before tax/).setValue('1.234,50');
    await field(page, 'Pieces').setValue('2');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /orders')).toEqual([
      {
        id: expect.stringMatching(/-/),
        vehicleId: 'w',
        panel: 'tailgate',
        item: null,
        maker: 'Quillfeather Panels',
        price: 123_450,
        quantity: 2,
        carriage: 0,
        note: '',
        due: null,
      },
    ]);
    expect(page.find('.dialog').exists()).toBe(false);
    expect(server.to('GET /orders')).toHaveLength(2);
  });

  it('keeps a line that was refused as it was typed, with the reason at its field', async () => {
    const page = await open();
    server.on('POST /orders', () => problem('invalid', 'maker is missing; fill it in.', 422, { field: 'maker' }));
    await button(page, 'Add a line').trigger('click');
    await flushPromises();
    await field(page, 'Note').setValue('left-hand only');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(page.get('.dialog').text()).toContain('Maker is missing; fill it in.');
    expect((field(page, 'Note').element as HTMLTextAreaElement).value).toBe('left-hand only');
  });

  it('offers nothing to change to a viewer', async () => {
    signIn('viewer');
    const page = await open();
    expect(page.findAll('button').map((entry) => entry.text())).not.toContain('Add a line');
    expect(page.findAll('.acts button')).toHaveLength(0);
  });
});
