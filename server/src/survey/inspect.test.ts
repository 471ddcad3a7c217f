import { randomUUID } from 'node:crypto';
import ExcelJS from 'exceljs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LearntView, WalkView, ZoneView } from '@aspecta/contract/survey';
import { openHouse, ownerOf, reading, vehicleOf, zoneInput, type House, type Visitor } from '../testing/house.ts';

let house: House;
let owner: Visitor;
let stranger: Visitor;
let vehicle: string;
beforeAll(async () => {
  house = await openHouse();
  owner = await ownerOf(house);
  stranger = await ownerOf(house, 'Another shop');
  vehicle = await vehicleOf(owner);
});
afterAll(() => house.close());

const find = (over: object = {}) => ({
  id: randomUUID(),
  panel: 'roof',
  layer: 'outer',
  u: 500,
  v: 500,
  sign: 'blister',
  ...over,
});
const on = (path: string) => `/vehicles/${vehicle}${path}`;

describe('walk-round and finds', () => {
  it('remember what was looked at, skipped and found; risky places count for more', async () => {
    const before = (await owner.get(on('/walk')).expect(200)).body as WalkView;
    expect(before.coverage).toBe(0);
    const [first, second] = before.places;
    await owner.post(on('/walk'), { place: first!.id, state: 'looked' }).expect(200);
    const seen = (await owner.post(on('/walk'), { place: second!.id, state: 'skipped' }).expect(200)).body as WalkView;
    expect(seen.places.map((place) => place.state).slice(0, 3)).toEqual(['looked', 'skipped', 'open']);
    expect(seen.coverage).toBeCloseTo(first!.risk / before.places.reduce((sum, place) => sum + place.risk, 0), 9);
    const { panel, layer, at, id } = first!;
    await owner.post(on('/finds'), find({ panel, layer, u: at[0], v: at[1], sign: 'hole', place: id })).expect(201);
    const { body } = await owner.get(on('/walk')).expect(200);
    expect((body as WalkView).places[0]).toMatchObject({ finds: 1, by: 'Owner Test' });
    await owner.post(on('/walk'), { place: first!.id, state: 'open' }).expect(200);
    await owner.post(on('/walk'), { place: 'nowhere/at-all', state: 'looked' }).expect(404);
  });

  it('are changed, closed with how they were cured, and opened again', async () => {
    const { body: one } = await owner.post(on('/finds'), find({ sign: 'blister', note: 'small' })).expect(201);
    expect(one).toMatchObject({ version: 1, closed: null });
    const change = (over: object, version: number) =>
      owner.put(on(`/finds/${one.id}`), { sign: 'hole', note: 'through by now', closed: null, version, ...over });
    const { body: worse } = await change({}, 1).expect(200);
    expect(worse).toMatchObject({ sign: 'hole', note: 'through by now', version: 2, at: one.at, by: one.by });
    // The same change again, because its answer was lost, is done once; another one on the old version is not.
    await change({}, 1).expect(200);
    const { body: other } = await change({ note: 'mine' }, 1).expect(409);
    expect(other.current).toMatchObject({ version: 2, note: 'through by now' });
    const cured = { note: 'Welded up and coated', photoId: null };
    const { body: closed } = await change({ closed: cured }, 2).expect(200);
    expect(closed.closed).toMatchObject({ ...cured, by: 'Owner Test', at: expect.stringMatching(/^20/) });
    const { finds } = (await owner.get(on('/walk')).expect(200)).body as WalkView;
    expect(finds.at(-1)!.id).toBe(one.id);
    // Said anew by nobody: whoever closed it stays the one who did.
    const { body: kept } = await change({ closed: cured, note: 'x' }, 3).expect(200);
    expect(kept.closed).toEqual(closed.closed);
    const { body: again } = await change({}, 4).expect(200);
    expect(again).toMatchObject({ closed: null, version: 5 });
    const { body: refused } = await change({ closed: { note: ' ', photoId: null } }, 5).expect(422);
    expect(refused.field).toBe('closed.note');
    await owner.post(on(`/finds/${one.id}/remove`)).expect(204);
    await change({}, 5).expect(404);
  });

  it('put load-bearing finds first, and store one that is sent twice once', async () => {
    const one = find({ sign: 'filler' });
    await Promise.all([1, 2, 3].map(() => owner.post(on('/finds'), one).expect(201)));
    await owner.post(on('/finds'), find({ panel: 'sill-l', u: 300, v: 60, sign: 'flash-rust' })).expect(201);
    const { finds } = (await owner.get(on('/walk')).expect(200)).body as WalkView;
    expect(finds.filter((entry) => entry.id === one.id)).toHaveLength(1);
    expect(finds.findIndex((entry) => !entry.structural)).toBeGreaterThan(
      finds.findLastIndex((entry) => entry.structural) - 1,
    );
    await owner.post(on(`/finds/${one.id}/remove`)).expect(204);
    expect((await owner.get(on('/panels/roof/finds'))).body).toHaveLength(0);
    await owner.post(on(`/finds/${one.id}/restore`)).expect(204);
    expect((await owner.get(on('/panels/roof/finds'))).body).toHaveLength(1);
  });

  it.each([
    [{ sign: 'magic' }, 'sign'],
    [{ u: 9000 }, 'u'],
    [{ layer: 'under' }, 'layer'],
    [{ note: 'x'.repeat(501) }, 'note'],
  ])('refuse %o at its field', async (over, field) => {
    expect((await owner.post(on('/finds'), find(over)).expect(422)).body.field).toBe(field);
  });

  it('are nobody else’s', async () => {
    await stranger.get(on('/walk')).expect(404);
    await stranger.post(on('/finds'), find()).expect(404);
    await stranger.get(on('/panels/roof/finds')).expect(404);
  });
});

describe('pits', () => {
  const pit = (over: object = {}) => ({
    id: randomUUID(),
    panel: 'boot-floor',
    layer: 'outer',
    u: 300,
    v: 300,
    side: 60,
    depth: 0.2,
    ...over,
  });
  it('say nothing before three patches, then how deep the deepest is', async () => {
    const { body: two } = await owner.post(on('/pits'), pit()).expect(201);
    expect(two).toMatchObject({ result: null, why: expect.stringMatching(/2 more patches/) });
    await owner.post(on('/pits'), pit({ u: 400, depth: 0.31, pits: 12, mouth: 3 })).expect(201);
    const { body } = await owner.post(on('/pits'), pit({ u: 500, depth: 0.25 })).expect(201);
    expect(body.result.deepestExpected).toBeGreaterThan(0.31);
    expect(body.rating.text).toMatch(/^A-\d, B-\d, C-\d$/);
  });
  it.each([
    [{ side: 40 }, 'side', /60 mm wide/],
    [{ depth: 2 }, 'depth', /deeper than the sheet/],
    [{ depth: -1 }, 'depth', /at least 0/],
    [{ pits: 0 }, 'pits', /at least 1/],
  ])('refuse %o', async (over, field, message) => {
    const { body } = await owner.post(on('/pits'), pit(over)).expect(422);
    expect(body).toMatchObject({ field, detail: expect.stringMatching(message) });
  });
});

describe('zones', () => {
  const square = (u: number, v: number, size: number) => [
    [u, v],
    [u + size, v],
    [u + size, v + size],
    [u, v + size],
  ];
  const draw = async (over: object) =>
    (await owner.post(on('/zones'), zoneInput({ panel: 'wing-l', ...over })).expect(201)).body as ZoneView;

  it('follow the evidence inside them, or say why not', async () => {
    await owner
      .post(on('/readings'), { readings: [reading({ panel: 'door-skin-l', u: 500, v: 250, metalMm: 0 })] })
      .expect(201);
    const input = zoneInput({ panel: 'door-skin-l', ring: square(450, 200, 100), class: 'pitted' });
    const { body } = await owner.post(on('/zones'), input).expect(422);
    expect(body).toMatchObject({
      field: 'overruled',
      code: 'class-overruled',
      detail: expect.stringMatching(/rusted through.*hole/),
    });
    await owner.post(on('/zones'), { ...input, overruled: 'The probe slipped through a drain hole' }).expect(201);
    await owner
      .post(on('/zones'), zoneInput({ panel: 'door-skin-l', ring: square(450, 200, 100), class: 'through' }))
      .expect(201);
  });

  it('may have sound islands, which do not count', async () => {
    const zone = await draw({ ring: square(300, 480, 100), holes: [square(320, 500, 40)], class: 'thin' });
    expect(zone.area).toBeCloseTo(10_000 - 1600, 0);
    expect(zone.distances.edge).toBeGreaterThan(0);
    const bad = zoneInput({ panel: 'wing-l', ring: square(300, 480, 50), holes: [square(340, 500, 40)] });
    expect((await owner.post(on('/zones'), bad).expect(422)).body.field).toBe('holes[0]');
  });

  it('are merged, taken out of each other and split, all of it or nothing', async () => {
    const a = await draw({ ring: square(600, 450, 80), class: 'thin' });
    const b = await draw({ ring: square(660, 450, 80), class: 'thin' });
    const merged = (
      await owner
        .post(on('/zones/operate'), { op: 'merge', zone: a.id, version: 1, other: b.id, otherVersion: 1 })
        .expect(200)
    ).body;
    expect(merged.removed).toEqual([b.id]);
    expect(merged.changed[0].area).toBeCloseTo(140 * 80, 0);
    const split = (
      await owner
        .post(on('/zones/operate'), {
          op: 'split',
          zone: a.id,
          version: 2,
          line: [
            [590, 490],
            [760, 490],
          ],
        })
        .expect(200)
    ).body;
    expect(split.changed[0].area + split.added[0].area).toBeCloseTo(140 * 80, 0);
    const late = await owner
      .post(on('/zones/operate'), { op: 'subtract', zone: a.id, version: 2, other: split.added[0].id, otherVersion: 1 })
      .expect(409);
    expect(late.body.current).toMatchObject({ id: a.id, version: 3 });
    const far = await draw({ ring: square(900, 300, 60), class: 'thin' });
    const apart = await owner
      .post(on('/zones/operate'), { op: 'merge', zone: a.id, version: 3, other: far.id, otherVersion: 1 })
      .expect(422);
    expect(apart.body).toMatchObject({ field: 'other', detail: expect.stringMatching(/do not touch/) });
    expect((await owner.get(on('/panels/wing-l/zones'))).body.map((zone: ZoneView) => zone.id)).toContain(far.id);
  });

  it('keep what showed, what was predicted and what was found, and the shop learns from it', async () => {
    const seen = await draw({ panel: 'quarter-r', ring: square(500, 100, 40), class: 'pitted', evidence: 'blister' });
    const {
      id: _id,
      panel: _panel,
      area: _area,
      share: _share,
      distances: _d,
      changedAt: _at,
      changedBy: _by,
      ...body
    } = seen;
    await owner
      .put(on(`/zones/${seen.id}`), { ...body, ring: square(450, 100, 160), class: 'through', evidence: 'opened' })
      .expect(200);
    const { body: extents } = await owner.get(on('/panels/quarter-r/extents')).expect(200);
    expect(extents[0]).toMatchObject({
      evidence: 'blister',
      foundBy: 'opened',
      seen: expect.closeTo(1600, 0),
      found: expect.closeTo(25_600, 0),
    });
    expect(extents[0].predicted50).toBeCloseTo(6 * 1600, 0);
    const learnt = (await owner.get('/learnt').expect(200)).body as LearntView[];
    const blister = learnt.find((entry) => entry.evidence === 'blister')!;
    expect(blister.cases).toHaveLength(1);
    expect(blister.factor).toBeCloseTo(Math.exp(Math.log(25_600 / 9600) / 5), 6);
    const all = async () => (await owner.get('/learnt').expect(200)).body as LearntView[];
    const forgotten = (await owner.delete('/learnt').expect(200)).body as LearntView[];
    expect(forgotten.every(({ cases, since }) => cases.length === 0 && since !== null)).toBe(true);
    expect((await all()).find((entry) => entry.evidence === 'blister')!.factor).toBe(1);
    expect(
      (await stranger.get('/learnt')).body.find((entry: LearntView) => entry.evidence === 'blister').cases,
    ).toEqual([]);
  });
});

describe('readings in and out', () => {
  const send = (bytes: Buffer | string, store: boolean, to = vehicle) =>
    owner.agent
      .post(`/api/vehicles/${to}/readings/import${store ? '?store=1' : ''}`)
      .set('x-aspecta-csrf', owner.csrf)
      .set('content-type', 'application/octet-stream')
      .send(bytes);
  const download = async (format: string, of = vehicle) =>
    (
      await owner
        .get(`/vehicles/${of}/readings.${format}`)
        .buffer(true)
        .parse((response, done) => {
          const chunks: Buffer[] = [];
          response.on('data', (chunk: Buffer) => chunks.push(chunk));
          response.on('end', () => done(null, Buffer.concat(chunks)));
        })
        .expect(200)
    ).body as Buffer;

  it.each(['csv', 'xlsx', 'json'])('round trip as %s: the readings are what they were', async (format) => {
    const from = await vehicleOf(owner);
    const readings = [
      reading({ u: 300.5, coatingUm: 2000, coatingOver: true, note: '=2+2', instrument: 'Gauge K' }),
      reading({ u: 320, metalMm: 0.5, metalUnder: true, note: 'semi; comma, "quote"' }),
      reading({ u: 340, metalMm: null, probe: 'through' }),
    ];
    await owner.post(`/vehicles/${from}/readings`, { readings }).expect(201);
    const file = await download(format, from);
    const to = await vehicleOf(owner);
    expect((await send(format === 'json' ? withNewIds(file) : file, true, to).expect(200)).body).toMatchObject({
      count: 3,
      errors: [],
      stored: true,
    });
    const strip = (list: { u: number }[]) =>
      list
        .map((entry) =>
          Object.fromEntries(Object.entries(entry).filter(([key]) => !['id', 'at', 'by', 'takenAt'].includes(key))),
        )
        .sort((a, b) => (a['u'] as number) - (b['u'] as number));
    const there = (await owner.get(`/vehicles/${to}/panels/sill-l/readings`)).body;
    const here = (await owner.get(`/vehicles/${from}/panels/sill-l/readings`)).body;
    expect(strip(there)).toEqual(strip(here));
  });
  const withNewIds = (file: Buffer) => {
    const body = JSON.parse(file.toString()) as { readings: { id: string }[] };
    return JSON.stringify({ ...body, readings: body.readings.map((entry) => ({ ...entry, id: randomUUID() })) });
  };

  it('bring the same JSON in twice and store it once', async () => {
    const from = await vehicleOf(owner);
    await owner.post(`/vehicles/${from}/readings`, { readings: [reading()] }).expect(201);
    const file = await download('json', from);
    await send(file, true, from).expect(200);
    expect((await owner.get(`/vehicles/${from}/panels/sill-l/readings`)).body).toHaveLength(1);
  });

  it('cannot carry a formula into a spreadsheet', async () => {
    const from = await vehicleOf(owner);
    await owner.post(`/vehicles/${from}/readings`, { readings: [reading({ note: '=HYPERLINK("x")' })] }).expect(201);
    expect((await download('csv', from)).toString()).toContain(`'=HYPERLINK`);
    const book = new ExcelJS.Workbook();
    await book.xlsx.load((await download('xlsx', from)) as unknown as ExcelJS.Buffer);
    expect(book.worksheets[0]!.getRow(2).getCell(7).value).toBe(`'=HYPERLINK("x")`);
  });

  it.each([
    ['a picture', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 1]), /neither CSV, JSON nor a workbook/],
    ['a broken workbook', Buffer.from('PK\u0003\u0004 not really'), /cannot be opened/],
    ['JSON that is cut off', '{"format": "aspecta-readings", "readings": [', /cut off or broken/],
    ['JSON of something else', '{"format": "shopping"}', /holds no readings/],
  ])('refuse %s', async (_what, bytes, message) => {
    const { body } = await send(bytes, true);
    expect(body.detail).toMatch(message);
  });

  it('answer a hundred thousand lines with what to do', async () => {
    const { body } = await send(
      `panel,layer,u_mm,v_mm,metal_mm\n${'roof,outer,500,500,0.8\n'.repeat(100_000)}`,
      true,
    ).expect(200);
    expect(body).toMatchObject({
      stored: false,
      errors: [{ message: expect.stringMatching(/100000 lines; at most 20000/) }],
    });
  });

  it('refuse a clock that is ahead or a year behind', async () => {
    const at = (ms: number) => new Date(Date.now() + ms).toISOString();
    const ahead = await owner.post(on('/readings'), { readings: [reading({ takenAt: at(3_600_000) })] }).expect(422);
    expect(ahead.body).toMatchObject({
      field: 'takenAt',
      detail: expect.stringMatching(/not come yet; set the clock/),
    });
    await owner.post(on('/readings'), { readings: [reading({ takenAt: at(-500 * 86_400_000) })] }).expect(422);
    await owner.post(on('/readings'), { readings: [reading({ takenAt: at(-60_000) })] }).expect(201);
  });

  it('say why coating cannot be read on aluminium', async () => {
    const truck = (
      (
        await owner
          .post('/vehicles', { nickname: 'Alu', year: 1970, planId: 'offroader', goal: 'driver', climate: 'wet' })
          .expect(201)
      ).body as { id: string }
    ).id;
    const input = {
      readings: [reading({ panel: 'tub-side-l', layer: 'skin', u: 300, v: 400, coatingUm: 100, metalMm: null })],
    };
    const { body } = await owner.post(`/vehicles/${truck}/readings`, input).expect(422);
    expect(body).toMatchObject({
      field: 'coatingUm',
      code: 'wrong-material',
      detail: expect.stringMatching(/aluminium/),
    });
  });
});
