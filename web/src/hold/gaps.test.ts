import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import type { GapView, HoldView } from '@aspecta/contract/hold';
import { bodyPlan } from '@aspecta/core/body';
import { button, FakeServer, field, openPage, signIn } from '../testing/fakeServer.ts';
import GapsCard from './GapsCard.vue';
import { useHold } from './useHold.ts';

const plan = bodyPlan('pickup');
const cab = plan.frame!.hung.find(({ id }) => id === 'cab-l')!;
const mount = (id: string, over: Partial<GapView['mounts'][number]> = {}): GapView['mounts'][number] => ({
  ...{ id, name: `${id} mount`, lift: 0, along: 0, shims: [], rest: 0, rotten: [] },
  ...over,
});
const set = (mounts: GapView['mounts']): GapView => ({
  ...{ id: 'g', hung: cab.id, readings: [], shims: [1, 2], by: 'Ada', at: '2026-02-03T10:00:00.000Z', mounts },
  fit: { movement: { u: 0, v: -3, turn: 0.2 }, about: [0, 0], residuals: [], rms: 0, mounts: [] },
});
async function open(gaps: GapView[], unit: 'mm' | 'in' = 'mm') {
  signIn('worker', unit);
  const server = new FakeServer().on('POST /vehicles/v/hold/gaps', () => ({ gaps }));
  const { page } = await openPage(GapsCard, {
    ...{ hold: useHold('v'), plan, given: {}, canWork: true },
    view: { gaps } as HoldView,
  });
  await page.get('select').setValue(cab.id);
  return { page, server };
}

describe('the gaps of what hangs', () => {
  it('say which mount is lifted by which shims, and which one is left', async () => {
    const { page } = await open([set([mount('front'), mount('rear', { lift: 3, shims: [2, 1] })])]);
    expect(page.findAll('li').map((one) => one.text())).toEqual([
      'front mount: leave it.',
      'rear mount: up by 3 mm (shims 2 mm + 1 mm).',
    ]);
  });

  it('say first of a rotten mount that what carries it is rebuilt', async () => {
    const rotten = ['Cab corner, left: rusted through'];
    const { page } = await open([set([mount('rear', { lift: 3, rotten })])]);
    expect(page.get('li .alarm').text()).toBe(
      'rebuild what carries it first (Cab corner, left: rusted through): a shim on it only sinks again.',
    );
  });

  it('are read in the units of the shop, three of them at least', async () => {
    const { page, server } = await open([], 'in');
    await field(page, 'front edge, upper').setValue('1/4');
    await button(page, 'What does it need?').trigger('submit');
    expect(page.text()).toContain('Read at least three places');
    await field(page, 'rear edge, upper').setValue('1/8');
    await field(page, 'lower edge, front').setValue('wide');
    await button(page, 'What does it need?').trigger('submit');
    expect(page.text()).toMatch(/Type a length in inches/);
    await field(page, 'lower edge, front').setValue('5/32');
    await button(page, 'What does it need?').trigger('submit');
    await flushPromises();
    expect(server.to('POST /vehicles/v/hold/gaps')[0]).toMatchObject({
      hung: cab.id,
      readings: expect.arrayContaining([expect.objectContaining({ place: 'front-upper', gap: 6.35 })]) as unknown,
    });
  });
});
