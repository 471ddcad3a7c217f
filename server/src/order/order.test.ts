import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { JobView } from '@aspecta/contract/job';
import type { OrderLine } from '@aspecta/contract/order';
import { ORDER_STATES, nextStates } from '@aspecta/core/order';
import { houseWithCar, ownerOf, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();
const dayFrom = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

const details = { maker: 'Harrow Pressings', price: 11_800, quantity: 1, carriage: 2400, due: null, note: '' };
const add = async (over: object = {}): Promise<OrderLine> =>
  (await here.owner.post('/orders', { vehicleId: here.vehicle, panel: 'sill-l', ...details, ...over }).expect(201))
    .body as OrderLine;
const move = (line: OrderLine, state: string, over: object = {}) =>
  here.owner.post(`/orders/${line.id}/move`, { state, on: '2026-11-02', version: line.version, ...over });

describe('a line of the order book', () => {
  it('costs what its parts add up to: two at 118.00, carriage 24.00, tax on both at 20 %', async () => {
    const line = await add({ quantity: 2 });
    // Worked by hand: (236.00 + 24.00) × 1.2 = 312.00.
    expect(line).toMatchObject({
      landed: 31_200,
      state: 'wanted',
      next: ['ordered', 'withdrawn'],
      panelName: 'Sill, left',
      late: false,
    });
    expect(line.history).toEqual([
      { state: 'wanted', on: expect.stringMatching(/^\d{4}-\d\d-\d\d$/), by: 'Owner Test' },
    ]);
  });

  it.each([
    [{ panel: 'sill' }, 'panel', /did you mean "sill-l"/],
    [{ maker: ' ' }, 'maker', /fill it in/],
    [{ price: -1 }, 'price', /at least 0/],
    [{ price: 1.5 }, 'price', /whole number/],
    [{ quantity: 0 }, 'quantity', /at least 1/],
    [{ due: '2026-02-30' }, 'due', /day of the calendar/],
    [{ due: 'tomorrow' }, 'due', /day of the calendar/],
    [{ note: 'x'.repeat(501) }, 'note', /shorten it to 500/],
    [{ colour: 'blue' }, 'colour', /leave it out/],
  ])('is refused with %j, at its field', async (over, at, words) => {
    const before = (await here.owner.get('/orders')).body.length;
    const { body } = await here.owner
      .post('/orders', { vehicleId: here.vehicle, panel: 'sill-l', ...details, ...over })
      .expect(422);
    expect(body).toMatchObject({ field: at, detail: expect.stringMatching(words) });
    expect((await here.owner.get('/orders')).body).toHaveLength(before);
  });

  it('comes in parts: what has come is here, the rest waits on a line of its own, and a slip joins them again', async () => {
    let line = await add({ quantity: 5, carriage: 1000 });
    line = (await move(line, 'ordered').expect(200)).body as OrderLine;
    const rest = randomUUID();
    const tooMany = { part: { pieces: 6, rest } };
    expect((await move(line, 'arrived', tooMany).expect(422)).body).toMatchObject({ field: 'part.pieces' });
    expect((await move(line, 'confirmed', { part: { pieces: 2, rest } }).expect(422)).body).toMatchObject({
      field: 'part',
    });
    const came = (await move(line, 'arrived', { part: { pieces: 2, rest } }).expect(200)).body as OrderLine;
    expect(came).toMatchObject({ quantity: 2, state: 'arrived', carriage: 1000 });
    const lineOf = async (id: string) =>
      ((await here.owner.get('/orders').expect(200)).body as OrderLine[]).find((one) => one.id === id);
    expect(await lineOf(rest)).toMatchObject({ quantity: 3, state: 'ordered', carriage: 0, maker: line.maker });
    // Sent again, because its answer was lost, it is the same.
    await move(line, 'arrived', { part: { pieces: 2, rest } }).expect(200);
    const back = (await here.owner.post(`/orders/${line.id}/back`, { version: came.version }).expect(200))
      .body as OrderLine;
    expect(back).toMatchObject({ quantity: 5, state: 'ordered' });
    expect(await lineOf(rest)).toBeUndefined();
    // Something was said of the rest: then both stay as they are.
    const again = (await move(back, 'arrived', { part: { pieces: 4, rest } }).expect(200)).body as OrderLine;
    await move((await lineOf(rest))!, 'back-order').expect(200);
    const kept = (await here.owner.post(`/orders/${line.id}/back`, { version: again.version }).expect(200))
      .body as OrderLine;
    expect(kept).toMatchObject({ quantity: 4, state: 'ordered' });
    expect(await lineOf(rest)).toMatchObject({ quantity: 1, state: 'back-order' });
  });

  it('may be for what is no panel, which it then has to name; the job waits for it', async () => {
    const line = { vehicleId: here.vehicle, panel: '', maker: 'Any mill', price: 5000, quantity: 2, carriage: 0 };
    expect((await here.owner.post('/orders', line).expect(422)).body).toMatchObject({ field: 'item' });
    const both = { ...line, panel: 'roof', item: 'Steel sheet' };
    expect((await here.owner.post('/orders', both).expect(422)).body).toMatchObject({ field: 'item' });
    const made = (await here.owner.post('/orders', { ...line, item: 'Steel sheet, 1 mm' }).expect(201))
      .body as OrderLine;
    expect(made).toMatchObject({ panel: '', panelName: 'Steel sheet, 1 mm', state: 'wanted' });
    const { steps } = (await here.owner.get(`/vehicles/${here.vehicle}/job`).expect(200)).body as JobView;
    expect(steps.some(({ title }) => title.includes('Steel sheet, 1 mm'))).toBe(true);
  });

  it('goes only where its state leads', async () => {
    for (const state of ORDER_STATES) {
      const line = await add();
      const way = nextStates('wanted').includes(state) ? 200 : 422;
      const { body } = await move(line, state).expect(way);
      if (way === 422)
        expect(body).toMatchObject({ field: 'state', detail: expect.stringMatching(/next can be: ordered/) });
    }
  });

  it.each(['2026-02-30', '2026-13-01', '02/03/2026', ''])('is not moved on %j, which is no day', async (on) => {
    const line = await add();
    expect((await move(line, 'ordered', { on }).expect(422)).body.field).toBe('on');
    expect((await move(line, 'ordered', { due: on }).expect(422)).body.field).toBe('due');
    expect((await move(line, 'ordered', { on: '2028-02-29' }).expect(200)).body.state).toBe('ordered');
  });

  it('is edited with notes, and a second edit on the same version is shown what is stored', async () => {
    const line = await add();
    const edit = (over: object) => here.owner.put(`/orders/${line.id}`, { ...details, version: 1, ...over });
    const { body } = await edit({ price: 9900, quantity: 2, note: 'Ask for the left one' }).expect(200);
    expect(body).toMatchObject({ price: 9900, quantity: 2, note: 'Ask for the left one', version: 2 });
    expect((await edit({ price: 1 }).expect(409)).body.current).toMatchObject({ price: 9900 });
  });

  it('is withdrawn with its reason, wanted again, and a slip is taken back', async () => {
    let line = await add();
    line = (await move(line, 'ordered').expect(200)).body;
    line = (await move(line, 'withdrawn', { note: 'The patch will do' }).expect(200)).body;
    expect(line).toMatchObject({ state: 'withdrawn', next: ['wanted'] });
    expect(line.history.at(-1)).toMatchObject({ note: 'The patch will do', by: 'Owner Test' });
    const back = (version: number) => here.owner.post(`/orders/${line.id}/back`, { version });
    line = (await back(line.version).expect(200)).body;
    expect(line).toMatchObject({ state: 'ordered', history: [{ state: 'wanted' }, { state: 'ordered' }] });
    // Pressed twice: the second one changes nothing more.
    await back(line.version - 1).expect(200);
    line = (await back(line.version).expect(200)).body;
    expect(line.state).toBe('wanted');
    const { body } = await back(line.version).expect(422);
    expect(body.detail).toMatch(/nothing to take back/);
    await back(1).expect(409);
  });

  it('keeps its due day unless a new one is told, and is late once it has passed', async () => {
    let line = await add({ due: '2026-01-15' });
    expect(line.late).toBe(false);
    line = (await move(line, 'ordered').expect(200)).body;
    expect(line).toMatchObject({ due: '2026-01-15', late: true });
    line = (await move(line, 'back-order', { due: '2199-01-01' }).expect(200)).body;
    expect(line).toMatchObject({ due: '2199-01-01', late: false });
    const back = here.owner.post(`/orders/${line.id}/back`, { version: line.version });
    expect((await back.expect(200)).body).toMatchObject({ state: 'ordered', due: '2026-01-15', late: true });
  });

  it('has no day any more once it is put off without one; the job says that its weeks are guessed', async () => {
    let line = await add({ due: '2026-01-15', panel: '', item: 'Wheel house, one-piece' });
    line = (await move(line, 'ordered').expect(200)).body;
    line = (await move(line, 'back-order').expect(200)).body;
    expect(line).toMatchObject({ due: null, late: false });
    const { steps } = (await here.owner.get(`/vehicles/${here.vehicle}/job`).expect(200)).body as JobView;
    expect(steps.find(({ id }) => id === `${line.id} delivery`)).toMatchObject({
      title: 'Wheel house, one-piece: on back order without a date, weeks are guessed',
      state: 'running',
    });
    const { body } = await here.owner.post(`/orders/${line.id}/back`, { version: line.version }).expect(200);
    expect(body).toMatchObject({ state: 'ordered', due: '2026-01-15' });
  });

  it('is followed by the number of its parcel while it is on its way, with all that lies in it', async () => {
    const track = (of: OrderLine, number: string) =>
      here.owner.put(`/orders/${of.id}/track`, { number, version: of.version });
    let line = await add();
    expect((await track(line, 'XP 12').expect(422)).body).toMatchObject({ field: 'number' });
    line = (await move(line, 'ordered', { on: dayFrom(0), due: dayFrom(9) }).expect(200)).body as OrderLine;
    expect(line.tracking).toBeNull();
    expect((await track(line, 'X'.repeat(61)).expect(422)).body).toMatchObject({ field: 'number' });
    line = (await track(line, 'XP-12.7').expect(200)).body as OrderLine;
    expect(line.tracking).toMatchObject({ number: 'XP-12.7', expected: dayFrom(9), handedOver: false });
    expect(line.tracking!.steps.map(({ text }) => text)).toEqual(['The number is known, the parcel is not there yet']);
    await track({ ...line, version: 1 }, 'late').expect(409);
    // Here, it is not followed; not any more where somebody says so.
    const here1 = (await move(line, 'arrived', { on: dayFrom(1) }).expect(200)).body as OrderLine;
    expect(here1.tracking).toBeNull();
    const back = (await here.owner.post(`/orders/${line.id}/back`, { version: here1.version }).expect(200))
      .body as OrderLine;
    expect(back.tracking).toMatchObject({ number: 'XP-12.7' });
    expect(((await track(back, '').expect(200)).body as OrderLine).tracking).toBeNull();
  });

  it('changes by the version that was seen; the second to change sees what is stored', async () => {
    const line = await add();
    const change = { ...details, price: 12_500, version: line.version };
    expect((await here.owner.put(`/orders/${line.id}`, change).expect(200)).body).toMatchObject({
      price: 12_500,
      version: 2,
    });
    const { body } = await here.owner.put(`/orders/${line.id}`, { ...change, price: 1 }).expect(409);
    expect(body).toMatchObject({ code: 'conflict', current: { price: 12_500 } });
    expect((await move(line, 'ordered').expect(409)).body.current.state).toBe('wanted');
  });

  it('is moved once where two move it at the same time', async () => {
    const line = await add();
    // On days of their own: the same move sent twice is one whose answer was lost, and is answered alike.
    const days = ['2026-11-02', '2026-11-03', '2026-11-04'];
    const answers = await Promise.all(days.map((on) => move(line, 'ordered', { on })));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
    const stored = ((await here.owner.get('/orders')).body as OrderLine[]).find(({ id }) => id === line.id)!;
    expect(stored.history.map(({ state }) => state)).toEqual(['wanted', 'ordered']);
  });

  it('is nobody else’s: a foreign shop finds neither the line nor the car', async () => {
    const line = await add();
    const stranger = await ownerOf(here.house);
    expect((await stranger.get('/orders').expect(200)).body).toEqual([]);
    await stranger.put(`/orders/${line.id}`, { ...details, version: 1 }).expect(404);
    await stranger.post(`/orders/${line.id}/move`, { state: 'ordered', on: '2026-11-02', version: 1 }).expect(404);
    await stranger.post('/orders', { vehicleId: here.vehicle, panel: 'sill-l', ...details }).expect(404);
  });
});

describe('what to do next', () => {
  it('puts what has arrived before what is wanted, and what is wanted before damage', async () => {
    const fresh = await ownerOf(here.house);
    const own = await vehicleOf(fresh);
    const next = async () => (await fresh.get(`/vehicles/${own}/board`).expect(200)).body.next.text as string;
    expect(await next()).toMatch(/Take the first readings on Sill, left/);
    await fresh
      .post(`/vehicles/${own}/readings`, {
        readings: [{ id: crypto.randomUUID(), panel: 'sill-l', layer: 'outer', u: 300, v: 60, metalMm: 0.9 }],
      })
      .expect(201);
    expect(await next()).toMatch(/^Measure /);
    let line = (await fresh.post('/orders', { vehicleId: own, panel: 'roof', ...details }).expect(201))
      .body as OrderLine;
    expect(await next()).toBe('Order Roof skin: the rest can go on meanwhile');
    const on = async (state: string, due: string | null = null) => {
      line = (
        await fresh.post(`/orders/${line.id}/move`, { state, on: '2026-01-02', due, version: line.version }).expect(200)
      ).body as OrderLine;
    };
    await on('ordered', '2026-01-05');
    expect(await next()).toBe('Ask Harrow Pressings about Roof skin: it is late');
    await on('confirmed');
    await on('arrived');
    expect(await next()).toMatch(/^Check Roof skin that has arrived/);
  });
});
