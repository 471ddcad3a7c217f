import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { StockView } from '@aspecta/contract/stock';
import { layOut } from '@aspecta/core/pattern';
import { button, FakeServer, field, openPage, signIn } from '../testing/fakeServer.ts';
import StockPage from './StockPage.vue';

const ring = (w: number, h: number): [number, number][] => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
];
const blank = (repair: string, panel: string, over: object = {}) => ({
  ...{
    id: repair,
    repair,
    panel,
    vehicle: 'v',
    car: 'Marigold',
    thickness: 0.9,
    material: 'steel' as const,
    bends: [],
  },
  ...{ blank: [ring(300, 200)], least: { width: 300, height: 200 }, cutFrom: null },
  ...over,
});
const sheet = {
  ...{ id: 's', name: 'Rack 1', width: 1000, height: 600, thickness: 0.9, material: 'steel' as const },
  ...{ leftover: false, version: 3 },
};
const view = (over: Partial<StockView> = {}): StockView => ({
  sheets: [sheet],
  blanks: [blank('a', 'Roof'), blank('b', 'Sill', { thickness: 1.5 })],
  failing: [],
  ...over,
});
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = '';
  server = new FakeServer().on('GET /stock', view());
});
const open = async () => (await openPage(StockPage, {})).page;

describe('the rack', () => {
  it('lays the waiting pieces out, says which find no sheet, and takes the sheet out when it is cut', async () => {
    const page = await open();
    const { sheets, blanks } = view();
    server.on('POST /stock/lay-out', layOut({ sheets, blanks, gap: 6, turn: true }));
    await button(page, 'Lay these 2 out on the sheets').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Sill, Marigold: no sheet of its metal and gauge is here. It takes 1.50 mm steel');
    expect(page.text()).toMatch(/1000 mm × \d+(\.5)? mm stay whole/);
    const cutFrom = { sheet: 'Rack 1', by: 'Ines', at: '2026-02-03T18:00:00.000Z', section: 0 };
    server.on('POST /stock/cut', view({ sheets: [], blanks: [blank('a', 'Roof', { cutFrom })] }));
    await button(page, 'It is cut so').trigger('click');
    await flushPromises();
    expect(server.to('POST /stock/cut')).toMatchObject([{ sheet: 's', version: 3, blanks: ['a', 'b'], gap: 6 }]);
    expect(page.text()).toContain('from Rack 1, Ines');
    server.on('DELETE /stock/cut/a/0', view());
    await button(page, 'It was not cut').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Rack 1');
  });

  it('takes a sheet in the unit of the shop, a gauge as well, and says what is wrong at its field', async () => {
    signIn('owner', 'in');
    const page = await open();
    await button(page, 'Put a sheet into the rack').trigger('click');
    await field(page, 'What it is called, or where it stands').setValue('Short side');
    await field(page, 'Thickness, inches').setValue('18 ga');
    await field(page, 'Width, inches').setValue('40');
    await field(page, 'Length, inches').setValue('long');
    server.on('POST /stock/sheets', view());
    await page.get('form').trigger('submit');
    await flushPromises();
    const [sent] = server.to('POST /stock/sheets') as Record<string, number | string>[];
    expect(sent).toMatchObject({ name: 'Short side', width: 1016, height: 'long' });
    expect(sent!['thickness']).toBeCloseTo(1.214, 2);
  });

  it('says what to do while nothing is there', async () => {
    server.on('GET /stock', view({ sheets: [], blanks: [] }));
    const page = await open();
    expect(page.text()).toMatch(/No patch is waiting.*Nothing is written down/s);
  });
});
