import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { WaySay, WayView } from '@aspecta/contract/way';
import type { Point } from '@aspecta/core/geometry';
import { waysIn, type WayRoute } from '@aspecta/core/way';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import WayPage from './WayPage.vue';

const piece: Point[] = [
  [300, 200],
  [1500, 200],
  [1500, 1000],
  [300, 1000],
];
const door: WayRoute = { id: 'door', name: 'Door', opening: { a: 780, b: 300 }, room: null, parts: [] };
const tail: WayRoute = {
  ...{ id: 'tail', name: 'Tail panel off', opening: { a: 1400, b: 700 }, room: null },
  parts: [{ what: 'Tail panel', off: 2, on: 3, risk: 'lamp', chance: 0.25, price: 8000 }],
};
/** What the server would say of it. */
const view = (over: Partial<WaySay> = {}, version = 0): WayView => {
  const said: WaySay = { depth: 60, clearance: 50, lines: [], routes: [], chosen: null, ...over };
  const { routes: results, best, cheapest } = waysIn({ ...said, piece, rate: 5000, visible: false });
  const suggested = [{ name: 'the middle', across: true, at: 600 }];
  return { repairId: 'r', panel: 'roof', piece, ...said, results, best, cheapest, suggested, version };
};
const at = '/repairs/r/way';
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /repairs/r', repairView({ id: 'r', panel: 'roof' }))
    .on(`GET ${at}`, view());
});
const open = async () => (await openPage(WayPage, { id: 'v', repair: 'r' })).page;

describe('the way in', () => {
  it('asks for the first opening, and keeps what comes off for it with what may break', async () => {
    const page = await open();
    expect(page.text()).toContain('Say through which opening');
    await button(page, 'Measure the first opening').trigger('click');
    await flushPromises();
    await page.get('.dialog form').trigger('submit');
    expect(page.get('.dialog').text()).toMatch(/Say which way it is.*Type a length in mm/);
    await field(page, 'Which way').setValue('Tail panel off');
    await field(page, /^Opening, one side/).setValue('1400');
    await field(page, /^Opening, other side/).setValue('700');
    await button(page, 'Something comes off for it').trigger('click');
    await field(page, 'What').setValue('Tail panel');
    await field(page, 'Hours to take it off').setValue('2');
    await field(page, 'Hours to put it back').setValue('3,5');
    await field(page, 'What may break').setValue('lamp');
    await field(page, 'In how many of 100 cases').setValue('25');
    await field(page, /^What it costs then/).setValue('80');
    server.on(`PUT ${at}`, view({ routes: [tail] }, 1));
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to(`PUT ${at}`)).toMatchObject([
      {
        version: 0,
        routes: [
          {
            ...{ name: 'Tail panel off', opening: { a: 1400, b: 700 }, room: null },
            parts: [{ what: 'Tail panel', off: 2, on: 3.5, risk: 'lamp', chance: 0.25, price: 8000 }],
          },
        ],
      },
    ]);
    expect(page.find('.dialog').exists()).toBe(false);
    expect(page.text()).toContain('It costs least: Tail panel off.');
  });

  it('keeps what is pressed while a field is still being kept: one after the other, nothing lost', async () => {
    server.on(`PUT ${at}`, ({ version, ...said }) => view(said as Partial<WaySay>, (version as number) + 1));
    const page = await open();
    const depth = field(page, /^How deep the piece is/);
    await depth.setValue('70');
    void button(page, /^the middle/).trigger('click');
    await flushPromises();
    expect(server.to(`PUT ${at}`)).toMatchObject([
      { version: 0, depth: 70, lines: [] },
      { version: 1, depth: 70, lines: [{ across: true, at: 600 }] },
    ]);
  });

  it('shows what each way costs, why one does not work, and where the lines meet the edge from both ends', async () => {
    server.on(`GET ${at}`, view({ routes: [door, tail] }, 1));
    const page = await open();
    const [first, second] = page.findAll('.route').map((entry) => entry.text());
    expect(first).toMatch(/missing/);
    // Five hours at 50.00 and a quarter of 80.00.
    expect(second).toMatch(/Goes in whole.*€270.*5\.0 h off and on \+ €20 for what may break/);
    server.on(`PUT ${at}`, view({ routes: [door, tail], lines: [{ across: true, at: 500 }] }, 2));
    await field(page, /^How far/).setValue('500');
    await page.get('.own').trigger('submit');
    await flushPromises();
    expect(server.to(`PUT ${at}`)).toMatchObject([{ lines: [{ across: true, at: 500 }], version: 1 }]);
    expect(page.findAll('.route')[0]!.text()).toMatch(
      /In 2 sections.*Line A:.*500 mm from its left corner.*700 mm from its right one/,
    );
  });

  it('is taken and given up again; what somebody else has changed is shown', async () => {
    server.on(`GET ${at}`, view({ routes: [tail] }, 1)).on(`PUT ${at}`, view({ routes: [tail], chosen: 'tail' }, 2));
    const page = await open();
    await button(page, 'Take this way').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('It goes in: Tail panel off.');
    expect(page.get('.next').text()).toContain('what has to be done');
    server.on(`PUT ${at}`, () => problem('invalid', 'The way is gone.', 422, { field: 'chosen' }));
    await button(page, 'Not this way after all').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('The way is gone.');
  });

  it('offers a viewer nothing to change', async () => {
    signIn('viewer');
    server.on(`GET ${at}`, view({ routes: [tail] }, 1));
    const page = await open();
    expect(page.findAll('button').map((one) => one.text())).not.toContain('Take this way');
  });
});
