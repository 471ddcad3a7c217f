import { randomUUID } from 'node:crypto';
import { expect, forget, openHouse, test } from './house.ts';
import { request, type APIRequestContext } from '@playwright/test';

/* kill -9 between acknowledged writes: every one of them is found again, once. */
test('what was acknowledged survives a kill of server, database and launcher', async () => {
  let house = await openHouse('start');
  const home = house.home;
  const acknowledged: string[] = [];
  let api: APIRequestContext = await request.newContext({ baseURL: house.url });
  const account = { email: 'kay@kill.example', password: 'a long enough password' };
  let csrf = (
    (await (await api.post('/api/setup', { data: { shop: 'Kill', name: 'Kay', ...account } })).json()) as {
      csrf: string;
    }
  ).csrf;
  const send = (path: string, data: object) => api.post(path, { data, headers: { 'x-aspecta-csrf': csrf } });
  const { id: car } = (await (
    await send('/api/vehicles', {
      nickname: 'Survivor',
      year: 1960,
      planId: 'saloon',
      goal: 'driver',
      climate: 'wet',
      notes: '',
    })
  ).json()) as { id: string };

  /** Sends the same reading until it is acknowledged, as the page does. */
  async function write(): Promise<void> {
    const id = randomUUID();
    const reading = { id, panel: 'roof', layer: 'outer', u: 300 + acknowledged.length, v: 400, metalMm: 0.8 };
    await expect(async () => {
      const answer = await send(`/api/vehicles/${car}/readings`, { readings: [reading] });
      expect(answer.status()).toBe(201);
    }).toPass({ timeout: 40_000, intervals: [150] });
    acknowledged.push(id);
  }
  async function allThere(): Promise<void> {
    await expect(async () => {
      const answer = await api.get(`/api/vehicles/${car}/panels/roof/readings`);
      expect(answer.status()).toBe(200);
      const found = ((await answer.json()) as { id: string }[]).map((reading) => reading.id);
      expect(found.sort()).toEqual([...acknowledged].sort());
    }).toPass({ timeout: 40_000, intervals: [200] });
  }

  for (let i = 0; i < 5; i++) await write();
  process.kill(house.pids().server, 'SIGKILL');
  for (let i = 0; i < 5; i++) await write();
  await allThere();
  process.kill(house.pids().database, 'SIGKILL');
  for (let i = 0; i < 5; i++) await write();
  await allThere();
  const both = house.pids();
  process.kill(both.server, 'SIGKILL');
  process.kill(both.database, 'SIGKILL');
  for (let i = 0; i < 3; i++) await write();
  await allThere();

  // The launcher itself is killed: its lock is stale, its database and server are left over. A second start mends it.
  house.launcher.kill('SIGKILL');
  await api.dispose();
  const begun = Date.now();
  house = await openHouse('start', home);
  expect(Date.now() - begun).toBeLessThan(60_000);
  api = await request.newContext({ baseURL: house.url });
  csrf = ((await (await api.post('/api/session', { data: account })).json()) as { csrf: string }).csrf;
  await allThere();
  await write();
  await allThere();
  await api.dispose();
  await house.stop();
  forget(home);
});

/** Kills of the storm below; `npm run kills` makes sixty. */
const KILLS = Number(process.env['ASPECTA_KILLS'] ?? 6);
const SEED = Number(process.env['ASPECTA_KILLS_SEED'] ?? 41);
const HANDS = 4;

/* Several hands write all kinds of things and try again until they are told; meanwhile server and database are killed. */
test(`${KILLS} kills at random moments lose nothing and double nothing`, async () => {
  test.setTimeout(120_000 + KILLS * 15_000);
  let state = SEED;
  const random = () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
  const house = await openHouse('start');
  const api = await request.newContext({ baseURL: house.url });
  const account = { email: 'storm@kill.example', password: 'four quiet welders sing' };
  const { csrf } = (await (
    await api.post('/api/setup', { data: { shop: 'Storm', name: 'Sam', ...account } })
  ).json()) as { csrf: string };
  const written = { readings: [] as string[], zones: [] as string[], repairs: [] as string[], orders: [] as string[] };
  const cars: string[] = [];

  /** Sends until it is acknowledged, as page and outbox do; each thing has its id from the beginning. */
  async function send(path: string, data: object): Promise<void> {
    for (let tries = 0; ; tries++) {
      const answer = await api
        .post(`/api${path}`, { data, headers: { 'x-aspecta-csrf': csrf }, timeout: 5000 })
        .catch(() => undefined);
      if (answer?.ok()) return;
      if (answer && answer.status() < 500 && answer.status() !== 429)
        throw new Error(`${path}: ${answer.status()} ${await answer.text()}`);
      if (tries > 1200) throw new Error(`${path} was never taken`);
      await new Promise((done) => setTimeout(done, 150));
    }
  }
  async function addCar(): Promise<string> {
    const id = randomUUID();
    const fields = { year: 1960, planId: 'saloon', goal: 'driver', climate: 'wet', notes: '' };
    await send('/vehicles', { id, nickname: `Car ${cars.length + 1}`, ...fields });
    cars.push(id);
    return id;
  }
  let over = false;
  async function hand(): Promise<void> {
    while (!over) {
      const car = cars[Math.floor(random() * cars.length)]!;
      const kind = random();
      const id = randomUUID();
      const [u, v] = [250 + Math.floor(random() * 600), 200 + Math.floor(random() * 200)];
      if (kind < 0.05) await addCar();
      else if (kind < 0.6) {
        await send(`/vehicles/${car}/readings`, {
          readings: [{ id, panel: 'roof', layer: 'outer', u, v, metalMm: 0.8 }],
        });
        written.readings.push(id);
      } else if (kind < 0.8) {
        await send('/orders', {
          ...{ id, vehicleId: car, panel: 'roof', maker: 'Storm Panels', price: 100, quantity: 1, carriage: 0 },
          ...{ due: null, note: '' },
        });
        written.orders.push(id);
      } else {
        const ring = [
          [u, v],
          [u + 40, v],
          [u + 40, v + 30],
          [u, v + 30],
        ];
        const what = { class: 'thin', evidence: 'stripped', holes: [], note: '', overruled: 'storm' };
        await send(`/vehicles/${car}/zones`, { id, panel: 'bonnet', layer: 'outer', ring, ...what });
        written.zones.push(id);
        const repair = randomUUID();
        await send(`/vehicles/${car}/repairs`, { id: repair, zoneIds: [id], choice: 'patch', reason: 'storm' });
        written.repairs.push(repair);
      }
    }
  }
  await addCar();
  const hands = Array.from({ length: HANDS }, hand);
  const isUp = async () => (await api.get('/api/alive', { timeout: 2000 }).catch(() => undefined))?.ok() ?? false;
  for (let killed = 0; killed < KILLS;) {
    // Mostly while it works, sometimes while it is still coming back.
    if (random() < 0.85) await expect.poll(isUp, { timeout: 120_000, intervals: [100] }).toBe(true);
    await new Promise((done) => setTimeout(done, 200 + random() * 2500));
    const dice = random();
    try {
      const { server, database } = house.pids();
      if (dice < 0.75 && server > 0) process.kill(server, 'SIGKILL');
      if (dice > 0.5) process.kill(database, 'SIGKILL');
      killed++;
    } catch {
      // It is down still; the next one finds it up.
    }
  }
  over = true;
  await Promise.all(hands);

  const get = async (path: string) => {
    const answer = await api.get(`/api${path}`);
    expect(answer.status(), path).toBe(200);
    return ((await answer.json()) as { id: string }[]).map(({ id }) => id);
  };
  const found = { readings: [] as string[], zones: [] as string[], repairs: [] as string[], orders: [] as string[] };
  await expect(async () => expect((await get('/vehicles')).sort()).toEqual([...cars].sort())).toPass({
    timeout: 60_000,
  });
  for (const car of cars) {
    found.readings.push(...(await get(`/vehicles/${car}/panels/roof/readings`)));
    found.zones.push(...(await get(`/vehicles/${car}/panels/bonnet/zones`)));
    found.repairs.push(...(await get(`/vehicles/${car}/repairs`)));
  }
  found.orders.push(...(await get('/orders')));
  for (const kind of ['readings', 'zones', 'repairs', 'orders'] as const) {
    expect(written[kind], kind).not.toHaveLength(0);
    expect(found[kind].sort(), kind).toEqual(written[kind].sort());
  }
  await api.dispose();
  await house.stop();
  forget(house.home);
});
