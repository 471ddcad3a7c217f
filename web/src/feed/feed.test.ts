import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { button, FakeServer, openPage, signIn } from '../testing/fakeServer.ts';
import FeedTile from './FeedTile.vue';

let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  server = new FakeServer().on('GET /feed', { since: null });
});

describe('the plan in my calendar', () => {
  it('has an address that is shown once, made anew, and ended', async () => {
    const since = '2026-02-01T10:00:00.000Z';
    server.on('POST /feed', { since, token: 'secret' }).on('DELETE /feed', { since: null });
    const { page } = await openPage(FeedTile);
    await button(page, 'Make an address').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('/api/calendar/secret.ics');
    page.unmount();
    server.on('GET /feed', { since });
    const again = (await openPage(FeedTile)).page;
    expect(again.text()).toContain('One is given out since 1 Feb 2026');
    expect(again.text()).not.toContain('secret');
    await button(again, 'End it').trigger('click');
    await flushPromises();
    expect(again.text()).toContain('Make an address');
  });
});
