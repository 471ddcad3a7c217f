import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { TonightStep, TonightView } from '@aspecta/contract/plan';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
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
  share: 0,
  said: null,
  why: [],
  by: 'Ines',
  pieces: [[from, to]],
  critical: 0,
  outside: {},
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
  it('is told that a step is half done, or what was in the way; what was said of it before stays', async () => {
    const said = { state: null, reason: '', until: null, notBefore: '2026-02-03', hours: 3, spent: 1, share: null };
    const before = { ...said, by: 'Ines', at: '2026-02-01T12:00:00.000Z' };
    server.on(
      'GET /tonight',
      view({ steps: [step('a', '2026-02-03T18:00:00.000Z', '2026-02-03T19:00:00.000Z', { said: before })] }),
    );
    server.on('PUT /vehicles/v/job/said', () => ({}));
    const { page } = await openPage(TonightTile, {});
    await button(page, 'Or …').trigger('click');
    await field(page, 'Hours it has taken').setValue('1,5');
    await button(page, 'It is half done').trigger('click');
    await flushPromises();
    await field(page, 'What was in the way, or a note').setValue('the nut is seized');
    await button(page, 'It did not work').trigger('click');
    await flushPromises();
    const kept = { step: 'a', hours: 3, notBefore: '2026-02-03', spent: 1.5 };
    expect(server.to('PUT /vehicles/v/job/said')).toEqual([
      { ...said, ...kept, share: 0.5 },
      { ...said, ...kept, state: 'blocked', reason: 'the nut is seized' },
    ]);
  });
  it('opens the fields of a step of which something was refused', async () => {
    server.on('PUT /vehicles/v/job/said', () =>
      problem('invalid', 'This would shut a bare face.', 422, { field: 'reason' }),
    );
    const { page } = await openPage(TonightTile, {});
    await button(page, 'Done').trigger('click');
    await flushPromises();
    expect(page.findAll('li')[0]!.text()).toContain('This would shut a bare face.');
    expect(page.findAll('li')[1]!.text()).not.toContain('This would shut a bare face.');
  });
  it('asks who works when, and keeps quiet where nothing is to be done or the server is away', async () => {
    server.on('GET /tonight', view({ steps: [], problem: 'Say who works when.' }));
    expect((await openPage(TonightTile, {})).page.text()).toContain('Say who works when.');
    server.on('GET /tonight', () => problem('internal', 'away', 500));
    expect((await openPage(TonightTile, {})).page.text()).toBe('');
  });
});
