import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { WholeView } from '@aspecta/contract/whole';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { besideNow, isSame } from './wholeScene.ts';
import WholePage from './WholePage.vue';

const option = (id: 'patch' | 'whole', hours: number, money: number) => ({ id, hours, money, keeps: 1, buys: [] });
const plan = (a: 'patch' | 'whole', b: 'patch' | 'whole', hours: number, money: number) => ({
  choice: { r: a, z: b },
  hours,
  money,
  keeps: a === 'patch' ? 2 : 1,
});
const now = plan('patch', 'patch', 30, 4000);
const cheap = plan('whole', 'whole', 12, 30_000);
const view = (over: Partial<WholeView> = {}): WholeView => ({
  repairs: [
    {
      id: 'r',
      panel: 'sill-l',
      layers: [],
      zoneIds: ['y'],
      decided: { choice: 'patch', version: 3 },
      options: [option('patch', 15, 2000), option('whole', 6, 15_000)],
    },
    {
      id: 'z',
      panel: 'sill-r',
      layers: [],
      zoneIds: ['z'],
      decided: null,
      options: [option('patch', 15, 2000), option('whole', 6, 15_000)],
    },
  ],
  plans: [cheap, now],
  cheapest: cheap,
  quickest: cheap,
  mostOriginal: now,
  now,
  hourRate: 4500,
  ...over,
});
let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /vehicles/v/whole', view());
});
const open = () => openPage(WholePage, { id: 'v' });

describe('the whole car', () => {
  it('answers in one sentence with figures, and shows what each plan means for each repair', async () => {
    const { page } = await open();
    expect(page.text()).toMatch(/The cheapest plan means 18\.0 h less work, for €260 more/);
    expect(page.text()).toMatch(/Sill, left.*Whole panel.*Patch/s);
    await page.get('input[type=radio][value=mostOriginal]').setValue(true);
    await flushPromises();
    expect(page.findAll('td.other')).toHaveLength(1);
  });

  it('becomes decisions with one reason: what is decided is changed, what is not is decided', async () => {
    server.on('PUT /repairs/r', {}).on('POST /vehicles/v/repairs', {});
    const { page } = await open();
    await field(page, 'You decide. Why?').setValue('One carriage for both');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /repairs/r')[0]).toEqual({
      choice: 'whole',
      reason: 'One carriage for both',
      done: false,
      version: 3,
    });
    expect(server.to('POST /vehicles/v/repairs')[0]).toMatchObject({ choice: 'whole', zoneIds: ['z'] });
    expect(server.to('GET /vehicles/v/whole')).toHaveLength(2);
  });

  it('shows what is refused, and keeps the reason that was typed', async () => {
    server.on('PUT /repairs/r', () => problem('invalid', 'reason must not be empty.', 422, { field: 'reason' }));
    const { page } = await open();
    await button(page, /^Decide so: 2 decisions/).trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('must not be empty');
    expect(server.to('POST /vehicles/v/repairs')).toHaveLength(0);
  });

  it('says so where nothing is cheaper, and where no repair is open', async () => {
    server.on('GET /vehicles/v/whole', view({ cheapest: now }));
    expect((await open()).page.text()).toContain('Go on as it stands');
    server.on(
      'GET /vehicles/v/whole',
      view({ repairs: [], plans: [], cheapest: null, quickest: null, mostOriginal: null, now: null }),
    );
    expect((await open()).page.text()).toContain('No repair is open.');
  });

  it('tells two plans apart by what they choose', () => {
    expect(isSame(now, { ...now, hours: 1 })).toBe(true);
    expect(isSame(now, cheap)).toBe(false);
    const say = { hours: (h: number) => `${h} h`, money: (m: number) => `${m}` };
    expect(besideNow(now, now, say)).toBe('the same work, for the same money');
  });
});
