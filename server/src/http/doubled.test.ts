import { randomUUID } from 'node:crypto';
import { createServer, type AddressInfo } from 'node:net';
import { pino } from 'pino';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { GaugeHolds } from '../gauge/holds.ts';
import { GaugeService } from '../gauge/service.ts';
import { createApp } from '../app.ts';
import { car, houseWithCar, openHouse, ownerOf, PASSWORD, vehicleOf, Visitor, zoneInput } from '../testing/house.ts';
import { ShopService } from '../shop/service.ts';

/*
 * What is sent several times, because an answer was lost, a finger was quick, or several people
 * were at it: stored once, and nobody's work is lost.
 */
const here = houseWithCar();
const times = <T>(n: number, act: (i: number) => PromiseLike<T>) =>
  Promise.all(Array.from({ length: n }, (_, i) => act(i)));
const statuses = (answers: readonly { status: number }[]) => answers.map(({ status }) => status).sort();

describe('sent again with the same id', () => {
  it('a vehicle is rolled in once', async () => {
    const id = randomUUID();
    const owner = await ownerOf(here.house);
    const answers = await times(5, () => owner.post('/vehicles', { ...car, id }));
    expect(statuses(answers)).toEqual([201, 201, 201, 201, 201]);
    expect((await owner.get('/vehicles')).body).toHaveLength(1);
    await here.owner.post('/vehicles', { ...car, id }).expect(404);
  });

  it('a line of the order book is there once', async () => {
    const vehicleId = await vehicleOf(here.owner);
    const line = { id: randomUUID(), vehicleId, panel: 'roof', maker: 'Harrow', price: 100, quantity: 1, carriage: 0 };
    const answers = await times(5, () => here.owner.post('/orders', line));
    expect(statuses(answers)).toEqual([201, 201, 201, 201, 201]);
    const lines = (await here.owner.get('/orders')).body as { vehicleId: string }[];
    expect(lines.filter((other) => other.vehicleId === vehicleId)).toHaveLength(1);
  });

  it('a line is moved on once, and the answer is the same again', async () => {
    const order = { vehicleId: here.vehicle, panel: 'roof', maker: 'Harrow', price: 100, quantity: 1, carriage: 0 };
    const { id, version } = (await here.owner.post('/orders', order).expect(201)).body;
    const move = { state: 'ordered', on: '2026-11-02', due: '2026-11-20', version };
    const first = (await here.owner.post(`/orders/${id}/move`, move).expect(200)).body;
    expect((await here.owner.post(`/orders/${id}/move`, move).expect(200)).body).toEqual(first);
    await here.owner.post(`/orders/${id}/move`, { ...move, on: '2026-11-03' }).expect(409);
  });

  it('a price is known once', async () => {
    const offer = { id: randomUUID(), panel: 'roof', maker: 'Harrow', price: 100, carriage: 10, leadDays: 3 };
    const answers = await times(5, () => here.owner.post(`/vehicles/${here.vehicle}/offers`, offer));
    expect(statuses(answers)).toEqual([201, 201, 201, 201, 201]);
    expect(await here.house.db.query('SELECT COUNT(*) AS n FROM offer WHERE id = ?', [offer.id])).toEqual([{ n: '1' }]);
  });
});

describe('at once', () => {
  const offer = { panel: 'quarter-l', maker: 'Tallow', price: 10_000, carriage: 500, leadDays: 9 };

  it('the same zone decided by four is one repair and one order line', async () => {
    const vehicle = await vehicleOf(here.owner);
    await here.owner.post(`/vehicles/${vehicle}/offers`, offer).expect(201);
    const zone = (await here.owner.post(`/vehicles/${vehicle}/zones`, zoneInput()).expect(201)).body.id as string;
    const decide = (id: string) =>
      here.owner.post(`/vehicles/${vehicle}/repairs`, { id, zoneIds: [zone], choice: 'whole', reason: 'all gone' });
    const answers = await times(4, () => decide(randomUUID()));
    expect(statuses(answers)).toEqual([201, 409, 409, 409]);
    expect((await here.owner.get(`/vehicles/${vehicle}/repairs`)).body).toHaveLength(1);
    const lines = ((await here.owner.get('/orders')).body as { vehicleId: string }[]).filter(
      (line) => line.vehicleId === vehicle,
    );
    expect(lines).toHaveLength(1);
  });

  it('the same decision from one page that asks again is that decision', async () => {
    const vehicle = await vehicleOf(here.owner);
    const zone = (await here.owner.post(`/vehicles/${vehicle}/zones`, zoneInput()).expect(201)).body.id as string;
    const id = randomUUID();
    const answers = await times(3, () =>
      here.owner.post(`/vehicles/${vehicle}/repairs`, {
        id,
        zoneIds: [zone],
        choice: 'patch',
        reason: 'sound around it',
      }),
    );
    expect(statuses(answers)).toEqual([201, 201, 201]);
  });

  it('of two new outlines none is lost: the second is told', async () => {
    const vehicle = await vehicleOf(here.owner);
    const outline = (width: number) => [
      [0, 0],
      [width, 0],
      [width, 140],
      [0, 140],
    ];
    const answers = await times(2, (i) =>
      here.owner.put(`/vehicles/${vehicle}/panels/sill-l/outline`, {
        outline: outline(1500 + i),
        name: 'Ours',
        version: 0,
      }),
    );
    expect(statuses(answers)).toEqual([200, 409]);
    const plans = (await here.owner.get('/plans')).body as { own: boolean }[];
    expect(plans.filter((plan) => plan.own)).toHaveLength(1);
  });

  it('the same picture five times is one, and leaves no pixels behind', async () => {
    const vehicle = await vehicleOf(here.owner);
    const bytes = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#345' } })
      .jpeg()
      .toBuffer();
    const answers = await times(5, () => {
      const told = new URLSearchParams({ id: randomUUID(), takenAt: '2026-03-01T10:00:00Z' });
      return here.owner.agent
        .post(`/api/vehicles/${vehicle}/photos?${told.toString()}`)
        .set('x-aspecta-csrf', here.owner.csrf)
        .set('content-type', 'application/octet-stream')
        .send(bytes);
    });
    expect(statuses(answers)).toEqual([201, 201, 201, 201, 201]);
    expect(new Set(answers.map(({ body }) => (body as { id: string }).id)).size).toBe(1);
    expect((await here.owner.get(`/vehicles/${vehicle}/photos`)).body).toHaveLength(1);
  });

  it('four who set up at once make one shop', async () => {
    const house = await openHouse();
    const answers = await times(4, (i) =>
      new Visitor(house).post('/setup', {
        shop: `Shop ${i}`,
        name: 'Ada',
        email: `ada${i}@lane.example`,
        password: PASSWORD,
      }),
    );
    expect(statuses(answers)).toEqual([201, 409, 409, 409]);
    expect(await house.db.query('SELECT COUNT(*) AS n FROM shop')).toEqual([{ n: '1' }]);
    await house.close();
  });

  it('ten who change the same car do not wait for each other for ever', async () => {
    const vehicle = await vehicleOf(here.owner);
    const answers = await times(30, (i) =>
      here.owner.post(`/vehicles/${vehicle}/zones`, zoneInput({ id: randomUUID(), note: `${i}` })),
    );
    expect(statuses(answers)).toEqual(Array.from({ length: 30 }, () => 201));
  });
});

describe('over two processes', () => {
  it('a gauge is in one hand, and free again when the process that held it is gone', async () => {
    const line = createServer((socket) => void socket.on('error', () => undefined));
    await new Promise<void>((done) => line.listen(0, '127.0.0.1', done));
    const { port } = line.address() as AddressInfo;
    const address = {
      id: `coating-${port}`,
      kind: 'coating' as const,
      name: 'Coating gauge',
      host: '127.0.0.1',
      port,
      standIn: false,
    };
    const services = [1, 2].map(() => new GaugeService([address], new GaugeHolds(here.house.db)));
    const person = (name: string) => ({ personId: randomUUID(), shopId: randomUUID(), name, role: 'worker' as const });
    const [ada, bea] = [person('Ada'), person('Bea')];
    const tries = await Promise.allSettled([
      services[0]!.take(ada, address.id, () => undefined),
      services[1]!.take(bea, address.id, () => undefined),
    ]);
    expect(tries.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    const [holder, other, last] =
      tries[0]!.status === 'fulfilled' ? [ada, bea, services[1]!] : [bea, ada, services[0]!];
    expect((await last.list({ ...other, shopId: holder.shopId }))[0]!.inUseBy).toBe(holder.name);
    // The process that held it has died: nobody renews the hold.
    await here.house.db.query('UPDATE gauge_hold SET until = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND');
    (await last.take(other, address.id, () => undefined))();
    await expect.poll(async () => (await last.list(other))[0]!.inUseBy).toBeNull();
    services.forEach((service) => service.close());
    line.close();
  });

  it('one session and one shop are served by both, and what one stores the other knows at once', async () => {
    const second = createApp({
      ...here.house,
      logger: pino({ level: 'silent' }),
      secret: 'for tests only',
      files: '/tmp',
    });
    const other = new Visitor({ ...here.house, app: second });
    const email = `${randomUUID().slice(0, 8)}@bench.example`;
    await here.house.app.house.the(ShopService).createShop({ shop: 'Two', name: 'Two', email, password: PASSWORD });
    const one = await new Visitor(here.house).signIn(email, PASSWORD);
    await other.signIn(email, PASSWORD);
    const vehicle = await vehicleOf(one);
    expect((await other.get('/vehicles').expect(200)).body).toMatchObject([{ id: vehicle, readings: 0 }]);
    const readings = [{ id: randomUUID(), panel: 'roof', layer: 'outer', u: 300, v: 300, metalMm: 0.8 }];
    await one.post(`/vehicles/${vehicle}/readings`, { readings }).expect(201);
    expect((await other.get('/vehicles').expect(200)).body).toMatchObject([{ readings: 1, panelsMeasured: 1 }]);
    expect(
      (await other.get(`/vehicles/${vehicle}/board`).expect(200)).body.panels.find(
        (panel: { panel: string }) => panel.panel === 'roof',
      ).readings,
    ).toBe(1);
    await second.close();
  });
});
