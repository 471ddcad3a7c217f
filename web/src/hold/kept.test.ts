import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { HoldView, RoundView, TapeInput } from '@aspecta/contract/hold';
import { bodyPlan } from '@aspecta/core/body';
import { apart, tapesOf } from '@aspecta/core/hold';
import { button, FakeServer, field, openPage, signIn } from '../testing/fakeServer.ts';
import HoldPage from './HoldPage.vue';
import { withKept } from './keptTapes.ts';

const { points, figures } = bodyPlan('saloon').frame!;
const door = figures[0]!;
const tapes = tapesOf(door.points.map((id) => points.find((point) => point.id === id)!));
const round = (over: Partial<RoundView> = {}): RoundView => ({
  ...{ id: 'r1', name: 'Before', stand: 'stands', finished: false, kept: [], keptSaid: false, by: 'Ines', version: 1 },
  ...{ at: '2026-02-03T18:00:00.000Z', tapes: [], compared: [], sides: [], corners: [], tilt: null, restood: null },
  figures: [
    {
      ...{ figure: door.id, held: { open: 'too few' }, doubtful: [], next: tapes[0]!, moved: null },
      ...{ taken: 0, of: tapes.length },
    },
  ],
  ...over,
});
const view = (over: Partial<RoundView> = {}): HoldView => ({
  points: points.map((point) => ({ ...point, own: false })),
  figures: [{ ...door, own: false, barred: [], tapes }],
  rounds: [round(over)],
  ...{ out: [], proposals: [], braces: [], checked: false, gaps: [], mayMove: 3 },
});
const at = '/vehicles/v1/hold';
const entry = (tape: TapeInput) => ({ path: `${at}/rounds/r1/tapes`, body: { ...tape } });
const tape = (i: number, length: number): TapeInput => ({
  ...{ id: `k${i}-${length}`, kind: 'tape', length },
  from: tapes[i]![0],
  to: tapes[i]![1],
});

describe('tapes that are still on this device', () => {
  it('stand in their measurement, and the next one is asked for', () => {
    const now = withKept(view(), [entry(tape(0, 1000)), entry(tape(0, 1010))]).rounds[0]!;
    expect(now.tapes).toEqual([expect.objectContaining({ length: 1010, before: [1000] })]);
    expect(now.figures[0]).toMatchObject({ taken: 1, next: tapes[1] });
  });
  it('stand there once when they have been stored, and where something is in the way the next one is asked for', () => {
    const stored = { ...tape(0, 1000), by: 'Ines', at: '', before: [] };
    expect(withKept(view({ tapes: [stored] }), [entry(tape(0, 1000))]).rounds[0]!.tapes).toEqual([stored]);
    const barred: TapeInput = { ...tape(0, 0), kind: 'barred' };
    expect(withKept(view(), [entry(barred)]).rounds[0]!.figures[0]!.next).toEqual(tapes[1]);
    expect(withKept(view(), []).rounds[0]).toEqual(view().rounds[0]);
  });
});

let server: FakeServer;
beforeEach(() => {
  signIn();
  server = new FakeServer()
    .on('GET /vehicles/v1', { id: 'v1', nickname: 'Finch', planId: 'saloon' })
    .on('GET /plans/saloon', bodyPlan('saloon'))
    .on(`GET ${at}`, view());
});
const open = (address = '/') => openPage(HoldPage, { id: 'v1' }, { at: address });

describe('measuring at the car', () => {
  it('goes on to the next tape while the network is gone', async () => {
    const { page } = await open();
    server.on(`POST ${at}/rounds/r1/tapes`, () => {
      throw new TypeError('away');
    });
    const [a, b] = tapes[0]!.map((id) => points.find((point) => point.id === id)!);
    await field(page, 'Length in mm').setValue(String(Math.round(apart(a!, b!))));
    await page.get('form.ask').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('Tape 2 of 6');
  });
  it('says that something is in the way, and gives the tape back', async () => {
    const barred = { id: 'b1', round: 'r1', ends: tapes[0]! };
    const free = view();
    server
      .on(`POST ${at}/rounds/r1/tapes`, () => ({ ...free, figures: [{ ...free.figures[0]!, barred: [barred] }] }))
      .on(`DELETE ${at}/rounds/r1/tapes/b1`, () => view());
    const { page } = await open();
    await button(page, 'Something is in the way').trigger('click');
    await flushPromises();
    expect(server.to(`POST ${at}/rounds/r1/tapes`)[0]).toMatchObject({ kind: 'barred', length: 0, from: tapes[0]![0] });
    expect(page.text()).toContain('In the way: 1');
    await button(page, 'It is free now').trigger('click');
    await flushPromises();
    expect(page.text()).not.toContain('In the way');
  });
  it('says how the car leans, in the units of the shop, and that it stands otherwise than before', async () => {
    signIn('owner', 'in');
    server.on(`GET ${at}`, view({ tilt: { left: 4, rear: -0.2, off: 0.5 }, restood: 'wheels' }));
    const { page } = await open('/?figure=other');
    expect(page.text()).toMatch(/the left side stands .* higher for every 12" across/);
    expect(page.text()).not.toContain('the front stands');
    expect(page.text()).toContain('It stood on its wheels at the measurement before');
    expect(page.text()).not.toMatch(/\bmm\b/);
  });
});
