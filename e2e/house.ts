import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { test as base, expect, type Page } from '@playwright/test';

const root = resolve(import.meta.dirname, '..');

/** The real thing: database, server and demo, started as a newcomer would, in a folder of its own. */
export interface House {
  url: string;
  home: string;
  launcher: ChildProcess;
  /** Numbers of the processes that run it. */
  pids(): { server: number; database: number };
  stop(): Promise<void>;
}

/** A name that is no address of this machine: a browser trusts a page under it as little as one of the workshop's network. */
export const PLAIN_HOST = 'shop.test';

/** A folder laid out as the default one: under a name that begins with a dot. In memory where the machine offers it. */
export const newHome = () =>
  join(mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'aspecta-e2e-')), '.aspecta');

export async function openHouse(
  mode: 'demo' | 'start',
  home = newHome(),
  settings: NodeJS.ProcessEnv = {},
): Promise<House> {
  const launcher = spawn(process.execPath, [join(root, 'server/dist/launch.js'), mode], {
    cwd: root,
    env: {
      ...process.env,
      ASPECTA_HOME: home,
      ASPECTA_TRIES: '1000',
      ASPECTA_DB_PORT: '34900',
      ASPECTA_HOSTS: PLAIN_HOST,
      ...settings,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const url = await new Promise<string>((done, fail) => {
    let said = '';
    const listen = (chunk: Buffer) => {
      said += chunk.toString();
      const ready = /ready: (http:\S+)/.exec(said);
      if (ready) done(ready[1]!);
    };
    launcher.stdout!.on('data', listen);
    launcher.stderr!.on('data', listen);
    launcher.once('exit', (code) => fail(new Error(`The house did not open (${code}): ${said}`)));
  });
  const shop = join(home, mode === 'demo' ? 'demo' : 'shop');
  return {
    url,
    home,
    launcher,
    pids: () => ({
      server: serverOf(launcher.pid!),
      database: Number(readFileSync(join(shop, 'run', 'db.pid'), 'utf8')),
    }),
    stop: async () => {
      if (launcher.exitCode !== null || launcher.signalCode !== null) return;
      const gone = new Promise((done) => launcher.once('exit', done));
      launcher.kill('SIGTERM');
      await gone;
    },
  };
}

/** The server is the child of the launcher that runs server.js. */
function serverOf(launcher: number): number {
  const children = readFileSync(`/proc/${launcher}/task/${launcher}/children`, 'utf8').trim().split(' ').map(Number);
  return children.find((pid) => readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('server.js')) ?? 0;
}

export const forget = (home: string) => rmSync(dirname(home), { recursive: true, force: true });

/** One demo house for all tests of a worker. */
export const test = base.extend<object, { house: House }>({
  house: [
    async ({}, use) => {
      const house = await openHouse('demo');
      await use(house);
      await house.stop();
      forget(house.home);
    },
    { scope: 'worker', timeout: 120_000 },
  ],
});
export { expect };

export async function signIn(page: Page, house: House): Promise<void> {
  await page.goto(`${house.url}/sign-in`);
  await page.getByRole('button', { name: 'Sign in to the demo' }).click();
  await expect(page.getByRole('heading', { name: 'Which car, and what next?' })).toBeVisible();
}

/** Rolls in a fresh car and returns its id. */
export async function rollIn(page: Page, nickname: string): Promise<string> {
  await page.getByRole('button', { name: 'Roll a car in' }).click();
  await page.getByLabel('Nickname').fill(nickname);
  await page.getByLabel('Year built').fill('1966');
  await page.getByRole('radio', { name: 'Show car' }).check();
  await page.getByRole('radio', { name: 'By the sea' }).check();
  await page.getByLabel('Notes').fill('Taken in for this test');
  await page.getByRole('button', { name: 'Roll in', exact: true }).click();
  await expect(page).toHaveURL(/\/vehicles\//);
  await expect(page.getByRole('heading', { name: `${nickname}, 1966` })).toBeVisible();
  return page.url().split('/').at(-1)!;
}

/** Where a place of the panel (mm) lies in the window (px). */
export async function placeOn(page: Page, u: number, v: number): Promise<{ x: number; y: number }> {
  const transform = (await page.locator('section.sheet svg > g').first().getAttribute('transform'))!;
  const [x, y, scale] = /translate\(([-\d.e]+) ([-\d.e]+)\) scale\(([-\d.e]+)/
    .exec(transform)!
    .slice(1)
    .map(Number) as [number, number, number];
  const frame = (await page.locator('section.sheet svg').first().boundingBox())!;
  return { x: frame.x + x + u * scale, y: frame.y + y - v * scale };
}

export async function clickOn(page: Page, u: number, v: number): Promise<void> {
  const { x, y } = await placeOn(page, u, v);
  await page.mouse.click(x, y);
}

export async function tapOn(page: Page, u: number, v: number): Promise<void> {
  const { x, y } = await placeOn(page, u, v);
  await page.touchscreen.tap(x, y);
}

/** Readings of a panel with a rusty spot, as a gauge would export them. */
export function readingsCsv(
  panel: string,
  spot: { u: number; v: number; radius: number },
  area: { from: [number, number]; to: [number, number]; step: number },
): string {
  const lines = ['panel,layer,u_mm,v_mm,coating_um,metal_mm,note'];
  for (let u = area.from[0]; u <= area.to[0]; u += area.step) {
    for (let v = area.from[1]; v <= area.to[1]; v += area.step) {
      const gone = Math.hypot(u - spot.u, v - spot.v) < spot.radius;
      lines.push(`${panel},outer,${u},${v},${gone ? '' : 140},${gone ? 0.31 : 0.88},`);
    }
  }
  return `${lines.join('\n')}\n`;
}

/** The house's own addresses, as the signed-in page may use them. */
export async function api(page: Page, house: House) {
  const door = (await (await page.request.get(`${house.url}/api/door`)).json()) as { session: { csrf: string } };
  const headers = { 'x-aspecta-csrf': door.session.csrf };
  return {
    post: async (path: string, data: object) => {
      const answer = await page.request.post(`${house.url}/api${path}`, { headers, data });
      expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true);
    },
    put: async (path: string, data: object) => {
      const answer = await page.request.put(`${house.url}/api${path}`, { headers, data });
      expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true);
    },
    get: async <T>(path: string) => (await (await page.request.get(`${house.url}/api${path}`)).json()) as T,
  };
}

/** Makes the house read inches, mil and °F while something is done, and as it was again. */
export async function inInches(page: Page, house: House, work: () => Promise<void>): Promise<void> {
  const { get, put } = await api(page, house);
  const { id: _id, ...rules } = await get<Record<string, unknown>>('/shop');
  await put('/shop', { ...rules, unit: 'in', coatingUnit: 'mil', heatUnit: 'F' });
  try {
    await work();
  } finally {
    const { id: _now, ...kept } = await get<Record<string, unknown>>('/shop');
    const { unit, coatingUnit, heatUnit } = rules;
    await put('/shop', { ...kept, unit, coatingUnit, heatUnit });
  }
}

/** The car of the demo to which everything happens, and its repair that is decided so. */
export async function demoRepair(page: Page, house: House, choice: string): Promise<{ car: string; repair: string }> {
  const get = async <T>(path: string) => (await (await page.request.get(`${house.url}/api${path}`)).json()) as T;
  const cars = await get<{ id: string; nickname: string }[]>('/vehicles');
  const car = cars.find(({ nickname }) => nickname === 'Marigold')!.id;
  const repairs = await get<{ id: string; choice: string }[]>(`/vehicles/${car}/repairs`);
  return { car, repair: repairs.find((one) => one.choice === choice)!.id };
}
