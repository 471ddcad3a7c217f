import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { GarageVehicle } from '@aspecta/contract/garage';
import type { OrderLine } from '@aspecta/contract/order';
import { bodyPlan, bodyPlans } from '@aspecta/core/body';
import { BOOK } from '../book/shelf.ts';
import { stations } from '../stations.ts';
import { FakeServer, field, openPage, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import { placesFor } from './places.ts';
import { find } from './rank.ts';
import SearchDialog from './SearchDialog.vue';
import SearchKey from './SearchKey.vue';

const cars = [{ id: 'v', nickname: 'Marigold', year: 1964, planId: 'saloon' }] as GarageVehicle[];
const orders = [{ panelName: 'Boot floor', vehicle: 'Marigold', maker: 'Harrow', vehicleId: 'v' }] as OrderLine[];
const repairs = [repairView({ id: 'r', panel: 'sill-l', choice: 'patch' })];
const car = { id: 'v', nickname: 'Marigold', plan: bodyPlan('saloon'), repairs };
const places = placesFor({ car, cars, orders, book: BOOK });
const first = (text: string) => find(text, places)[0];

describe('anything by a word', () => {
  it.each([
    ['sill left', '/vehicles/v/panels/sill-l'],
    ['weld sill', '/vehicles/v/repairs/r/weld'],
    ['drill map', '/vehicles/v/repairs/r/joints'],
    ['straight edge', '/vehicles/v/repairs/r/dress'],
    ['tonight', '/vehicles/v/plan'],
    ['square shims', '/vehicles/v/hold'],
    ['marigold', '/vehicles/v'],
    ['house rules', '/house'],
  ])('“%s” leads to %s', (text, to) => expect(first(text)?.to).toBe(to));

  it('finds what is ordered, and a calculation by the words people use', () => {
    expect(find('boot floor harrow', places).map(({ to }) => to)).toEqual(['/orders?show=all&car=v']);
    expect(find('plug spacing', places).some(({ to }) => to.startsWith('/book/'))).toBe(true);
  });

  it('forgives one slip, a plural, and any order of the words; not a word that is not there', () => {
    expect(first('sil left')?.to).toBe('/vehicles/v/panels/sill-l');
    expect(first('quartr rear left')?.title).toMatch(/Rear quarter, left/);
    expect(first('left sills')?.to).toBe('/vehicles/v/panels/sill-l');
    expect(find('sill zeppelin', places)).toEqual([]);
  });

  it('leads to no line of a panel that is replaced whole', () => {
    const whole = { ...car, repairs: [repairView({ id: 'w', panel: 'sill-l', choice: 'whole' })] };
    const all = placesFor({ car: whole, cars, orders, book: BOOK }).map(({ to }) => to);
    expect(all).toContain('/vehicles/v/repairs/w/joints');
    expect(all).not.toContain('/vehicles/v/repairs/w/cut');
  });

  it('shows a customer no station that would refuse him', () => {
    const his = placesFor({ car: { ...car, repairs: [] }, cars, orders: [], book: BOOK, customer: true });
    const inside = stations.filter((station) => station.inside).map(({ path }) => path.replace(':id', 'v'));
    expect(his.filter(({ to }) => inside.includes(to))).toEqual([]);
    expect(his.some(({ to }) => to === '/vehicles/v')).toBe(true);
  });

  it('leads nowhere that is no page: every place of every body lies on a station', () => {
    const patterns = stations
      .flatMap(({ path, under = [] }) => [path, ...under.map((page) => page.path)])
      .map((path) => new RegExp(`^${path.replace(/:\w+(\([^)]*\))?[?*+]?/g, '[^/]+')}$`));
    for (const plan of bodyPlans())
      for (const { to } of placesFor({ car: { ...car, plan, repairs: [] }, cars, orders, book: BOOK }))
        expect(
          patterns.some((pattern) => pattern.test(to.split('?')[0]!)),
          to,
        ).toBe(true);
  });
});

describe('the window of it', () => {
  beforeEach(() => {
    signIn('worker');
    document.body.innerHTML = '';
    new FakeServer().on('GET /vehicles', cars).on('GET /orders', orders);
  });

  it('is walked through with arrows and Enter, and says when nothing is called so', async () => {
    const { page, router } = await openPage(SearchDialog);
    await flushPromises();
    expect(document.activeElement).toBe(field(page, /^A panel/).element);
    await field(page, /^A panel/).setValue('house');
    const all = page.findAll('.found li');
    expect(all[0]!.text()).toContain('House rules');
    await page.get('form').trigger('keydown', { key: 'ArrowDown' });
    await page.get('form').trigger('keydown', { key: 'ArrowUp' });
    expect(page.findAll('.found li')[0]!.classes()).toContain('on');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(router.currentRoute.value.path).toBe('/house');
    await field(page, /^A panel/).setValue('zeppelin');
    expect(page.get('[role=status]').text()).toContain('Nothing is called so');
  });

  it('is opened by one key, not while one types', async () => {
    await openPage(SearchKey);
    const input = document.createElement('input');
    document.body.append(input);
    input.dispatchEvent(new KeyboardEvent('keydown', { key: '/', bubbles: true }));
    await flushPromises();
    expect(document.querySelector('.dialog')).toBeNull();
    window.dispatchEvent(new KeyboardEvent('keydown', { key: '/' }));
    await flushPromises();
    await vi.dynamicImportSettled();
    await flushPromises();
    expect(document.querySelector('.dialog')).not.toBeNull();
  });
});
