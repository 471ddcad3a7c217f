import { flushPromises, mount } from '@vue/test-utils';
import fc from 'fast-check';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { LARGEST_PHOTO, type PhotoView } from '@aspecta/contract/survey';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';
import { rectifyPhoto } from '@aspecta/core/survey';
import { useSession } from '../shell/session.ts';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import BeforeAfter from './BeforeAfter.vue';
import PhotoPage from './PhotoPage.vue';
import PhotosPage from './PhotosPage.vue';
import { useConnection } from '../shell/connection.ts';
import { onPanel } from './photoTiles.ts';
import { sendPhoto } from './takePhoto.ts';
import { usePhotoPoints } from './usePhotoPoints.ts';

const panel = panelOf(bodyPlan('saloon'), 'sill-l');
/** A taped rectangle of 300 × 80 mm as a tilted camera saw it, px. */
const seen: Point[] = [
  [210, 880],
  [1190, 820],
  [1120, 590],
  [300, 560],
];
const typed = { u: '100', v: '20', width: '300', height: '80' };
const places: Point[] = [
  [100, 20],
  [400, 20],
  [400, 100],
  [100, 100],
];
const pairs = seen.map(([x, y], i) => ({ x, y, u: places[i]![0], v: places[i]![1] }));
const photo = (over: Partial<PhotoView> = {}): PhotoView =>
  ({
    id: 'f',
    panel: 'sill-l',
    layer: 'outer',
    u: 200,
    v: 60,
    note: 'before the strip',
    takenAt: '2026-02-03T10:00:00.000Z',
    width: 1400,
    height: 1000,
    pairs: [],
    matrix: null,
    rms: null,
    worst: null,
    version: 2,
    ...over,
  }) as PhotoView;

beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
});

describe('points that are known on a picture', () => {
  it('come as a taped rectangle: four taps and its place and size', () => {
    const points = usePhotoPoints();
    points.startRectangle(true);
    seen.slice(0, 3).forEach(points.tap);
    expect(points.keepRectangle(typed)).toBe(false);
    points.tap(seen[3]!);
    points.tap([1, 1]);
    expect(points.corners.value).toHaveLength(4);
    expect(points.keepRectangle({ ...typed, width: '' })).toBe(false);
    expect(points.problem.value).toMatch(/width and its height/);
    expect(points.keepRectangle({ ...typed, width: '300,0' })).toBe(true);
    expect(points.problem.value).toBeNull();
    expect(points.pairs.value).toEqual(pairs);
    const { matrix } = points.lies.value;
    seen.forEach(([x, y], i) => {
      const at = onPanel(matrix!, x, y)!;
      expect(at[0]).toBeCloseTo(places[i]![0], 6);
      expect(at[1]).toBeCloseTo(places[i]![1], 6);
    });
  });

  it('come one by one, each with its place; one that is missing is asked for', () => {
    const points = usePhotoPoints();
    expect(points.keepPoint({ u: '1', v: '2' })).toBe(false);
    points.tap(seen[0]!);
    expect(points.keepPoint({ u: '100', v: '' })).toBe(false);
    expect(points.problem.value).toMatch(/how far the point is from the left/);
    expect(points.keepPoint({ u: '100,5', v: '20' })).toBe(true);
    expect(points.pairs.value).toEqual([{ x: 210, y: 880, u: 100.5, v: 20 }]);
    points.drop(0);
    expect(points.pairs.value).toEqual([]);
  });

  it('are in inches in a shop of inches, also left of the panel', () => {
    useSession().current!.shop.unit = 'in';
    const points = usePhotoPoints();
    points.tap(seen[0]!);
    expect(points.keepPoint({ u: 'here', v: '1' })).toBe(false);
    expect(points.problem.value).toMatch(/in inches/);
    expect(points.keepPoint({ u: '-2', v: '1 1/2' })).toBe(true);
    expect(points.pairs.value[0]!.u).toBeCloseTo(-50.8, 9);
    expect(points.pairs.value[0]!.v).toBeCloseTo(38.1, 9);
  });

  it('say in words why four of them do not do', () => {
    const points = usePhotoPoints();
    points.pairs.value = pairs.map((pair, i) => ({ ...pair, x: 100 * i, y: 100 * i }));
    expect(points.lies.value.matrix).toBeNull();
    expect(points.lies.value.problem).toMatch(/line/);
  });

  it('show by how much each is off once there are more than four', () => {
    const points = usePhotoPoints();
    const { matrix } = rectifyPhoto({ pairs, points: [] });
    const [u, v] = onPanel(matrix, 700, 700)!;
    points.pairs.value = [...pairs, { x: 700, y: 700, u: u + 12, v }];
    expect(points.lies.value.residuals).toHaveLength(5);
    expect(points.lies.value.worst).toBeGreaterThan(1);
    points.pairs.value = [...pairs, { x: 700, y: 700, u, v }];
    expect(points.lies.value.worst).toBeLessThan(1e-6);
  });

  it('bring the panel’s outline back onto the picture', () => {
    const points = usePhotoPoints();
    expect(points.outlineOn(panel)).toEqual([]);
    points.pairs.value = pairs;
    const outline = points.outlineOn(panel);
    const { matrix } = points.lies.value;
    outline.forEach(([x, y]) => {
      const [u, v] = onPanel(matrix!, x, y)!;
      const box = boxOf(panel.outline);
      expect(u).toBeGreaterThan(box.minU - 0.1);
      expect(u).toBeLessThan(box.maxU + 0.1);
      expect(v).toBeGreaterThan(box.minV - 0.1);
      expect(v).toBeLessThan(box.maxV + 0.1);
    });
  });

  it('never give a place that is no number', () => {
    const number = fc.double({ min: -5000, max: 5000, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.record({ x: number, y: number, u: number, v: number }), { maxLength: 7 }), (given) => {
        const points = usePhotoPoints();
        points.pairs.value = given;
        const { matrix, problem: why, residuals } = points.lies.value;
        if (given.length >= 4) expect((matrix === null) !== (why === null)).toBe(true);
        for (const value of [...(matrix ?? []), ...residuals]) expect(Number.isFinite(value)).toBe(true);
      }),
    );
  });
});

describe('a picture on its way', () => {
  it('goes with its place, and with when it was taken, never later than now', async () => {
    const server = new FakeServer();
    const paths: string[] = [];
    vi.stubGlobal(
      'fetch',
      vi.fn((path: string) => {
        paths.push(path);
        return Promise.resolve(new Response(JSON.stringify(photo())));
      }),
    );
    const file = new File(['x'], 'sill.jpg', { lastModified: Date.now() + 1e9 });
    await sendPhoto('v', file, { panel: 'sill-l', layer: 'outer', u: 200, v: null, note: 'a & b' });
    const query = new URLSearchParams(paths[0]!.split('?')[1]);
    expect(Object.fromEntries(query)).toMatchObject({ panel: 'sill-l', layer: 'outer', u: '200', note: 'a & b' });
    expect(query.has('v')).toBe(false);
    expect(Date.parse(query.get('takenAt')!)).toBeLessThanOrEqual(Date.now() + 2000);
    expect(server.sent).toEqual([]);
  });

  it('is refused before it is sent where it is too large', async () => {
    const server = new FakeServer();
    const big = new File(['x'], 'huge.tif');
    Object.defineProperty(big, 'size', { value: LARGEST_PHOTO + 1 });
    await expect(sendPhoto('v', big, { panel: null, layer: null, u: null, v: null, note: '' })).rejects.toThrow(
      /huge\.tif has \d+ MB; at most/,
    );
    expect(server.sent).toEqual([]);
  });
});

describe('the page of one picture', () => {
  let server: FakeServer;
  beforeEach(() => {
    server = new FakeServer()
      .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
      .on('GET /vehicles/v/photos', [photo()]);
  });
  const open = () => openPage(PhotoPage, { id: 'v', photo: 'f' });

  it('keeps its place on the panel with the known points, by the version that was seen', async () => {
    server.on('GET /vehicles/v/photos', [photo({ pairs })]).on('PUT /vehicles/v/photos/f', {});
    const { page } = await open();
    await button(page, /^Save|^Keep/).trigger('click');
    await flushPromises();
    expect(server.to('PUT /vehicles/v/photos/f')[0]).toMatchObject({
      panel: 'sill-l',
      layer: 'outer',
      u: 200,
      v: 60,
      note: 'before the strip',
      pairs,
      version: 2,
    });
  });

  it('keeps marks and words when the server comes back, and when somebody else has saved; saving again is meant', async () => {
    const { page } = await open();
    await field(page, 'Note').setValue('mine');
    server.on('GET /vehicles/v/photos', [photo({ note: 'theirs', version: 5 })]);
    useConnection().note(false);
    useConnection().note(true);
    await flushPromises();
    const note = () => (field(page, 'Note').element as HTMLInputElement).value;
    expect(note()).toBe('mine');
    server.on('PUT /vehicles/v/photos/f', (body) =>
      body['version'] === 5
        ? {}
        : problem('conflict', 'changed', 409, { current: photo({ note: 'theirs', version: 5 }) }),
    );
    await button(page, /^Save|^Keep/).trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Saving again keeps what stands here');
    expect(note()).toBe('mine');
    await button(page, /^Save|^Keep/).trigger('click');
    await flushPromises();
    expect(server.to('PUT /vehicles/v/photos/f').map(({ note, version }) => [note, version])).toEqual([
      ['mine', 2],
      ['mine', 5],
    ]);
  });

  it('says that a picture is gone instead of showing an empty page', async () => {
    server.on('GET /vehicles/v/photos', []);
    const { page } = await open();
    expect(page.get('[role=alert]').text()).toContain('This picture does not exist any more');
  });

  it('shows a refusal and keeps what was written', async () => {
    server.on('PUT /vehicles/v/photos/f', () =>
      problem('invalid', 'note has 700 characters; shorten it to 500.', 422, { field: 'note' }),
    );
    const { page } = await open();
    await field(page, 'Note').setValue('words');
    await button(page, /^Save|^Keep/).trigger('click');
    await flushPromises();
    expect(page.text()).toContain('shorten it to 500');
    expect((field(page, 'Note').element as HTMLInputElement).value).toBe('words');
  });
});

describe('all pictures of a car', () => {
  let server: FakeServer;
  beforeEach(() => {
    server = new FakeServer()
      .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
      .on('GET /vehicles/v/photos', [
        photo(),
        photo({ id: 'g', panel: null, note: '' }),
        photo({ id: 'h', panel: 'roof' }),
      ]);
  });

  it('stand newest first, pinned or not, and can be held to one panel', async () => {
    const { page } = await openPage(PhotosPage, { id: 'v' });
    expect(page.get('h1').text()).toBe('Pictures, 3');
    const links = () => page.findAll('main li a').map((link) => link.attributes('href'));
    expect(links()).toEqual(['h', 'g', 'f'].map((id) => `/vehicles/v/photos/${id}`));
    expect(page.text()).toContain('not pinned');
    await page.get('select[aria-label=Panel]').setValue('roof');
    expect(links()).toEqual(['/vehicles/v/photos/h']);
  });

  it('open by one tap, and with a held key as the browser does it', async () => {
    const { page, router } = await openPage(PhotosPage, { id: 'v' });
    await page.get('main li img').trigger('click', { ctrlKey: true });
    await flushPromises();
    expect(router.currentRoute.value.path).toBe('/');
    await page.get('main li img').trigger('click');
    await flushPromises();
    expect(router.currentRoute.value.path).toBe('/vehicles/v/photos/h');
  });

  it('take what was dropped; one that is refused is named and does not keep the others back', async () => {
    server.on('GET /vehicles/v/photos', []);
    const { page } = await openPage(PhotosPage, { id: 'v' });
    expect(page.text()).toContain('None yet.');
    let count = 0;
    vi.stubGlobal(
      'fetch',
      vi.fn((_path: string, init: RequestInit) => {
        if (init.method !== 'POST') return Promise.resolve(new Response('[]'));
        return Promise.resolve(
          ++count === 2
            ? problem('not-a-picture', 'This file is not a picture.', 415)
            : new Response(JSON.stringify(photo())),
        );
      }),
    );
    const files = ['a.jpg', 'b.txt', 'c.jpg'].map((name) => new File(['x'], name));
    await page.get('main').trigger('drop', { dataTransfer: { files } });
    await flushPromises();
    await flushPromises();
    expect(count).toBe(3);
    expect(page.get('[role=alert]').text()).toBe('b.txt: This file is not a picture.');
  });
});

describe('before and after', () => {
  it('lays both over the panel and draws the edge where the slider stands', async () => {
    const { matrix } = rectifyPhoto({ pairs, points: [] });
    const both = [photo({ pairs, matrix }), photo({ id: 'g', pairs, matrix, takenAt: '2026-03-09T10:00:00.000Z' })];
    const page = mount(BeforeAfter, { props: { vehicle: 'v', panel, photos: both } });
    expect(page.get('svg').attributes('aria-label')).toMatch(/3 Feb.* and .*9 Mar/);
    const edge = () => Number(/M([\d.-]+) /.exec(page.get('.edge').attributes('d')!)![1]);
    const middle = edge();
    expect(middle).toBeCloseTo(250, 6);
    await page.get('input[type=range]').setValue('100');
    expect(edge()).toBeGreaterThan(400);
    expect(page.findAll('select')[0]!.findAll('option')).toHaveLength(2);
  });
});
