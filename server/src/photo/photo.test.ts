import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { PhotoView } from '@aspecta/contract/survey';
import { houseWithCar, ownerOf } from '../testing/house.ts';

const here = houseWithCar();

const picture = (width = 640, height = 480, shade = 90) =>
  sharp({ create: { width, height, channels: 3, background: { r: shade, g: 80, b: 60 } } })
    .jpeg()
    .withExif({ IFD0: { Copyright: 'me' }, IFD3: { GPSLatitude: '52/1 31/1 0/1', GPSLatitudeRef: 'N' } })
    .toBuffer();
const send = (bytes: Buffer | string, query: Record<string, string> = {}) => {
  const told = new URLSearchParams({ id: randomUUID(), takenAt: '2026-03-01T10:00:00Z', ...query });
  return here.owner.agent
    .post(`/api/vehicles/${here.vehicle}/photos?${told.toString()}`)
    .set('x-aspecta-csrf', here.owner.csrf)
    .set('content-type', 'application/octet-stream')
    .send(bytes);
};
const bytesOf = async (id: string, small = false) =>
  (
    await here.owner
      .get(`/vehicles/${here.vehicle}/photos/${id}/picture${small ? '?small=1' : ''}`)
      .buffer(true)
      .expect(200)
  ).body as Buffer;

describe('pictures', () => {
  it('are kept without the place where they were taken, and pinned to place, layer and date', async () => {
    const original = await picture();
    expect((await sharp(original).metadata()).exif).toBeDefined();
    const { body } = await send(original, {
      panel: 'quarter-l',
      layer: 'outer',
      u: '700',
      v: '450',
      note: 'Before',
    }).expect(201);
    expect(body).toMatchObject({
      panel: 'quarter-l',
      u: 700,
      note: 'Before',
      width: 640,
      height: 480,
      takenAt: '2026-03-01T10:00:00.000Z',
    });
    expect((await sharp(await bytesOf(body.id)).metadata()).exif).toBeUndefined();
    expect((await sharp(await bytesOf(body.id, true)).metadata()).width).toBe(360);
  });

  it('are scaled to 2,400 px, and the same one is kept once', async () => {
    const large = await picture(4000, 3000, 120);
    const { body: first } = await send(large).expect(201);
    expect([first.width, first.height]).toEqual([2400, 1800]);
    const { body: second } = await send(large).expect(201);
    expect(second.id).toBe(first.id);
  });

  it.each([
    [
      'text that calls itself a picture',
      () => Promise.resolve(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')),
      415,
      /no JPEG, PNG or WebP/,
    ],
    ['a picture that is cut off', async () => (await picture(800, 600)).subarray(0, 1200), 415, /broken/],
    ['nothing', () => Promise.resolve(Buffer.alloc(0)), 415, /no JPEG/],
    [
      '64 million pixels',
      () =>
        sharp({ create: { width: 8000, height: 8000, channels: 3, background: 'grey' } })
          .png({ compressionLevel: 1 })
          .toBuffer(),
      413,
      /64 million pixels/,
    ],
  ])('refuse %s, and keep what is there', async (_what, make, status, message) => {
    const before = (await here.owner.get(`/vehicles/${here.vehicle}/photos`)).body as PhotoView[];
    const { body } = await send(await make()).expect(status);
    expect(body.detail).toMatch(message);
    expect((await here.owner.get(`/vehicles/${here.vehicle}/photos`)).body).toHaveLength(before.length);
  });

  it('lie true to size once four points are known, with their error', async () => {
    const { body: photo } = await send(await picture(640, 480, 30), { panel: 'roof', layer: 'outer' }).expect(201);
    const pairs = [
      { x: 100, y: 400, u: 200, v: 200 },
      { x: 500, y: 390, u: 500, v: 200 },
      { x: 480, y: 90, u: 500, v: 400 },
      { x: 120, y: 80, u: 200, v: 400 },
      { x: 300, y: 240, u: 353, v: 300 },
    ];
    const change = { panel: 'roof', layer: 'outer', u: null, v: null, note: '', pairs, version: 1 };
    const { body } = await here.owner.put(`/vehicles/${here.vehicle}/photos/${photo.id}`, change).expect(200);
    expect(body.matrix).toHaveLength(9);
    expect(body.rms).toBeGreaterThan(0);
    expect(body.worst).toBeGreaterThanOrEqual(body.rms);
    await here.owner.put(`/vehicles/${here.vehicle}/photos/${photo.id}`, { ...change, note: 'x' }).expect(409);
    const line = pairs.map((pair, i) => ({ ...pair, y: 100, x: 50 * i }));
    const { body: refused } = await here.owner
      .put(`/vehicles/${here.vehicle}/photos/${photo.id}`, { ...change, pairs: line, version: 2 })
      .expect(422);
    expect(refused).toMatchObject({ field: 'pairs', detail: expect.stringMatching(/one line/) });
    expect((await here.owner.get(`/vehicles/${here.vehicle}/photos?panel=roof`)).body[0].pairs).toEqual(pairs);
  });

  it('keep what was stroked on them, as long as they lie on a panel', async () => {
    const { body: photo } = await send(await picture(640, 480, 44), { panel: 'roof', layer: 'outer' }).expect(201);
    const pairs = [
      { x: 100, y: 400, u: 200, v: 200 },
      { x: 500, y: 400, u: 500, v: 200 },
      { x: 500, y: 100, u: 500, v: 400 },
      { x: 100, y: 100, u: 200, v: 400 },
    ];
    const region = {
      what: 'rust',
      parts: [
        [
          [
            [210, 210],
            [260, 210],
            [260, 250],
          ],
        ],
      ],
    };
    const change = (over: object, version: number) =>
      here.owner.put(`/vehicles/${here.vehicle}/photos/${photo.id}`, {
        ...{ panel: 'roof', layer: 'outer', u: null, v: null, note: '', pairs, region, version },
        ...over,
      });
    expect((await change({}, 1).expect(200)).body.region).toEqual(region);
    expect((await change({ pairs: [] }, 2).expect(200)).body.region).toBeNull();
    const { body: refused } = await change({ region: { what: 'moss', parts: [] } }, 3).expect(422);
    expect(refused.field).toBe('region.what');
  });

  it('can be removed and brought back, and are nobody else’s', async () => {
    const { body: photo } = await send(await picture(300, 200, 200)).expect(201);
    const stranger = await ownerOf(here.house, 'Elsewhere');
    await stranger.get(`/vehicles/${here.vehicle}/photos/${photo.id}/picture`).expect(404);
    await here.owner.delete(`/vehicles/${here.vehicle}/photos/${photo.id}`).expect(204);
    await here.owner.get(`/vehicles/${here.vehicle}/photos/${photo.id}/picture`).expect(404);
    await here.owner.post(`/vehicles/${here.vehicle}/photos/${photo.id}/restore`).expect(204);
    await here.owner.get(`/vehicles/${here.vehicle}/photos/${photo.id}/picture`).expect(200);
  });

  it('refuse a pin off the panel and a date that is none', async () => {
    expect(
      (await send(await picture(), { panel: 'roof', layer: 'outer', u: '9000', v: '1' }).expect(422)).body.field,
    ).toBe('u');
    expect((await send(await picture(), { takenAt: 'yesterday' }).expect(422)).body.field).toBe('takenAt');
  });
});
