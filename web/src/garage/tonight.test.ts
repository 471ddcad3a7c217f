import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { TonightStep, TonightView } from '@aspecta/contract/plan';
import { button, FakeServer, openPage, problem, signIn } from '../testing/fakeServer.ts';
import TonightTile from './TonightTile.vue';

const step = (id: string, from: string, to: string, over: Partial<TonightStep> = {}): TonightStep => ({
  id,
  kind: 'strip',
  title: `Strip ${id}`,
  repair: 'r',
  panel: 'sill-l',
  path: 'repairs/r/cut',
  waits: false,
  state: 'ready',
  needs: [],
  hours: 1,
  why: [],
  by: 'Ines',
  pieces: [[from, to]],
  critical: 0,
  vehicle: 'v',
  nickname: 'Marigold',
  ...over,
});
const view = (over: Partial<TonightView> = {}): TonightView => ({
  timeZone: 'Europe/Berlin',
  workers: 1,
  steps: [
    step('a', '2026-02-03T18:00:00.000Z', '2026-02-03T19:00:00.000Z'),
    step('b', '2026-02-03T19:00:00.000Z', '2026-02-03T20:00:00.000Z', { vehicle: 'w', nickname: 'Finch' }),
    step('c', '2026-02-04T18:00:00.000Z', '2026-02-04T19:00:00.000Z'),
  ],
  problem: null,
  ...over,
});
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  server = new FakeServer().on('GET /tonight', view());
});

describe('tonight', () => {
  it('shows the next stretch of each person over all cars, by the clock of the shop', async () => {
    const { page } = await openPage(TonightTile, {});
    expect(page.text()).toContain('Tuesday 3 February, 19:00 to 21:00');
    expect(page.findAll('li').map((one) => one.get('a').attributes('href'))).toEqual([
      '/vehicles/v/repairs/r/cut',
      '/vehicles/w/repairs/r/cut',
    ]);
    expect(page.text()).toContain('Finch');
  });
  it('ticks a step of its own car, and plans again; a refusal is shown', async () => {
    server.on('PUT /vehicles/w/job/said', () =>
      problem('invalid', 'This would shut a bare face.', 422, { field: 'reason' }),
    );
    const { page } = await openPage(TonightTile, {});
    await page.findAll('li')[1]!.get('button').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('This would shut a bare face.');
    server.on('PUT /vehicles/v/job/said', () => ({}));
    server.on('GET /tonight', view({ steps: [] }));
    await button(page, 'Done').trigger('click');
    await flushPromises();
    expect(server.to('PUT /vehicles/v/job/said')[0]).toMatchObject({ step: 'a', state: 'done' });
    expect(page.findAll('li')).toEqual([]);
  });
  it('asks who works when, and keeps quiet where nothing is to be done or the server is away', async () => {
    server.on('GET /tonight', view({ steps: [], problem: 'Say who works when.' }));
    expect((await openPage(TonightTile, {})).page.text()).toContain('Say who works when.');
    server.on('GET /tonight', () => problem('internal', 'away', 500));
    expect((await openPage(TonightTile, {})).page.text()).toBe('');
  });
});
