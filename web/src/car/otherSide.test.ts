import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { SideView } from '@aspecta/contract/side';
import { button, FakeServer, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import OtherSide from './OtherSide.vue';

const side = (over: Partial<SideView> = {}): SideView => ({
  ...{ panel: 'sill-r', panelName: 'Sill, right', repairs: [], zones: [], line: true, joints: 2, took: null },
  ...over,
});
const first = repairView({ id: 'r', panel: 'sill-l', zoneIds: ['z'] });
const there = repairView({ id: 'there', panel: 'sill-r' });
let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /repairs/r', first)
    .on('GET /repairs/r/side', side())
    .on('POST /repairs/r/side', { repair: there, notes: ['The line of the first side was taken over, mirrored.'] });
});
const open = async () => {
  const { page } = await openPage(OtherSide, { vehicle: 'v', repair: first });
  await flushPromises();
  return page;
};

describe('the same on the other side', () => {
  it('says what is taken over, maps what is not mapped there, and says that it was not looked at', async () => {
    const page = await open();
    expect(page.text()).toContain('the line that was laid by hand, how 2 joints are closed');
    expect(page.text()).toContain('No hours are noted here yet');
    await button(page, /Map the same damage on Sill, right/).trigger('click');
    await flushPromises();
    expect(server.to('POST /repairs/r/side')).toMatchObject([{ into: null, zoneIds: [expect.stringMatching(/-/)] }]);
    expect(page.text()).toMatch(/taken over, mirrored.*not looked at: look at that side/);
  });

  it('offers what is decided there already, and says what this side took', async () => {
    server.on(
      'GET /repairs/r/side',
      side({ repairs: [{ id: 'there', areaMm2: 40_000 }], took: { spent: 7.5, reckoned: 5 } }),
    );
    const page = await open();
    expect(page.text()).toMatch(/took 7\.5 h for steps that were reckoned at 5\.0 h/);
    await button(page, /Take over into that of 400/).trigger('click');
    await flushPromises();
    expect(server.to('POST /repairs/r/side')).toMatchObject([{ into: 'there' }]);
    expect(page.text()).not.toContain('not looked at');
  });

  it('says what was refused, and that a panel in the middle has no other side', async () => {
    server.on('POST /repairs/r/side', () => problem('no-offer', 'Note a price for Sill, right first.', 422));
    const page = await open();
    await button(page, /Map the same damage/).trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Note a price for Sill, right first.');
    // There it can be noted.
    expect(page.get('a').attributes('href')).toBe('/vehicles/v/panels/sill-r/verdict');
    server.on('GET /repairs/r/side', null);
    expect((await open()).text()).toContain('lies in the middle of the car');
  });
});
