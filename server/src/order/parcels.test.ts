import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { JobView } from '@aspecta/contract/job';
import type { OrderAdvice, OrderLine } from '@aspecta/contract/order';
import type { RepairView } from '@aspecta/contract/verdict';
import { ON_SILL, decided, houseWithCar, ownerOf, vehicleOf, type Visitor } from '../testing/house.ts';

const here = houseWithCar();
const wanted = { maker: 'Harrow Pressings', price: 10_000, quantity: 1, carriage: 2000, due: null, note: '' };

/** A shop of its own, with one car. */
async function shopWithCar(name: string) {
  const owner = await ownerOf(here.house, name);
  return { owner, car: await vehicleOf(owner) };
}
const want = async (owner: Visitor, vehicleId: string, over: object = {}) =>
  (await owner.post('/orders', { vehicleId, panel: 'sill-l', ...wanted, ...over }).expect(201)).body as OrderLine;
const book = async (owner: Visitor) => (await owner.get('/orders').expect(200)).body as OrderLine[];
const lineOf = async (owner: Visitor, id: string) => (await book(owner)).find((line) => line.id === id)!;
const together = (owner: Visitor, lines: readonly OrderLine[], over: object = {}) =>
  owner.post('/orders/parcel', {
    ...{ id: randomUUID(), maker: 'Harrow Pressings', carriage: 3001, on: '2026-11-02', due: '2026-11-12', note: '' },
    lines: lines.map(({ id, version, price }) => ({ id, version, price })),
    ...over,
  });
const move = async (owner: Visitor, { id, version }: OrderLine, state: string, over: object = {}) =>
  (await owner.post(`/orders/${id}/move`, { state, on: '2026-11-09', version, ...over }).expect(200)).body as OrderLine;
const shares = (lines: readonly OrderLine[]) => lines.map(({ carriage }) => carriage);

describe('a parcel', () => {
  it('holds lines of several cars with one carriage, shared by value to the cent, at the price of the day', async () => {
    const { owner, car } = await shopWithCar('Parcel');
    const other = await vehicleOf(owner);
    const lines = [await want(owner, car), await want(owner, other, { panel: 'roof', price: 20_000 })];
    const sent = (await together(owner, lines).expect(200)).body as OrderLine[];
    // By hand: 30.01 by 100 to 200 is 10.00 and 20.01.
    expect(shares(sent)).toEqual([1000, 2001]);
    expect(sent.every(({ state, parcel, due }) => state === 'ordered' && parcel !== null && due === '2026-11-12')).toBe(
      true,
    );
    const { body } = await owner.get(`/orders/${lines[0]!.id}/order.pdf`).expect(200);
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
  });

  it('that is sent twice is ordered once; one line that somebody has changed meanwhile stops all of it', async () => {
    const { owner, car } = await shopWithCar('Twice');
    const lines = [await want(owner, car), await want(owner, car, { panel: 'roof' })];
    const id = randomUUID();
    await together(owner, lines, { id }).expect(200);
    await together(owner, lines, { id }).expect(200);
    expect((await lineOf(owner, lines[0]!.id)).history).toHaveLength(2);
    const more = [await want(owner, car, { panel: 'bonnet' }), { ...(await want(owner, car)), version: 7 }];
    await together(owner, more).expect(409);
    expect((await lineOf(owner, more[0]!.id)).state).toBe('wanted');
    const again = await together(owner, [await lineOf(owner, lines[0]!.id)]).expect(422);
    expect(again.body.detail).toMatch(/ordered already/);
  });

  it('keeps its carriage when a line leaves it, and takes it in again when that was a slip', async () => {
    const { owner, car } = await shopWithCar('Left');
    const lines = [await want(owner, car), await want(owner, car, { panel: 'roof', price: 20_000 })];
    const [first] = (await together(owner, lines).expect(200)).body as [OrderLine];
    const gone = await move(owner, first, 'withdrawn', { note: 'not made any more' });
    expect(gone.carriage).toBe(0);
    expect((await lineOf(owner, lines[1]!.id)).carriage).toBe(3001);
    await owner.post(`/orders/${gone.id}/back`, { version: gone.version }).expect(200);
    expect(shares(await book(owner))).toEqual([1000, 2001]);
    const { version } = await lineOf(owner, first.id);
    await owner.post(`/orders/${first.id}/back`, { version }).expect(200);
    // What was not ordered after all is as it was wanted, and the other line bears the carriage.
    expect(await lineOf(owner, first.id)).toMatchObject({ state: 'wanted', parcel: null, carriage: 2000 });
    expect((await lineOf(owner, lines[1]!.id)).carriage).toBe(3001);
  });
});

describe('a part that is here', () => {
  const seen = { points: { flanges: false }, thickness: 0.9, short: 0, on: '2026-11-10', note: '', credit: null };
  async function arrived(name: string) {
    const { owner, car } = await shopWithCar(name);
    const offer = { panel: 'sill-l', maker: 'Harrow Pressings', price: 11_800, carriage: 2400, leadDays: 7 };
    await owner.post(`/vehicles/${car}/offers`, offer).expect(201);
    await decided(owner, car, 'whole', ON_SILL);
    let line = (await book(owner))[0]!;
    for (const state of ['ordered', 'arrived']) line = await move(owner, line, state);
    const check = (over: object) =>
      owner.post(`/orders/${line.id}/check`, {
        ...seen,
        outcome: 'fits',
        hours: 0,
        again: null,
        version: line.version,
        ...over,
      });
    const steps = async () => ((await owner.get(`/vehicles/${car}/job`).expect(200)).body as JobView).steps;
    return { owner, line, check, steps };
  }

  it('is used after work on it, which the job then holds as a step', async () => {
    const { check, steps, line } = await arrived('Rework');
    expect((await check({ outcome: 'rework' }).expect(422)).body).toMatchObject({ field: 'hours' });
    expect((await check({ outcome: 'rework', hours: 1.5 }).expect(200)).body).toMatchObject({
      state: 'checked',
      arrival: { hours: 1.5, outcome: 'rework' },
      sheet: expect.any(Number),
    });
    await check({ outcome: 'rework', hours: 1.5 }).expect(200);
    await check({ outcome: 'fits', version: line.version + 1 }).expect(422);
    const rework = (await steps()).filter(({ kind }) => kind === 'rework');
    expect(rework).toMatchObject([{ hours: 1.5 }]);
  });

  it('with a wrong flange is kept as sheet and wanted from somebody else, for the same repair', async () => {
    const { owner, check, line } = await arrived('Wrong');
    const again = { maker: 'Other maker', price: 15_000, carriage: 1000 };
    expect((await check({ again }).expect(422)).body).toMatchObject({ field: 'again' });
    await check({ outcome: 'keep', again }).expect(200);
    const lines = await book(owner);
    expect(lines.map(({ state, maker, repairId }) => ({ state, maker, repairId }))).toEqual([
      { state: 'kept', maker: line.maker, repairId: line.repairId },
      { state: 'wanted', maker: 'Other maker', repairId: line.repairId },
    ]);
    const advice = (await owner.get('/orders/advice').expect(200)).body as OrderAdvice;
    expect(advice.makers).toMatchObject([{ maker: line.maker, checked: 1, fitted: 0, gone: 1 }]);
    expect((await owner.get('/orders/makers').expect(200)).body).toEqual(advice.makers);
  });

  it('sent back says what came back for it; taken back, it has only arrived', async () => {
    const { owner, check, line, steps } = await arrived('Back');
    const { body } = await check({ outcome: 'return', credit: 11_800 }).expect(200);
    expect(body).toMatchObject({ state: 'returned', credit: 11_800 });
    // The decision stands, and nothing is ordered for it: that is the first step of its job.
    const missing = (await steps()).find(({ kind }) => kind === 'order');
    expect(missing).toMatchObject({ state: 'ready', title: expect.stringMatching(/none is ordered any more/) });
    // Decided again with another price it is wanted from there, though that one is dearer.
    const { vehicleId, repairId } = line;
    const other = { panel: 'sill-l', maker: 'Calder', price: 16_000, carriage: 4000, leadDays: 9 };
    await owner.post(`/vehicles/${vehicleId}/offers`, other).expect(201);
    const repair = (await owner.get(`/repairs/${repairId}`).expect(200)).body as RepairView;
    await owner
      .put(`/repairs/${repairId}`, {
        ...{ zoneIds: repair.zoneIds, choice: 'whole', reason: 'right flange', done: false, version: repair.version },
      })
      .expect(200);
    const anew = (await book(owner)).filter(({ state }) => state === 'wanted');
    expect(anew).toMatchObject([{ maker: 'Calder', repairId }]);
    expect(((await owner.get(`/repairs/${repairId}`).expect(200)).body as RepairView).order?.state).toBe('wanted');
    // Nobody is sent back to the maker whose part was wrong, though he is cheaper.
    const { basket } = (await owner.get('/orders/advice').expect(200)).body as OrderAdvice;
    expect(JSON.stringify(basket)).not.toContain(line.maker);
    await owner.post(`/orders/${line.id}/back`, { version: body.version }).expect(200);
    expect(await lineOf(owner, line.id)).toMatchObject({ state: 'arrived', arrival: null, credit: null });
  });

  it('that is not here yet cannot be checked', async () => {
    const { owner, car } = await shopWithCar('Early');
    const { id, version } = await want(owner, car);
    const body = { ...seen, outcome: 'fits', hours: 0, again: null, version };
    expect((await owner.post(`/orders/${id}/check`, body).expect(422)).body.detail).toMatch(/note its arrival/);
  });
});

describe('advice of the book', () => {
  it('says by when to order, from this maker’s record, and from whom all of it costs least', async () => {
    const { owner, car } = await shopWithCar('Advice');
    const offer = async (panel: string, maker: string, price: number) =>
      owner.post(`/vehicles/${car}/offers`, { panel, maker, price, carriage: 2000, leadDays: 5 }).expect(201);
    await offer('sill-l', 'Harrow Pressings', 10_000);
    await offer('sill-l', 'Other maker', 10_500);
    await offer('roof', 'Other maker', 20_000);
    await decided(owner, car, 'whole', ON_SILL);
    await want(owner, car, { panel: 'roof', maker: 'Other maker', price: 20_000 });
    const bare = (await owner.get('/orders/advice').expect(200)).body as OrderAdvice;
    expect(bare.problem).toMatch(/who works when/);
    // One parcel with one carriage beats the cheaper sill in a parcel of its own: (105 + 200 + 20) × 1.2 = 390.
    expect(bare.basket!.parcels).toMatchObject([{ maker: 'Other maker', carriage: 2000 }]);
    expect(bare.basket).toMatchObject({ total: 39_000, asItIs: (12_000 + 22_000) * 1.2 });
    await owner
      .post('/workers', { id: randomUUID(), name: 'Ines', week: Array(7).fill([[8, 16]]), off: [], timeZone: 'UTC' })
      .expect(201);
    const { needs, problem } = (await owner.get('/orders/advice').expect(200)).body as OrderAdvice;
    expect(problem).toBeNull();
    expect(needs).toMatchObject([{ step: expect.stringMatching(/^Sill, left: /), quoted: 5 }]);
    const { neededOn, orderBy, lead } = needs[0]!;
    expect(Date.parse(neededOn) - Date.parse(orderBy!)).toBeGreaterThanOrEqual(lead!.p90 * 86_400_000);
  });

  it('is silent in an empty shop, and about what is not wanted any more', async () => {
    const { owner, car } = await shopWithCar('Silent');
    expect((await owner.get('/orders/advice').expect(200)).body).toEqual({
      ...{ needs: [], basket: null, makers: [], problem: null },
    });
    await move(owner, await want(owner, car), 'withdrawn');
    expect((await owner.get('/orders/advice').expect(200)).body.basket).toBeNull();
  });

  it('goes out as a table that starts no formula', async () => {
    const { owner, car } = await shopWithCar('Table');
    await want(owner, car, { maker: '=1+1' });
    const { text } = await owner.get('/orders/orders.csv').expect(200);
    expect(text).toMatch(/^what,for_car/);
    expect(text).not.toMatch(/,=1/);
    await owner.get('/orders/orders.xlsx').expect(200);
  });
});
