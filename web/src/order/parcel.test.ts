import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { BasketView, OrderLine } from '@aspecta/contract/order';
import { button, FakeServer, field, openPage, signIn } from '../testing/fakeServer.ts';
import { inOrder } from './inOrder.ts';
import OrdersPage from './OrdersPage.vue';
import KitUpload from '../kit/KitUpload.vue';
import { sendPhotos } from '../photo/takePhoto.ts';

vi.mock('../photo/takePhoto.ts', () => ({
  sendPhotos: vi.fn((_vehicle: string, _files: unknown, _place: unknown, stored: () => void) => {
    stored();
    return Promise.resolve();
  }),
}));

const line = (id: string, over: Partial<OrderLine> = {}): OrderLine => ({
  ...{ id, vehicleId: 'v', vehicle: 'Marigold', repairId: null, panel: 'sill-r', panelName: `Panel ${id}` },
  ...{ maker: 'Harrow Pressings', price: 10_000, quantity: 1, carriage: 0, landed: 12_000, currency: 'EUR' },
  ...{ taxRate: 0.2, state: 'wanted', next: ['ordered'], due: null, late: false, note: '', unneeded: null },
  ...{ history: [], parcel: null, tracking: null, arrival: null, credit: null, sheet: 1, version: 4 },
  ...over,
});
const basket: BasketView = {
  parcels: [
    {
      maker: 'Other maker',
      lines: ['a', 'b'].map((id) => ({
        ...{ id, name: `Panel ${id}`, vehicle: 'Marigold', price: 9000, quantity: 1, before: 'Harrow Pressings' },
      })),
      ...{ goods: 18_000, carriage: 2000, tax: 4000, total: 24_000 },
    },
  ],
  ...{ total: 24_000, asItIs: 30_000, currency: 'EUR' },
};
let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles', [{ id: 'v', nickname: 'Marigold', year: 1964, planId: 'saloon' }])
    .on('GET /orders', [
      line('a'),
      line('b'),
      line('c', { price: 60_000, state: 'arrived', next: ['checked', 'kept', 'returned'] }),
    ])
    .on('GET /orders/advice', {
      needs: [
        {
          ...{ line: 'b', step: 'Sill: rough cut', neededOn: '2026-03-20', quoted: 7, orderBy: '2026-03-08' },
          lead: { p50: 7.4, p90: 12.2 },
        },
      ],
      basket,
      makers: [
        { maker: 'Harrow', timed: [], factor: { p50: 1, p90: 1.6 }, checked: 2, fitted: 1, gone: 1, rework: 0.5 },
      ],
      problem: null,
    });
});
const open = async () => (await openPage(OrdersPage)).page;

describe('what is wanted', () => {
  it('says by when to order, how long it takes, and for what it is needed', async () => {
    const text = (await open()).text();
    expect(text).toMatch(/Order it today: it takes 7 days, in 9 of 10 cases up to 12 days\./);
    expect(text).toContain('“Sill: rough cut” could begin on 20 Mar 2026 and waits for it.');
    expect(text).toMatch(/1 of 2/);
  });

  it('is ordered together as proposed, without what is left out, at the price that is typed', async () => {
    const page = await open();
    server.on('POST /orders/parcel', []);
    expect(page.get('.basket').text()).toMatch(/€240\.00 instead of €300\.00.*saves €60\.00/);
    await button(page, 'Order these 2 together').trigger('click');
    await flushPromises();
    expect(page.get('.dialog [role=status]').text()).toContain('€');
    await page.findAll('.dialog .n-checkbox')[1]!.trigger('click');
    await field(page, /^Price each/).setValue('95.50');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /orders/parcel')).toMatchObject([
      { maker: 'Other maker', carriage: 2000, due: expect.any(String), lines: [{ id: 'a', version: 4, price: 9550 }] },
    ]);
    expect(page.find('.dialog').exists()).toBe(false);
  });
});

describe('what has arrived', () => {
  const check = async () => {
    const page = await open();
    server.on('POST /orders/c/check', {});
    await button(page, 'Check it against the car').trigger('click');
    await flushPromises();
    return page;
  };
  const press = async (page: Awaited<ReturnType<typeof open>>, point: number, value: string) => {
    await page.findAll('.points .chips')[point]!.get(`input[value=${value}]`).setValue(true);
    await flushPromises();
  };

  it('is looked at point by point; the advice follows and is stored as it stands', async () => {
    const page = await check();
    expect(page.get('.advice').text()).toContain('Look at it first');
    await press(page, 0, 'wrong');
    expect(page.get('.advice').text()).toMatch(/Send it back|Keep it as sheet/);
    await press(page, 0, 'good');
    await field(page, /^Too short by/).setValue('30');
    expect(page.get('.advice').text()).toMatch(/Use it, after work on it: 2\.0 h.*Strip: 30 mm/);
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /orders/c/check')).toMatchObject([
      { points: { hand: true }, short: 30, thickness: null, outcome: 'rework', hours: 2, again: null, version: 4 },
    ]);
  });

  it('is photographed as it came, for a claim; the pictures are kept at once', async () => {
    const page = await check();
    expect(page.get('.dialog').text()).toContain('sent back with a picture');
    page.getComponent(KitUpload).vm.$emit('files', [new File(['x'], 'edge.jpg')]);
    await flushPromises();
    expect(page.get('.dialog').text()).toContain('One picture kept');
    const [vehicle, , place] = vi.mocked(sendPhotos).mock.calls[0]!;
    expect([vehicle, place.panel]).toEqual(['v', line('c', {}).panel]);
    expect(place.note).toMatch(/^As it arrived from /);
  });

  it('is kept as sheet and wanted elsewhere; a length that is none is said at its field', async () => {
    const page = await check();
    await field(page, /^Sheet as measured/).setValue('thin');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(page.get('.dialog').text()).toContain('Type a length in mm');
    await field(page, /^Sheet as measured/).setValue('0.9');
    await page.get('.dialog input[value=keep]').setValue(true);
    await flushPromises();
    await page.get('.dialog .n-checkbox').trigger('click');
    await flushPromises();
    await field(page, 'Maker').setValue('Quillfeather Panels');
    await field(page, /^Price each/).setValue('120');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /orders/c/check')).toMatchObject([
      { outcome: 'keep', thickness: 0.9, again: { maker: 'Quillfeather Panels', price: 12_000, carriage: 0 } },
    ]);
  });
});

describe('lines', () => {
  it('stand in the order in which something has to be done about them', () => {
    const lines = [
      line('over', { state: 'kept' }),
      line('way', { state: 'confirmed', due: '2026-05-01' }),
      line('later', {}),
      line('soon', {}),
      line('late', { state: 'ordered', late: true }),
      line('here', { state: 'arrived' }),
    ];
    const need = { step: '', quoted: null, lead: null };
    const needs = [
      { ...need, line: 'later', neededOn: '2026-04-01', orderBy: '2026-03-20' },
      { ...need, line: 'soon', neededOn: '2026-04-01', orderBy: '2026-03-10' },
    ];
    expect(inOrder(lines, needs).map(({ id }) => id)).toEqual(['here', 'late', 'soon', 'later', 'way', 'over']);
  });
});
