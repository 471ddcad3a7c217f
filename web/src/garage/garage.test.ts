import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { GarageVehicle } from '@aspecta/contract/garage';
import { bodyPlan, bodyPlans } from '@aspecta/core/body';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import GaragePage from './GaragePage.vue';

const car: GarageVehicle = {
  id: 'v',
  nickname: 'Marigold',
  year: 1964,
  planId: 'saloon',
  goal: 'driver',
  climate: 'wet',
  past: ['repaired'],
  notes: 'two owners',
  version: 3,
  createdAt: '2026-01-01T00:00:00.000Z',
  readings: 312,
  panelsMeasured: 9,
  panels: 46,
  decided: 4,
  awaited: 2,
  late: 1,
  next: { text: 'Measure the left sill', path: 'panels/sill-l' },
} as GarageVehicle;

let server: FakeServer;
beforeEach(() => {
  signIn();
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles', [car])
    .on('GET /vehicles/removed', [])
    .on('GET /vehicles/v/board', { panels: [{ panel: 'sill-l', state: 'through' }], next: car.next })
    .on(
      'GET /plans',
      bodyPlans().map(({ id, name, description, panels }) => ({
        id,
        name,
        description,
        panels: panels.length,
        own: false,
      })),
    );
});
const open = () => openPage(GaragePage);

describe('the garage', () => {
  it('says of each car what is known, what is late and what to do next', async () => {
    const { page } = await open();
    const text = page.get('article').text();
    for (const part of ['Marigold', '1964', 'Honest driver · Wet, salted winter roads', '312', '9 of 46', '2, 1 late'])
      expect(text).toContain(part);
    expect(page.get('a.next').text()).toContain('Measure the left sill');
    expect(page.get('a.next').attributes('href')).toBe('/vehicles/v/panels/sill-l');
  });

  it('draws the flank with the panels that are through', async () => {
    const { page } = await open();
    const flank = bodyPlan('saloon').panels.filter((panel) => panel.view === bodyPlan('saloon').views[0]!.id);
    expect(page.get('a.sketch').findAll('path').length).toBeGreaterThanOrEqual(flank.length);
    expect(page.get('a.sketch').html()).toMatch(/through/);
  });

  it('is empty with an invitation', async () => {
    server.on('GET /vehicles', []);
    const { page } = await open();
    expect(page.text()).toContain('The garage is empty');
    expect(button(page, 'Roll a car in').exists()).toBe(true);
  });

  it('rolls a car in and opens its board', async () => {
    server.on('POST /vehicles', (body) => ({ ...body, id: 'new' }));
    const { page, router } = await open();
    await button(page, 'Roll a car in').trigger('click');
    await flushPromises();
    expect(page.findAll('select option')).toHaveLength(4);
    await field(page, 'Nickname').setValue('Old blue');
    await field(page, 'Year built').setValue(' 1971 ');
    await field(page, 'Body plan').setValue('pickup');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /vehicles')[0]).toMatchObject({ nickname: 'Old blue', year: 1971, planId: 'pickup' });
    expect(router.currentRoute.value.path).toBe('/vehicles/new');
  });

  it('keeps what was typed where the server refuses, and says why at the field', async () => {
    server.on('POST /vehicles', () =>
      problem('invalid', 'year must be a number; enter digits only.', 422, { field: 'year' }),
    );
    const { page } = await open();
    await button(page, 'Roll a car in').trigger('click');
    await field(page, 'Nickname').setValue('Old blue');
    await field(page, 'Year built').setValue('sixties');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(page.get('.dialog [role=alert]').text()).toContain('Year must be a number');
    expect((field(page, 'Year built').element as HTMLInputElement).value).toBe('sixties');
    expect(server.to('POST /vehicles')[0]!['year']).toBe('sixties');
  });

  it('changes a car by the version that was seen; after a conflict saving again keeps what is written', async () => {
    const stored = { ...car, nickname: 'Goldie', version: 9 };
    server.on('PUT /vehicles/v', (body) =>
      body['version'] === 9
        ? { ...stored, ...body }
        : problem('conflict', 'Somebody else has changed this.', 409, { current: stored }),
    );
    const { page } = await open();
    await button(page, 'Change').trigger('click');
    await flushPromises();
    expect(page.find('.dialog select').exists()).toBe(false);
    await field(page, 'Nickname').setValue('Mary');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(page.get('.dialog [role=alert]').text()).toContain('Saving again keeps what is written here');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /vehicles/v').map((body) => [body['nickname'], body['version']])).toEqual([
      ['Mary', 3],
      ['Mary', 9],
    ]);
    expect(page.find('.dialog').exists()).toBe(false);
  });

  it('asks before it removes, and brings back', async () => {
    server.on('DELETE /vehicles/v', () => new Response(null, { status: 204 })).on('POST /vehicles/v/restore', {});
    const { page } = await open();
    await button(page, 'Remove').trigger('click');
    expect(page.text()).toContain('It can be brought back for 30 days.');
    await button(page, 'Keep').trigger('click');
    expect(server.to('DELETE /vehicles/v')).toHaveLength(0);
    await button(page, 'Remove').trigger('click');
    server.on('GET /vehicles', []).on('GET /vehicles/removed', [car]);
    await button(page, 'Yes, remove').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Removed in the last 30 days');
    await button(page, 'Bring back').trigger('click');
    await flushPromises();
    expect(server.to('POST /vehicles/v/restore')).toHaveLength(1);
  });

  it.each([
    ['worker', true, false],
    ['viewer', false, false],
  ] as const)('lets a %s change: %s, remove: %s', async (role, change, removes) => {
    signIn(role);
    const { page } = await open();
    const texts = page.findAll('button').map((entry) => entry.text());
    expect(texts.includes('Change')).toBe(change);
    expect(texts.includes('Remove')).toBe(removes);
  });
});

describe('a car from another house', () => {
  const bring = async (page: Awaited<ReturnType<typeof open>>['page']) => {
    await page.get('.upload').trigger('drop', { dataTransfer: { files: [new File(['zip'], 'marigold.zip')] } });
    await flushPromises();
  };

  it('is taken in from its ZIP, and opened', async () => {
    server.on('POST /archive/import', { ids: ['w'] });
    const { page, router } = await open();
    await bring(page);
    expect(server.to('POST /archive/import')).toHaveLength(1);
    expect(router.currentRoute.value.path).toBe('/vehicles/w');
  });

  it('comes with others: how many is told, and the garage stays', async () => {
    server.on('POST /archive/import', { ids: ['w', 'x'] });
    const { page, router } = await open();
    const before = router.currentRoute.value.path;
    await bring(page);
    expect(page.text()).toContain('2 cars were taken in.');
    expect(router.currentRoute.value.path).toBe(before);
  });

  it('is refused in words where it is none, and taken in by the owner only', async () => {
    server.on('POST /archive/import', () =>
      problem('invalid', 'This file is no ZIP, or was cut off.', 422, { field: 'archive' }),
    );
    const { page } = await open();
    await bring(page);
    expect(page.text()).toContain('This file is no ZIP, or was cut off.');
    signIn('worker');
    expect((await open()).page.findAll('.upload')).toHaveLength(0);
  });
});
