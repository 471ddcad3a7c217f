import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { defineComponent, h } from 'vue';
import type { Standing } from '@aspecta/contract/garage';
import { post } from '../shell/api.ts';
import { stations } from '../stations.ts';
import { FakeServer, signIn } from '../testing/fakeServer.ts';
import StationLine from './StationLine.vue';
import { useVehicle } from './useVehicle.ts';
import { repairView } from '../testing/repairView.ts';

const vehicle = { id: 'v', nickname: 'Old grey', year: 1967, planId: 'saloon', version: 1 };
const standing = (station: string, over: Partial<Standing> = {}): Standing => ({
  ...{ station, word: '', waits: false, done: false, path: null },
  ...over,
});

/** A stream of the server that the test speaks through. */
class Stream {
  static all: Stream[] = [];
  onopen: () => void = () => undefined;
  onerror: () => void = () => undefined;
  onmessage: (message: { data: string }) => void = () => undefined;
  closed = false;
  constructor(readonly url: string) {
    Stream.all.push(this);
  }
  close(): void {
    this.closed = true;
  }
  tell(change: object): void {
    const nothing = { vehicles: [], readings: [], zones: [], zonesGone: [], finds: [], findsGone: [] };
    this.onmessage({ data: JSON.stringify({ ...nothing, repairs: [], ...change }) });
  }
}

let server: FakeServer;
beforeEach(() => {
  server = new FakeServer();
  server.on('GET /vehicles/v', vehicle).on('GET /vehicles/v/repairs', []).on('GET /vehicles/v/line', []);
  Stream.all = [];
  vi.stubGlobal('EventSource', Stream);
  signIn();
});
afterEach(() => vi.unstubAllGlobals());

/** A page that shows a car and nothing else. */
function page() {
  let car!: ReturnType<typeof useVehicle>;
  const wrapper = mount(
    defineComponent(() => {
      car = useVehicle('v');
      return () => h('p');
    }),
  );
  return { car, wrapper };
}
const asked = (what: string) => server.sent.filter((entry) => entry.what === what).length;

describe('a car that several pages share', () => {
  it('is asked for once while its changes are heard, and again on demand', async () => {
    const first = page();
    Stream.all[0]!.onopen();
    await first.car.ready();
    const second = page();
    await second.car.ready();
    expect(asked('GET /vehicles/v')).toBe(1);
    expect(Stream.all).toHaveLength(1);
    await second.car.ready(true);
    expect(asked('GET /vehicles/v')).toBe(2);
  });

  it('is asked for by every page while nobody tells of changes', async () => {
    await page().car.ready();
    await page().car.ready();
    expect(asked('GET /vehicles/v')).toBe(2);
  });

  it('takes in what others decide, and tells the pages', async () => {
    const { car } = page();
    Stream.all[0]!.onopen();
    await car.ready();
    const heard = vi.fn();
    car.hear(heard);
    Stream.all[0]!.tell({ repairs: [{ id: 'r', panel: 'roof' }], vehicles: [{ ...vehicle, nickname: 'Old blue' }] });
    expect(heard).toHaveBeenCalledOnce();
    expect(car.data.value).toMatchObject({ repairs: [{ id: 'r' }], vehicle: { nickname: 'Old blue' } });
    expect(await car.repair('r')).toMatchObject({ panel: 'roof' });
    Stream.all[0]!.tell({ repairs: [repairView({ withdrawn: { by: 'Ada', at: '', reason: 'too soon' } })] });
    expect(car.data.value).toMatchObject({ repairs: [], withdrawn: [{ id: 'r' }] });
    expect(asked('GET /vehicles/v')).toBe(1);
  });

  it('is let go a while after the last page was left', async () => {
    vi.useFakeTimers();
    const { wrapper } = page();
    wrapper.unmount();
    expect(Stream.all[0]!.closed).toBe(false);
    vi.advanceTimersByTime(10_000);
    expect(Stream.all[0]!.closed).toBe(true);
    vi.useRealTimers();
  });
});

describe('the line of stations', () => {
  async function line(path: string) {
    const router = createRouter({
      history: createMemoryHistory(),
      routes: stations.map((station) => ({
        path: station.path,
        component: { template: '<p />' },
        meta: { station: station.name },
      })),
    });
    await router.push(path);
    const wrapper = mount(StationLine, { props: { id: 'v' }, global: { plugins: [router] } });
    await flushPromises();
    return wrapper;
  }

  it('shows the order of the work, where one is, and what waits', async () => {
    server.on('GET /vehicles/v/line', [
      standing('survey', { word: '3 of 46 read', waits: true, path: 'panels/sill-l' }),
      standing('order', { word: '1 late', waits: true, path: '../../orders' }),
      standing('cut', { word: 'no patch decided' }),
      standing('walk', { word: '12 looked at', done: true, path: 'walk' }),
    ]);
    const wrapper = await line('/vehicles/v/walk');
    const stops = wrapper.findAll('.stop').map((stop) => stop.text());
    expect(stops[0]).toContain('Board');
    expect(stops.indexOf('Survey3 of 46 read')).toBeGreaterThan(0);
    expect(wrapper.get('[aria-current=step]').text()).toContain('Walk-round');
    expect(wrapper.get('.waits').text()).toContain('3 of 46 read');
    const links = Object.fromEntries(wrapper.findAll('a').map((a) => [a.get('.name').text(), a.attributes('href')]));
    expect(links).toMatchObject({ Survey: '/vehicles/v/panels/sill-l', Orders: '/orders' });
    // What cannot be opened yet says why, and is no link.
    expect(links).not.toHaveProperty('Cut');
    expect(wrapper.text()).toContain('no patch decided');
  });

  it('follows what is stored on the page itself', async () => {
    server.on('GET /vehicles/v/line', [standing('walk', { word: 'not begun', waits: true, path: 'walk' })]);
    const wrapper = await line('/vehicles/v/walk');
    expect(wrapper.text()).toContain('not begun');
    server.on('GET /vehicles/v/line', [standing('walk', { word: '1 looked at', done: true, path: 'walk' })]);
    server.on('POST /vehicles/v/walk', {});
    await post('/vehicles/v/walk', { place: 'x', state: 'looked' });
    await vi.waitFor(() => expect(wrapper.text()).toContain('1 looked at'));
  });

  it('stays on the panel that is open', async () => {
    server.on('GET /vehicles/v/line', [standing('verdict', { path: 'panels/roof/verdict' })]);
    const wrapper = await line('/vehicles/v/panels/sill-r');
    expect(wrapper.findAll('a').map((a) => a.attributes('href'))).toContain('/vehicles/v/panels/sill-r/verdict');
  });
});

describe('the list of stations', () => {
  it('gives each a name and an address of its own, a question, and a page that is there', async () => {
    const pages = stations.flatMap((station) => [station, ...(station.under ?? [])]);
    expect(new Set(stations.map(({ name }) => name)).size).toBe(stations.length);
    expect(new Set(pages.map(({ path }) => path)).size).toBe(pages.length);
    for (const { name, question } of stations) expect(question, name).toMatch(/^[A-Z].*[?.]$/);
    for (const { page, path } of pages) expect(await page(), path).toHaveProperty('default');
  }, 60_000);
});
