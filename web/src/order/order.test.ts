import { flushPromises, mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { OrderLine } from '@aspecta/contract/order';
import type { SessionView } from '@aspecta/contract/shop';
import { useSession } from '../shell/session.ts';
import { makersChart } from './makersChart.ts';
import OrderCard from './OrderCard.vue';

const fetching = vi.fn<typeof fetch>();
const line: OrderLine = {
  id: 'o',
  vehicleId: 'v',
  vehicle: 'Marigold',
  repairId: null,
  panel: 'sill-r',
  panelName: 'Sill, right',
  maker: 'Harrow Pressings',
  price: 11_800,
  quantity: 1,
  carriage: 2_400,
  landed: 17_182,
  currency: 'EUR',
  taxRate: 0.21,
  state: 'confirmed',
  next: ['back-order', 'arrived'],
  due: '2026-01-02',
  late: true,
  note: '',
  unneeded: null,
  parcel: null,
  tracking: null,
  arrival: null,
  credit: null,
  sheet: 1,
  history: [{ state: 'wanted', on: '2025-12-01', by: 'Ines' }],
  version: 3,
};
const signedIn = (role: 'owner' | 'viewer') =>
  (useSession().current = {
    shop: { unit: 'mm', currency: 'EUR' },
    person: { role },
    csrf: 'x',
  } as unknown as SessionView);
const card = (over: Partial<OrderLine> = {}) =>
  mount(OrderCard, {
    props: { line: { ...line, ...over } },
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } },
  });

beforeEach(() => {
  setActivePinia(createPinia());
  vi.stubGlobal('fetch', fetching);
  fetching.mockReset();
  signedIn('owner');
});

describe('a line of the order book', () => {
  it('says what it costs landed, where it stands and that it is late', () => {
    const text = card().text();
    expect(text).toContain('€171.82');
    expect(text).toContain('€118.00 + €24.00 carriage + 21 % tax');
    expect(text).toContain('Confirmed, late');
    expect(text).toContain('due 2 Jan 2026');
  });

  it('is put off without a day, unless one is said: the one that was promised is off', async () => {
    fetching.mockImplementation(() => Promise.resolve(new Response('{}', { status: 200 })));
    const page = card();
    const press = (text: string) =>
      page
        .findAll('.acts button')
        .find((one) => one.text() === text)!
        .trigger('click');
    const dates = () => page.findAll('.move input').map((one) => (one.element as HTMLInputElement).value);
    await press('Arrived');
    expect(dates()).toHaveLength(2);
    await press('Back order');
    expect(dates()[1]).toBe('');
    expect(page.text()).toContain('Empty where nobody says a date');
    await page.get('form.move').trigger('submit');
    await flushPromises();
    const [, sent] = fetching.mock.calls.find(([url]) => String(url).endsWith('/orders/o/move'))!;
    expect(JSON.parse(String(sent!.body))).toMatchObject({ state: 'back-order', due: null });
  });

  it('says of a back order without a day that none is known', () => {
    expect(card({ state: 'back-order', due: null, late: false }).text()).toContain('no date is known');
    expect(card({ state: 'back-order' }).text()).not.toContain('no date is known');
  });

  it('offers the next states only, and nothing to a viewer', () => {
    const states = (wrapper: ReturnType<typeof card>) => wrapper.findAll('.acts button').map((button) => button.text());
    expect(states(card())).toEqual(['Back order', 'Arrived', 'Change']);
    signedIn('viewer');
    expect(states(card())).toEqual([]);
  });

  it('asks for the day, and for the new date of arrival only where it helps', async () => {
    const wrapper = card();
    const [back, arrived] = wrapper.findAll('.acts button');
    await back!.trigger('click');
    expect(wrapper.findAll('input[type=date]')).toHaveLength(2);
    await arrived!.trigger('click');
    expect(wrapper.findAll('input[type=date]')).toHaveLength(1);
    await arrived!.trigger('click');
    expect(wrapper.find('form').exists()).toBe(false);
  });

  it('notes the move with the version that was seen', async () => {
    fetching.mockResolvedValue(new Response(JSON.stringify(line), { status: 200 }));
    const wrapper = card();
    await wrapper.findAll('.acts button')[1]!.trigger('click');
    await wrapper.get('input[type=date]').setValue('2026-01-05');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    const [path, init] = fetching.mock.calls[0]!;
    expect(path).toBe('/api/orders/o/move');
    expect(JSON.parse(String(init!.body))).toEqual({
      state: 'arrived',
      on: '2026-01-05',
      due: null,
      note: '',
      part: null,
      version: 3,
    });
    expect(wrapper.emitted('changed')).toHaveLength(1);
  });

  it('asks how many have come where several were ordered', async () => {
    fetching.mockImplementation(() => Promise.resolve(new Response('{}', { status: 200 })));
    const wrapper = card({ quantity: 5 });
    await wrapper.findAll('.acts button')[1]!.trigger('click');
    const pieces = wrapper.findAll('.move label').find((label) => label.text().startsWith('How many of 5'))!;
    const input = wrapper.get(`#${pieces.attributes('for')}`);
    expect((input.element as HTMLInputElement).value).toBe('5');
    await input.setValue('2');
    await wrapper.get('form.move').trigger('submit');
    await flushPromises();
    const [, sent] = fetching.mock.calls.find(([url]) => String(url).endsWith('/orders/o/move'))!;
    expect(JSON.parse(String(sent!.body))).toMatchObject({ part: { pieces: 2, rest: expect.any(String) as string } });
  });

  it('shows why a move was refused, and fetches what is stored', async () => {
    fetching.mockResolvedValue(
      new Response(JSON.stringify({ status: 409, code: 'conflict', detail: 'Somebody else has changed this' }), {
        status: 409,
      }),
    );
    const wrapper = card();
    await wrapper.findAll('.acts button')[1]!.trigger('click');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(wrapper.get('[role=alert]').text()).toMatch(/Somebody else/);
    expect(wrapper.emitted('changed')).toHaveLength(1);
  });

  describe('that is not needed any more', () => {
    const unneeded = 'Decided otherwise: let in a patch – one spot only';

    it('is withdrawn with that as its reason, or sent back once it has arrived', async () => {
      fetching.mockResolvedValue(new Response(JSON.stringify(line), { status: 200 }));
      const wrapper = card({ unneeded, next: ['arrived', 'withdrawn'] });
      expect(wrapper.text()).toContain(`Not needed any more? ${unneeded}`);
      await wrapper
        .findAll('button')
        .find((button) => button.text() === 'Withdraw it')!
        .trigger('click');
      await wrapper.get('form').trigger('submit');
      await flushPromises();
      expect(JSON.parse(String(fetching.mock.calls[0]![1]!.body))).toMatchObject({
        state: 'withdrawn',
        note: unneeded,
      });
      expect(card({ unneeded, state: 'arrived', next: ['checked', 'returned'] }).text()).toContain('Send it back');
    });

    it('is kept all the same by the version that was seen', async () => {
      fetching.mockResolvedValue(new Response(JSON.stringify(line), { status: 200 }));
      const wrapper = card({ unneeded });
      await wrapper
        .findAll('button')
        .find((button) => button.text() === 'Keep it all the same')!
        .trigger('click');
      await flushPromises();
      expect(fetching.mock.calls[0]![0]).toBe('/api/orders/o/keep');
      expect(JSON.parse(String(fetching.mock.calls[0]![1]!.body))).toEqual({ version: 3 });
    });

    it('offers a viewer nothing', () => {
      signedIn('viewer');
      const wrapper = card({ unneeded });
      expect(wrapper.text()).toContain('Not needed any more?');
      expect(wrapper.text()).not.toMatch(/Withdraw it|Keep it/);
    });
  });
});

describe('how deliveries are drawn', () => {
  it('each against what was promised, with the range of the next one; makers without a day are left out', () => {
    const one = { checked: 0, fitted: 0, gone: 0, rework: null };
    const chart = makersChart([
      { ...one, maker: 'Harrow', timed: [{ quoted: 5, actual: 8 }], factor: { p50: 1.3, p90: 2.1 } },
      { ...one, maker: 'Any mill', timed: [], factor: { p50: 1, p90: 2 } },
    ]);
    expect(chart.y.names).toEqual(['Harrow']);
    expect(chart.series.map(({ points }) => points)).toEqual([[[1.3, 1.3, 2.1, 0]], [[1.6, 0]]]);
  });
});
