import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { ShelfView } from '@aspecta/contract/shelf';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { amountText, countedIn } from './amounts.ts';
import ShelfTile from './ShelfTile.vue';

const reel = {
  ...{ id: 'a', kind: 'wire' as const, name: 'Reel of 0.8', counted: 900, least: 0, useBy: '2020-05-01', version: 3 },
  ...{ since: '2026-01-01T10:00:00.000Z', by: 'Ines' },
};
const view = (over: Partial<ShelfView['lines'][number]> = {}): ShelfView => ({
  items: [reel],
  lines: [
    {
      ...{
        kind: 'wire',
        there: 0,
        needed: 600,
        short: 600,
        packs: 1,
        cars: [{ vehicle: 'v', car: 'Finch', amount: 600 }],
      },
      left: [{ id: 'a', amount: 850, over: true }],
      ...over,
    },
  ],
});
let server: FakeServer;
beforeEach(() => {
  signIn();
  server = new FakeServer().on('GET /shelf', view());
});

describe('amounts', () => {
  it('are counted as a shop counts them', () => {
    expect(amountText(850, 'wire', 'mm')).toBe('850 g');
    expect(amountText(850, 'wire', 'in')).toBe('30 oz');
    expect(amountText(0.946353, 'epoxy', 'in')).toBe('1 qt');
    expect(amountText(2, 'disc', 'in')).toBe('2 pieces');
    expect(countedIn('gas', 'in').word).toBe('cu ft');
  });
});

describe('the shelf', () => {
  it('says what is over, what is needed for whom and what is short, and orders it by the pack', async () => {
    server.on('POST /orders', {});
    const { page } = await openPage(ShelfTile);
    expect(page.text()).toContain('Reel of 0.8, 850 g, was to be used by');
    expect(page.text()).toContain('Finch');
    expect(page.text()).toContain('600 g');
    await button(page, 'Into the order book').trigger('click');
    await field(page, 'From whom').setValue('Any dealer');
    await field(page, 'Price of one, before tax').setValue('30');
    await page.get('td form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /orders')[0]).toMatchObject({ item: 'Welding wire, 5000 g', quantity: 1, vehicleId: 'v' });
  });
  it('is counted anew from what is left, in the units of the shop, and shows a refusal at its field', async () => {
    signIn('owner', 'in');
    server.on('PUT /shelf/a', () => problem('invalid', 'counted must be a number.', 422, { field: 'counted' }));
    const { page } = await openPage(ShelfTile);
    await button(page, 'Count').trigger('click');
    await flushPromises();
    const there = field(page, 'There now, oz');
    expect((there.element as HTMLInputElement).value).toBe('30');
    await there.setValue('a lot');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('must be a number');
    server.on('PUT /shelf/a', view({ there: 567, short: 0, needed: 0, cars: [] }));
    await there.setValue('20');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /shelf/a').at(-1)!['counted']).toBeCloseTo(20 * 28.3495, 3);
    expect(page.text()).toContain('nothing');
  });
  it('is for looking only to a viewer, and says how it fills', async () => {
    signIn('viewer');
    server.on('GET /shelf', { items: [], lines: [] });
    const { page } = await openPage(ShelfTile);
    expect(page.text()).toContain('Nothing is counted');
    expect(page.findAll('button')).toHaveLength(0);
  });
});
