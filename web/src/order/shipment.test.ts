import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { OrderLine, Tracking } from '@aspecta/contract/order';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import ShipmentTile from './ShipmentTile.vue';

const followed = (over: Partial<Tracking> = {}): Tracking => ({
  ...{ number: 'XP 12', expected: '2026-05-09', handedOver: false },
  steps: [{ at: '2026-05-05T10:00:00.000Z', text: 'Taken over from the sender' }],
  ...over,
});
let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer();
});
const open = async (tracking: Tracking | null, due: string | null = '2026-05-08') =>
  (await openPage(ShipmentTile, { line: { id: 'o', version: 3, due, tracking } as OrderLine })).page;

describe('a parcel on its way', () => {
  it('is followed by its number; one that is none is said at its field, and stays', async () => {
    const page = await open(null);
    await button(page, 'Follow its parcel').trigger('click');
    await field(page, 'Number of the parcel').setValue(' XP 12 ');
    server.on('PUT /orders/o/track', problem('invalid', 'As it stands on the slip.', 422, { field: 'number' }));
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('As it stands on the slip.');
    server.on('PUT /orders/o/track', {});
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /orders/o/track').at(-1)).toEqual({ number: 'XP 12', version: 3 });
    expect(page.find('form').exists()).toBe(false);
  });
  it('says where it is and when it comes, that it is later than promised, and that it is made up', async () => {
    const page = await open(followed());
    expect(page.text()).toMatch(/brings it on 9 May 2026.*promised for 8 May 2026/s);
    expect(page.text()).toMatch(/taken over from the sender.*made up stands in/s);
    expect((await open(followed(), '2026-05-09')).text()).not.toContain('promised for');
  });
  it('handed over asks whether it is here', async () => {
    const page = await open(followed({ handedOver: true }));
    await button(page, 'It is here').trigger('click');
    expect(page.getComponent(ShipmentTile).emitted('arrived')).toHaveLength(1);
  });
  it('is only looked at by who may not change it', async () => {
    signIn('viewer');
    expect((await open(followed())).findAll('button')).toEqual([]);
    expect((await open(null)).text()).toBe('');
  });
});
