import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { COAT_WORDS, type CloseView, type FaceView } from '@aspecta/contract/close';
import { bodyPlan } from '@aspecta/core/body';
import { COAT_KINDS, facesOf, usualProducts, usualSystems } from '@aspecta/core/close';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import ClosePage from './ClosePage.vue';
import { groupsOf, sectionOf } from './closeScene.ts';

const saloon = bodyPlan('saloon');
const faces = facesOf(saloon, [
  { id: 'r', panel: 'sill-l', layers: ['outer', 'membrane', 'inner'], choice: 'patch', area: 20_000 },
]).map((face): FaceView => ({
  ...face,
  state: 'bare',
  coats: [],
  cavityName: saloon.cavities.find(({ id }) => id === face.cavity)?.name ?? null,
  drains: face.cavity ? ['Sill drain'] : [],
  finds: [],
}));
const view = (over: Partial<CloseView> = {}): CloseView => ({
  faces,
  repairs: [
    {
      id: 'r',
      panel: 'sill-l',
      name: 'Sill, left',
      welded: 0,
      done: false,
      bare: faces.slice(0, 4).map(({ id }) => id),
      overruled: null,
    },
  ],
  products: COAT_KINDS.map((kind) => ({
    ...usualProducts[kind],
    id: kind,
    name: COAT_WORDS[kind],
    usual: true,
    version: 0,
  })),
  temperature: 18,
  reminders: [],
  systems: { systems: usualSystems, usual: true, version: 7 },
  needs: [],
  ...over,
});
const at = '/vehicles/v/close';
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on(`GET ${at}`, view());
});
const open = () => openPage(ClosePage, { id: 'v' });

describe('what goes onto which side', () => {
  it('is told first coat first, changed side by side, and the needs come anew', async () => {
    const { page } = await open();
    expect(page.text()).toContain('Inside a hollow2 × epoxy primer, 1 × cavity wax');
    await page.get('button[aria-label="Change: Inside a hollow"]').trigger('click');
    await flushPromises();
    await button(page, 'Add a coat').trigger('click');
    const often = page.findAll('.dialog .coat input');
    await often[0]!.setValue('many');
    server.on(
      'PUT /systems',
      problem('invalid', 'How many coats must be a number.', 422, { field: 'systems.hollow[0].coats' }),
    );
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(page.get('.dialog').text()).toContain('How many coats must be a number.');
    expect((often[0]!.element as HTMLInputElement).value).toBe('many');
    await often[0]!.setValue('1');
    const hollow = [
      { kind: 'epoxy', coats: 1 },
      { kind: 'wax', coats: 1 },
      { kind: 'wax', coats: 1 },
    ];
    const changed = { systems: { ...usualSystems, hollow }, usual: false, version: 8 };
    server.on('PUT /systems', changed).on(`GET ${at}`, view({ systems: changed as CloseView['systems'] }));
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /systems').at(-1)).toEqual({ systems: { ...usualSystems, hollow }, version: 7 });
    expect(page.text()).toContain('1 × epoxy primer, 1 × cavity wax, 1 × cavity wax');
    await button(page, 'All as is usual again').trigger('click');
    await flushPromises();
    expect(server.to('PUT /systems').at(-1)).toEqual({ systems: null, version: 8 });
  });
  it('is changed by the owner alone', async () => {
    signIn('worker');
    const { page } = await open();
    expect(page.text()).toContain('Inside a hollow');
    expect(page.find('button[aria-label="Change: Inside a hollow"]').exists()).toBe(false);
  });
});

describe('the faces of a car', () => {
  it('stand together by hollow, the bare hollows first, each with its walls in section', () => {
    const groups = groupsOf(view(), saloon);
    expect(groups.map(({ title }) => title)).toEqual([
      'Outer sill cavity, left',
      'Inner sill cavity, left',
      'Sill, left',
    ]);
    const walls = sectionOf(saloon, groups[0]!);
    expect(new Set(walls.map(({ id }) => id)).size).toBe(2);
    const [first] = faces;
    const coated = view({
      faces: faces.map((face) => (face.cavity === first!.cavity ? { ...face, state: 'coated' } : face)),
    });
    expect(groupsOf(coated, saloon)[0]!.title).toBe('Inner sill cavity, left');
  });
});

describe('the page', () => {
  it('counts what a weld will shut bare, and coats the faces that are chosen', async () => {
    server.on(`POST ${at}/coats`, () => view());
    const { page } = await open();
    expect(page.get('.figure').text()).toBe('4');
    await page.get(`[data-face="${faces[0]!.id}"] .n-checkbox`).trigger('click');
    await button(page, 'Coat this face').trigger('click');
    await flushPromises();
    // A dialog lies outside of the page.
    const dialog = () => document.body.textContent;
    expect(dialog()).toContain('not weld-through');
    document.querySelector<HTMLFormElement>('dialog form, .n-modal form')!.dispatchEvent(new Event('submit'));
    await flushPromises();
    expect(server.to(`POST ${at}/coats`)[0]).toMatchObject({
      faces: [faces[0]!.id],
      product: 'epoxy',
      celsius: 18,
      humidity: null,
    });
  });
  it('shuts a hollow bare for a reason only', async () => {
    server.on(`PUT ${at}/overruled`, () => view());
    const { page } = await open();
    await button(page, 'It may be shut bare …').trigger('click');
    await field(page, 'Why it may be shut bare').setValue('waxed afterwards');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to(`PUT ${at}/overruled`)).toEqual([{ repair: 'r', reason: 'waxed afterwards' }]);
  });
  it('says on an empty car what makes faces appear', async () => {
    server.on(`GET ${at}`, view({ faces: [], repairs: [] }));
    const { page } = await open();
    expect(page.text()).toContain('No repair lays a face bare yet');
  });
  it('reads °F in a shop that does', async () => {
    signIn('owner', 'in');
    server.on(`GET ${at}`, view());
    const { page } = await open();
    expect(page.text()).not.toMatch(/°C|\bmm\b/);
  });
});

describe('what will not wait', () => {
  const reminder = (over: object) => ({
    ...{ kind: 'bare' as const, vehicle: 'v', car: 'Marigold', what: 'Sill, left', from: null, passed: false, wet: 3 },
    ...{ todo: 'Prime it: 2 faces lie bare', since: '2026-02-01T10:00:00.000Z', until: '2999-01-01T10:00:00.000Z' },
    ...over,
  });
  it('is said with its time: bare metal by the weather, a coat by its hours, and what is over', async () => {
    server.on(
      `GET ${at}`,
      view({
        reminders: [
          reminder({}),
          reminder({ until: null }),
          reminder({
            kind: 'next',
            since: null,
            todo: 'The next coat over Epoxy',
            from: '2998-01-01T10:00:00.000Z',
            wet: null,
          }),
          reminder({ passed: true, until: '2020-01-01T10:00:00.000Z', wet: 30 }),
        ],
      }),
    );
    const { page } = await open();
    const lines = page.findAll('.reminders li').map((line) => line.text());
    expect(lines[0]).toMatch(
      /Prime it: 2 faces lie bare since 1 Feb 2026; by 1 Jan.*as the weather is forecast \(3 wet hours so far\)/,
    );
    expect(lines[1]).toContain('it stays dry as far as is forecast');
    expect(lines[2]).toMatch(/The next coat over Epoxy; from 1 Jan.* until 1 Jan/);
    expect(lines[3]).toContain('30 wet hours so far: look whether it has begun to rust');
  });

  it('is bought in full cans, each with its price', async () => {
    server
      .on(`GET ${at}`, view({ needs: [{ kind: 'epoxy', name: 'Epoxy primer', litres: 1.3, cans: 2, can: 1 }] }))
      .on('POST /orders', {});
    const { page } = await open();
    expect(page.text()).toContain('Epoxy primer: 1.3 l, 2 × 1 l');
    await button(page, 'Into the order book').trigger('click');
    await field(page, 'From whom').setValue('Harrow');
    await field(page, 'Price of one, before tax').setValue('39.50');
    await button(page, 'Want 2').trigger('submit');
    await flushPromises();
    expect(server.to('POST /orders')).toMatchObject([
      { item: 'Epoxy primer, 1 l', quantity: 2, price: 3950, maker: 'Harrow', panel: '' },
    ]);
    expect(page.text()).toContain('In the order book');
  });
});
