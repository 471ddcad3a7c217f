import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { HoldView, RoundView } from '@aspecta/contract/hold';
import { bodyPlan } from '@aspecta/core/body';
import { apart, heldFigure, inPlane, movedPoints, tapesOf } from '@aspecta/core/hold';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import HoldPage from './HoldPage.vue';
import { cureText, drawnFigure, movementText } from './holdScene.ts';

const { points, figures: drawn } = bodyPlan('saloon').frame!;
const door = drawn[0]!;
const corner = (id: string) => points.find((point) => point.id === id)!;
const tapes = tapesOf(door.points.map(corner));
const roundWith = (lengths: number, over: Partial<RoundView> = {}): RoundView => ({
  id: 'r1',
  name: 'Before the first cut',
  stand: 'stands',
  finished: false,
  kept: [],
  keptSaid: false,
  by: 'Ines',
  at: '2026-02-03T18:00:00.000Z',
  version: 1,
  tapes: tapes.slice(0, lengths).map(([from, to], i) => ({
    ...{ id: `t${i}`, kind: 'tape', from, to, by: 'Ines', at: '', before: [] },
    length: apart(corner(from), corner(to)),
  })),
  figures: [
    {
      figure: door.id,
      held: { open: 'x' },
      doubtful: [],
      next: tapes[lengths] ?? null,
      taken: lengths,
      of: tapes.length,
      moved: null,
    },
  ],
  compared: [],
  sides: [],
  corners: [],
  tilt: null,
  restood: null,
  ...over,
});
const view = (over: Partial<HoldView> = {}): HoldView => ({
  points: points.map((point) => ({ ...point, own: false })),
  figures: [{ ...door, own: false, barred: [], tapes }],
  rounds: [roundWith(2)],
  out: [],
  proposals: [],
  braces: [],
  checked: false,
  gaps: [],
  mayMove: 3,
  ...over,
});
const at = '/vehicles/v1/hold';
let server: FakeServer;
const open = () => openPage(HoldPage, { id: 'v1' });
beforeEach(() => {
  signIn();
  server = new FakeServer()
    .on('GET /vehicles/v1', { id: 'v1', nickname: 'Finch', planId: 'saloon' })
    .on('GET /plans/saloon', bodyPlan('saloon'))
    .on(`GET ${at}`, view());
});

describe('the drawing of a figure', () => {
  it('tells taken tapes from the next one and from those to come', () => {
    const now = view();
    const looks = drawnFigure(now, now.figures[0]!, now.rounds[0]!.figures[0]!).tapes.map(({ look }) => look);
    expect(looks).toEqual(['taken', 'taken', 'next', 'todo', 'todo', 'todo']);
  });
  it('says a movement along the body, and the other way what brings it back', () => {
    const now = view();
    const mm = (value: number) => `${value.toFixed(1)} mm`;
    expect(movementText(now, now.figures[0]!, [2, -4], mm)).toBe('2.0 mm back, 4.0 mm down');
    expect(cureText(now, now.figures[0]!, [2, -4], mm)).toBe('2.0 mm forward, 4.0 mm up');
    expect(inPlane(door.points.map(corner)).axes).toEqual([0, 2]);
  });
});

describe('the page', () => {
  it('asks for one tape after the other, in words and letters, and keeps what is typed in the unit of the shop', async () => {
    signIn('owner', 'in');
    server.on(`POST ${at}/rounds/r1/tapes`, () => view({ rounds: [roundWith(3)] }));
    const { page } = await open();
    expect(page.text()).toContain('Tape 3 of 6');
    expect(page.text()).not.toMatch(/\bmm\b/);
    await field(page, 'Length in inches').setValue('42 3/8');
    await page.get('form.ask').trigger('submit');
    await flushPromises();
    expect(server.to(`POST ${at}/rounds/r1/tapes`)[0]).toMatchObject({ from: tapes[2]![0], to: tapes[2]![1] });
    expect(server.to(`POST ${at}/rounds/r1/tapes`)[0]!['length']).toBeCloseTo(42.375 * 25.4, 3);
    expect(page.text()).toContain('Tape 4 of 6');
  });
  it('refuses what is no length before it is sent, and shows a refusal of the server at the field', async () => {
    server.on(`POST ${at}/rounds/r1/tapes`, () =>
      problem('invalid', 'About 1076 mm lie between.', 422, { field: 'length' }),
    );
    const { page } = await open();
    await field(page, 'Length in mm').setValue('long');
    await page.get('form.ask').trigger('submit');
    await flushPromises();
    expect(server.to(`POST ${at}/rounds/r1/tapes`)).toEqual([]);
    expect(page.text()).toContain('Type a length');
    await field(page, 'Length in mm').setValue('42');
    await page.get('form.ask').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('About 1076 mm lie between.');
  });
  it('names the tape that does not fit before all others', async () => {
    const round = roundWith(6);
    const [pair] = tapes;
    const odd = { ...round, figures: [{ ...round.figures[0]!, doubtful: [pair!] }] };
    server.on(`GET ${at}`, view({ rounds: [odd] }));
    const { page } = await open();
    expect(page.text()).toContain('Take this one again');
    expect(page.text()).toContain('does not fit the others');
  });
  it('says what has moved and what brings it back', async () => {
    const held = (sag: number) => {
      const moved = door.points.map((id) => {
        const { at: place, ...rest } = corner(id);
        return { ...rest, at: [place[0], place[1], place[2] - (id === 'lock-foot-l' ? sag : 0)] as const };
      });
      const of = (id: string) => moved.find((point) => point.id === id)!;
      const out = heldFigure(
        moved,
        tapes.map(([from, to]) => ({ from, to, length: apart(of(from), of(to)) })),
      );
      if ('open' in out) throw new Error(out.open);
      return out;
    };
    const first = roundWith(6, { finished: true });
    const moved = movedPoints(held(0), held(5), { kept: ['hinge-foot-l', 'hinge-head-l', 'lock-head-l'] });
    const check = roundWith(6, { id: 'r2', name: 'Check' });
    server.on(
      `GET ${at}`,
      view({ rounds: [first, { ...check, figures: [{ ...check.figures[0]!, moved, held: held(5) }] }] }),
    );
    const { page } = await open();
    expect(page.text()).toContain('Foot of the lock post, left: 5 mm down');
    expect(page.text()).toContain('move it 5 mm up');
  });
  it('begins the first measurement from nothing, and says before a cut that it is missing', async () => {
    server.on(`GET ${at}`, view({ rounds: [], out: ['sill-l'] })).on(`POST ${at}/rounds`, () => view());
    const { page } = await open();
    expect(page.text()).toContain('Measure before the first cut');
    await button(page, 'Begin a measurement').trigger('click');
    await flushPromises();
    const begin = [...document.querySelectorAll('form')].at(-1)!;
    begin.dispatchEvent(new Event('submit'));
    await flushPromises();
    expect(server.to(`POST ${at}/rounds`)[0]).toMatchObject({ name: 'Before the first cut', stand: 'stands' });
  });
});
