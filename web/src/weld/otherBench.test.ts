import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { FakeServer, openPage, signIn } from '../testing/fakeServer.ts';
import OtherBench from './OtherBench.vue';

const step = (n: number, wait: number) => ({ n, kind: 'tack', text: '', wait, duration: 1 });
const other = (done: { n: number; at: string }[], wait = 0) => ({
  ...{ repairId: 's', name: 'Sill, right' },
  plan: { plan: { steps: [step(1, 0), step(2, wait)] }, done },
});
const at = 'GET /repairs/r/weld/other';
let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer();
});
async function open(left: number) {
  const { page } = await openPage(OtherBench, { vehicle: 'v', repair: 'r', left });
  await flushPromises();
  return page;
}
const ago = (seconds: number) => new Date(Date.now() - seconds * 1000).toISOString();

describe('the other side at the bench', () => {
  it('is one tap away, and says so where this side cools for longer than it takes to go over', async () => {
    server.on(at, other([{ n: 1, at: ago(600) }]));
    const page = await open(150);
    expect(page.text()).toBe('Go over while it cools – Sill, right: step 2, tack, can go on');
    expect(page.get('a').attributes('href')).toBe('/vehicles/v/repairs/s/bench');
    expect((await open(20)).text()).toBe('Sill, right: step 2, tack, can go on');
  });
  it('that is warm itself is no place to go to', async () => {
    server.on(at, other([{ n: 1, at: ago(1) }], 140));
    expect((await open(150)).text()).toMatch(/^Sill, right: step 2, tack, cools for 2:1\d$/);
  });
  it('is not spoken of where it has no plan, is done, or cannot be asked', async () => {
    server.on(at, null);
    expect((await open(150)).text()).toBe('');
    server.on(
      at,
      other([
        { n: 1, at: ago(9) },
        { n: 2, at: ago(5) },
      ]),
    );
    expect((await open(150)).text()).toBe('');
    expect(new FakeServer() && (await open(150)).text()).toBe('');
  });
});
