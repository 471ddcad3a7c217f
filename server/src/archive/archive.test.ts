import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import archiver from 'archiver';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { weldDefaults } from '@aspecta/contract/weld';
import { ON_SILL, decided, houseWithCar, ownerOf, reading, vehicleOf, type Visitor } from '../testing/house.ts';
import { familyOf } from './family.ts';
import { rowsOf, type Rows } from './out.ts';
import { readArchive, type Archive } from './read.ts';

const here = houseWithCar();

/** A car in mid-job: readings, a picture, a decision with joints, welds, an order, coats of words and steps. */
async function carInWork(owner: Visitor): Promise<string> {
  const car = await vehicleOf(owner);
  await owner
    .post(`/vehicles/${car}/readings`, { readings: [reading(), reading({ u: 500, metalMm: 0.7 })] })
    .expect(201);
  const repair = await decided(owner, car, 'patch', ON_SILL);
  await owner.put(`/repairs/${repair.id}/weld`, { ...weldDefaults, version: 0 }).expect(200);
  await owner
    .post('/orders', {
      vehicleId: car,
      panel: 'roof',
      maker: 'Harrow',
      price: 1,
      quantity: 1,
      carriage: 0,
      due: null,
      note: '',
    })
    .expect(201);
  await owner
    .put(`/vehicles/${car}/job/said`, {
      ...{ step: `${repair.id} open`, state: 'done', reason: '', until: null, notBefore: null, hours: null, spent: 2 },
    })
    .expect(200);
  await owner.put(`/vehicles/${car}/plan/wish`, { promised: '2030-01-01', outdoors: true, version: 0 }).expect(200);
  const picture = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#884422' } })
    .jpeg()
    .toBuffer();
  const told = new URLSearchParams({ id: randomUUID(), takenAt: '2026-03-01T10:00:00Z', note: 'Before' });
  await owner.agent
    .post(`/api/vehicles/${car}/photos?${told.toString()}`)
    .set('x-aspecta-csrf', owner.csrf)
    .set('content-type', 'application/octet-stream')
    .send(picture)
    .expect(201);
  return car;
}
const out = async (owner: Visitor, car: string) =>
  (
    await owner
      .get(`/vehicles/${car}/archive.zip`)
      .buffer(true)
      .parse(whole as never)
      .expect(200)
  ).body as Buffer;
/** All bytes of an answer, whatever they are. */
const whole = (answer: NodeJS.ReadableStream, done: (error: Error | null, body: Buffer) => void) => {
  const chunks: Buffer[] = [];
  answer.on('data', (chunk: Buffer) => chunks.push(chunk));
  answer.on('end', () => done(null, Buffer.concat(chunks)));
};
const folder = mkdtempSync(join(tmpdir(), 'archive-test-'));
const readBytes = (zip: Buffer) => {
  const file = join(folder, randomUUID());
  writeFileSync(file, zip);
  return readArchive(file);
};
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const send = (owner: Visitor, zip: Buffer) =>
  owner.agent
    .post('/api/archive/import')
    .set('x-aspecta-csrf', owner.csrf)
    .set('content-type', 'application/zip')
    .send(zip);
/** Rows without the names that every house gives anew: ids by the order in which they come, files of pictures, the shop. */
function plain(rows: Rows): unknown {
  const order = new Map<string, number>();
  const { event: _event, ...rest } = rows;
  const sorted = Object.fromEntries(
    Object.entries(rest).map(([name, list]) => [
      name,
      list
        .map((row) =>
          Object.fromEntries(Object.entries(row).filter(([key]) => !['shopId', 'file', 'revision'].includes(key))),
        )
        .sort((a, b) => shape(a).localeCompare(shape(b))),
    ]),
  );
  return JSON.parse(
    JSON.stringify(sorted).replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, (id) => {
      if (!order.has(id)) order.set(id, order.size);
      return `#${order.get(id)}`;
    }),
  );
}
const shape = (row: object) => JSON.stringify(row).replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, '');
const zipOf = async (files: Record<string, string | Buffer>): Promise<Buffer> => {
  const zip = archiver('zip');
  for (const [name, content] of Object.entries(files)) zip.append(content, { name });
  const chunks: Buffer[] = [];
  zip.on('data', (chunk: Buffer) => chunks.push(chunk));
  await zip.finalize();
  return Buffer.concat(chunks);
};

describe('a car as an archive', () => {
  it('goes into another shop and is the same there, row by row and pixel by pixel', async () => {
    const car = await carInWork(here.owner);
    const zip = await out(here.owner, car);
    const other = await ownerOf(here.house, 'Another shop');
    const [id] = ((await send(other, zip).expect(201)).body as { ids: [string] }).ids;
    expect(id).not.toBe(car);
    const rows = async (of: Visitor, vehicle: string) => {
      const { shopId } = (await here.house.db.query('SELECT shopId FROM vehicle WHERE id = ?', [vehicle]))[0] as {
        shopId: string;
      };
      void of;
      return rowsOf(here.house.db, { id: vehicle, planId: 'saloon', shopId });
    };
    const [before, after] = [await rows(here.owner, car), await rows(other, id)];
    expect(plain(after)).toEqual(plain(before));
    for (const kind of ['reading', 'zone', 'repair', 'weld', 'order_line', 'step_word', 'plan_wish', 'photo', 'event'])
      expect(before[kind]!.length, kind).toBeGreaterThan(0);
    // What people said of steps goes with the repair that they are of.
    const step = String(after['step_word']![0]!['step']);
    expect(step.startsWith(String(after['repair']![0]!['id']))).toBe(true);
    const photo = (await other.get(`/vehicles/${id}/photos`).expect(200)).body[0] as { id: string };
    const pixels = async (of: Visitor, vehicle: string, picture: string) =>
      (
        await of
          .get(`/vehicles/${vehicle}/photos/${picture}/picture`)
          .buffer(true)
          .parse(whole as never)
          .expect(200)
      ).body as Buffer;
    const first = (await here.owner.get(`/vehicles/${car}/photos`)).body[0] as { id: string };
    expect(await pixels(other, id, photo.id)).toEqual(await pixels(here.owner, car, first.id));
    // Nothing of the first shop is seen in the second, and the job goes on there.
    await other.get(`/vehicles/${car}`).expect(404);
    await other.get(`/vehicles/${id}/job`).expect(200);
    // Taken in twice, it is there twice.
    await send(other, zip).expect(201);
    expect((await other.get('/vehicles').expect(200)).body).toHaveLength(2);
  });

  it('knows every kind of row that hangs on a car, but for rights and clocks', () => {
    const family = familyOf(here.house.db).map(({ name }) => name);
    const hang = here.house.db.entityMetadatas.filter(({ columns }) =>
      columns.some(({ propertyName }) => ['vehicleId', 'repairId'].includes(propertyName)),
    );
    const left = hang.map(({ tableName }) => tableName).filter((name) => !family.includes(name));
    expect(left.sort()).toEqual(['guest', 'share_link', 'step_clock']);
  });

  it.each([
    ['no ZIP', async () => Buffer.from('PK nonsense'), /no ZIP, or was cut off/],
    ['an empty ZIP', () => zipOf({ 'read me.txt': 'hello' }), /no car.json/],
    ['broken JSON', () => zipOf({ 'car.json': '{"format":' }), /broken/],
    [
      'another kind of file',
      () => zipOf({ 'car.json': '{"format":"else","version":1,"rows":{}}' }),
      /no car of Aspecta/,
    ],
    [
      'a newer version',
      () => zipOf({ 'car.json': '{"format":"aspecta-car","version":99,"rows":{}}' }),
      /newer version/,
    ],
    [
      'two cars',
      () => zipOf({ 'car.json': JSON.stringify({ format: 'aspecta-car', version: 1, rows: { vehicle: [{}, {}] } }) }),
      /one car/,
    ],
  ])('is refused where it is %s, in words', async (_, zip, words) => {
    const { body } = await send(here.owner, await zip()).expect(422);
    expect(body).toMatchObject({ field: 'archive', detail: expect.stringMatching(words) });
  });

  it('takes nothing in that hangs on another car, has strange columns or lacks a picture; nothing is left of it', async () => {
    const car = await carInWork(here.owner);
    const zip = await out(here.owner, car);
    const read = (await readBytes(zip)).cars[0]!;
    const again = (change: (rows: Rows) => void, pictures = true) => {
      const rows = JSON.parse(JSON.stringify(read.rows)) as Rows;
      change(rows);
      return Promise.all(
        rows['photo']!.flatMap(({ file }) =>
          [`${String(file)}.jpg`, `${String(file)}-small.jpg`].map(
            async (name) => [`pictures/${name}`, (await read.picture(name))!] as const,
          ),
        ),
      ).then((files) =>
        zipOf({
          'car.json': JSON.stringify({ format: 'aspecta-car', version: 1, car: 'x', rows }),
          ...(pictures ? Object.fromEntries(files) : {}),
        }),
      );
    };
    const count = async () => ((await here.owner.get('/vehicles')).body as unknown[]).length;
    const before = await count();
    const tries: [Buffer, RegExp][] = [
      [await again((rows) => (rows['zone']![0]!['vehicleId'] = here.vehicle)), /not in this archive/],
      [await again((rows) => (rows['zone']![0]!['admin'] = true)), /not known: admin/],
      [await again((rows) => (rows['person'] = [{ id: randomUUID() }])), /kind that is not known: person/],
      [await again(() => undefined, false), /picture of this car is missing/],
      [await again((rows) => (rows['vehicle']![0]!['planId'] = 'zeppelin')), /body that this car is mapped on/],
      [zip.subarray(0, zip.length - 200), /cut off/],
    ];
    for (const [bytes, words] of tries) expect((await send(here.owner, bytes).expect(422)).body.detail).toMatch(words);
    expect(await count()).toBe(before);
    await send(here.owner, await again(() => undefined)).expect(201);
  });

  it('goes out with all the others of the shop in one ZIP, and in with them; one that is refused is named', async () => {
    const owner = await ownerOf(here.house, 'Moving house');
    await owner.get('/archive/cars.zip').expect(422);
    const [first, second] = [await carInWork(owner), await carInWork(owner)];
    const all = (
      await owner
        .get('/archive/cars.zip')
        .buffer(true)
        .parse(whole as never)
        .expect(200)
    ).body as Buffer;
    const other = await ownerOf(here.house, 'A new house');
    const { ids } = (await send(other, all).expect(201)).body as { ids: string[] };
    expect(ids).toHaveLength(2);
    for (const [i, car] of [first, second].entries()) {
      const rows = (of: string) => rowsOf(here.house.db, { id: of, planId: 'saloon', shopId: '' });
      expect(plain(await rows(ids[i]!))).toEqual(plain(await rows(car)));
    }
    // A second one without its pictures: the first is here, the second is not, and both are told by name.
    const { cars } = await readBytes(all);
    const told = (car: Archive) => JSON.stringify({ format: 'aspecta-car', version: 1, car: car.car, rows: car.rows });
    const bare = { ...cars[0]!, car: 'Bare', rows: { ...cars[0]!.rows, photo: [] } };
    const zip = await zipOf({ '1/car.json': told(bare), '2/car.json': told({ ...cars[1]!, car: 'Lost' }) });
    const { body } = await send(other, zip).expect(422);
    expect(body.detail).toMatch(
      /^Lost: A picture of this car is missing.*Taken in before it: Bare; not looked at: none/,
    );
    expect((await other.get('/vehicles')).body).toHaveLength(3);
    await (await ownerOf(here.house, 'Nobody here')).get('/archive/cars.zip').expect(422);
  });

  it('nothing, and more than can be taken, is said; what was sent leaves no file behind', async () => {
    const left = () => readdirSync(tmpdir()).filter((name) => /^archive-\w{6}$/.test(name));
    const before = left();
    expect((await send(here.owner, Buffer.alloc(0)).expect(422)).body.detail).toMatch(/Send the ZIP/);
    await send(here.owner, Buffer.from('no ZIP')).expect(422);
    const huge = here.owner.agent.post('/api/archive/import').set('x-aspecta-csrf', here.owner.csrf);
    expect((await huge.set('content-length', '600000000').send('x').expect(413)).body.detail).toMatch(/at most 500 MB/);
    expect(left()).toEqual(before);
  });

  it('is for people of the shop: a stranger finds no car, and nobody else takes one in', async () => {
    const stranger = await ownerOf(here.house, 'Strangers to an archive');
    await stranger.get(`/vehicles/${here.vehicle}/archive.zip`).expect(404);
  });
});
