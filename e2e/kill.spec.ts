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
