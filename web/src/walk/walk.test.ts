import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { FindView, WalkPlaceView, WalkView } from '@aspecta/contract/survey';
import { bodyPlan } from '@aspecta/core/body';
import { walkRound } from '@aspecta/core/survey';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import WalkPage from './WalkPage.vue';

const known = walkRound({ plan: bodyPlan('saloon'), climate: 'wet', age: 60, past: [] }).slice(0, 4);
let walk: WalkView;
let server: FakeServer;

/** A server that remembers what was looked at, as ours does. */
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  walk = {
    places: known.map((place): WalkPlaceView => ({ ...place, state: 'open', by: null, finds: 0 })),
    coverage: 0,
    finds: [],
  };
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon', climate: 'wet' })
    .on('GET /vehicles/v/walk', () => walk)
    .on('POST /vehicles/v/walk', ({ place, state }) => {
      const places = walk.places.map((entry) =>
        entry.id === place ? { ...entry, state: state as WalkPlaceView['state'], by: 'Ada' } : entry,
      );
      const looked = places.filter((entry) => entry.state === 'looked').length;
      return (walk = { ...walk, places, coverage: looked / places.length });
    })
    .on('POST /vehicles/v/finds', (body) => {
      const find = { ...body, structural: true, at: '2026-02-03T10:00:00.000Z', by: 'Ada' } as unknown as FindView;
      walk = { ...walk, finds: [find, ...walk.finds] };
      return find;
    });
});
const open = async () => (await openPage(WalkPage, { id: 'v' })).page;

describe('the walk-round', () => {
  it('begins at the first place that is open: where, why, for what, and how risky', async () => {
    walk.places[0]!.state = 'looked';
    const page = await open();
    const place = known[1]!;
    expect(page.get('h2').text()).toBe(place.title);
    expect(page.text()).toContain(place.why);
    expect(page.text()).toContain(`Risk here: ${Math.round(place.risk * 100)} %, for wet, salted winter roads.`);
    expect(page.findAll('.signs button').length).toBe(place.lookFor.filter((sign) => sign !== 'sound').length + 1);
  });

  it('goes on with one tap where nothing shows, and counts it', async () => {
    const page = await open();
    await button(page, 'Nothing shows: next place').trigger('click');
    await flushPromises();
    expect(server.to('POST /vehicles/v/walk')).toEqual([{ place: known[0]!.id, state: 'looked' }]);
    expect(page.get('h2').text()).toBe(known[1]!.title);
    expect(page.get('.progress').text()).toContain('25 %');
    expect(page.get('.progress').text()).toContain('1 of 4, 0 skipped');
  });

  it('records a find with one tap, with place, layer and note, and stays there', async () => {
    const page = await open();
    await field(page, 'Note').setValue('thumb-sized');
    await page.get('.signs button').trigger('click');
    await flushPromises();
    const [find] = server.to('POST /vehicles/v/finds');
    expect(find).toMatchObject({
      panel: known[0]!.panel,
      layer: known[0]!.layer,
      u: known[0]!.at[0],
      v: known[0]!.at[1],
      place: known[0]!.id,
      note: 'thumb-sized',
      photoId: null,
    });
    expect(known[0]!.lookFor).toContain(find!['sign']);
    expect(page.get('h2').text()).toBe(known[0]!.title);
    expect(button(page, 'Next place').exists()).toBe(true);
    expect((field(page, 'Note').element as HTMLInputElement).value).toBe('');
    expect(page.findAll('.here li')).toHaveLength(1);
  });

  it('offers the whole vocabulary where something else is there', async () => {
    const page = await open();
    const few = page.findAll('.signs button').length;
    await button(page, 'Something else …').trigger('click');
    expect(page.findAll('.signs button').length).toBeGreaterThan(few);
    await button(page, 'after →').trigger('click');
    expect(page.findAll('button').some((entry) => entry.text() === 'Something else …')).toBe(true);
  });

  it('lets places be skipped, says so at the end, and goes back to them', async () => {
    const page = await open();
    await button(page, 'Skip it').trigger('click');
    await flushPromises();
    for (const _ of known.slice(1)) {
      await button(page, 'Nothing shows: next place').trigger('click');
      await flushPromises();
    }
    expect(page.text()).toContain('Once around; some places were skipped.');
    expect(page.get('.done').text()).toBe('75 %');
    await button(page, 'Go to the skipped places').trigger('click');
    expect(page.get('h2').text()).toBe(known[0]!.title);
    expect(page.text()).toContain('Skipped by Ada.');
  });

  it('stays at the place and says why where the server refuses; the note is kept', async () => {
    server.on('POST /vehicles/v/finds', () =>
      problem('invalid', 'note has 600 characters; shorten it to 500.', 422, { field: 'note' }),
    );
    const page = await open();
    await field(page, 'Note').setValue('long');
    await page.get('.signs button').trigger('click');
    await flushPromises();
    expect(page.get('[role=alert]').text()).toContain('shorten it to 500');
    expect((field(page, 'Note').element as HTMLInputElement).value).toBe('long');
    expect(page.get('h2').text()).toBe(known[0]!.title);
  });

  it('warns where finds lie on load-bearing metal', async () => {
    walk.finds = [
      {
        id: 'f',
        panel: known[0]!.panel,
        layer: known[0]!.layer,
        u: 1,
        v: 1,
        sign: 'hole',
        note: '',
        place: null,
        photoId: null,
        structural: true,
        closed: null,
        version: 1,
        at: '2026-02-03T10:00:00.000Z',
        by: 'Ada',
      },
    ];
    expect((await open()).text()).toContain('Nothing there counts as strength until it is repaired');
  });

  it('lets a viewer read it only', async () => {
    signIn('viewer');
    const page = await open();
    expect(page.findAll('.signs').length).toBe(0);
    expect(page.get('h2').text()).toBe(known[0]!.title);
  });
});
