import { cpus } from 'node:os';
import { performance } from 'node:perf_hooks';
import { openHouse } from './house.ts';

/*
 * A shop with much in it, asked by many at once: mixed reads at a fixed pace, sent when their moment
 * comes whether or not the ones before are answered, so that a slow answer does not hide behind the next.
 */
const CARS = Number(process.env['ASPECTA_LOAD_CARS'] ?? 50);
const READINGS = Number(process.env['ASPECTA_LOAD_READINGS'] ?? 10_000);
const PER_SECOND = 100;
const SECONDS = 60;
/** Every so many seconds this many requests come at one moment: some pages are opened at once. */
const BURST = { every: 10, count: Number(process.env['ASPECTA_LOAD_BURST'] ?? 30) };
const PANELS = ['bonnet', 'roof', 'boot-floor', 'floor-front-l', 'floor-front-r'];

const { url, end } = await openHouse('start', { server: 4485, database: 34_960 });
const { cookie, csrf } = await enter();
const cars = await fill();
await measure();
await end();

async function enter(): Promise<{ cookie: string; csrf: string }> {
  const answer = await fetch(`${url}/api/setup`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      shop: 'Much work',
      name: 'Load Owner',
      email: 'load@bench.example',
      password: 'four quiet welders sing',
    }),
  });
  return {
    cookie: answer.headers.getSetCookie()[0]!.split(';')[0]!,
    csrf: ((await answer.json()) as { csrf: string }).csrf,
  };
}

async function send<T>(path: string, body: string | object): Promise<T> {
  const answer = await fetch(`${url}/api${path}`, {
    method: 'POST',
    headers: {
      cookie,
      'x-aspecta-csrf': csrf,
      'content-type': typeof body === 'string' ? 'text/csv' : 'application/json',
    },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
}

/** Cars with readings on five panels each, some zones and some decisions. */
async function fill(): Promise<string[]> {
  const ids: string[] = [];
  for (let i = 0; i < CARS; i++) {
    const vehicle = {
      nickname: `Car ${i + 1}`,
      year: 1960,
      planId: 'saloon',
      goal: 'driver',
      climate: 'wet',
      notes: '',
    };
    const { id } = await send<{ id: string }>('/vehicles', vehicle);
    for (const panel of PANELS) {
      const lines = ['panel,layer,u_mm,v_mm,metal_mm'];
      for (let n = 0; n < READINGS / PANELS.length; n++) {
        const [u, v] = [250 + ((n * 379) % 500) + (n % 7) * 0.3, 150 + ((n * 211) % 250) + (n % 11) * 0.2];
        lines.push(
          `${panel},outer,${u.toFixed(1)},${v.toFixed(1)},${(0.86 - 0.4 * Math.exp(-((u - 500) ** 2) / 9000)).toFixed(3)}`,
        );
      }
      await send(`/vehicles/${id}/readings/import?store=1`, lines.join('\n'));
    }
    for (let n = 0; n < 5; n++) {
      const [u, v] = [300 + n * 80, 200];
      const zone = {
        ...{
          id: crypto.randomUUID(),
          panel: PANELS[n]!,
          layer: 'outer',
          class: 'thin',
          evidence: 'stripped',
          note: '',
        },
        ring: [
          [u, v],
          [u + 60, v],
          [u + 60, v + 50],
          [u, v + 50],
        ],
        holes: [],
        overruled: 'load',
      };
      await send(`/vehicles/${id}/zones`, zone);
    }
    ids.push(id);
    process.stderr.write(`\r${i + 1} of ${CARS} cars`);
  }
  process.stderr.write('\n');
  return ids;
}

function say(line: string): void {
  process.stdout.write(`${line}\n`);
}

async function measure(): Promise<void> {
  const any = <T>(list: readonly T[], n: number) => list[(n * 7919) % list.length]!;
  const reads = [
    () => '/vehicles',
    (n: number) => `/vehicles/${any(cars, n)}`,
    (n: number) => `/vehicles/${any(cars, n)}/board`,
    (n: number) => `/vehicles/${any(cars, n)}/panels/${any(PANELS, n)}/zones`,
    (n: number) => `/vehicles/${any(cars, n)}/repairs`,
    (n: number) => `/vehicles/${any(cars, n)}/finds`,
    () => '/orders',
    () => '/shop',
    () => '/door',
    // A panel with two thousand readings is two hundred kilobytes; opened less often than all else.
    (n: number) => (n % 50 === 1 ? `/vehicles/${any(cars, n)}/panels/${any(PANELS, n)}/readings` : '/vehicles'),
  ];
  const took = new Map<string, number[]>();
  const statuses = new Map<number, number>();
  const one = async (n: number) => {
    const path = any(reads, n)(n);
    const begun = performance.now();
    const answer = await fetch(`${url}/api${path}`, { headers: { cookie } });
    await answer.arrayBuffer();
    const kind = path.replace(/[0-9a-f-]{36}/, 'ID').replace(/panels\/[\w-]+/, 'panels/PANEL');
    took.set(kind, [...(took.get(kind) ?? []), performance.now() - begun]);
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
  };
  // Every car once, as after a night: what is known of it is counted then.
  for (let n = 0; n < cars.length; n++)
    await (await fetch(`${url}/api/vehicles/${cars[n]}/board`, { headers: { cookie } })).arrayBuffer();
  const pending: Promise<void>[] = [];
  const begun = performance.now();
  let state = 11;
  const random = () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
  for (let n = 0, second = 0, due = begun; second < SECONDS; n++) {
    // As people ask: by chance, one after the other, so that some come close together.
    due -= (Math.log(1 - random()) * 1000) / PER_SECOND;
    if (due > performance.now()) await new Promise((done) => setTimeout(done, due - performance.now()));
    pending.push(one(n));
    if (due - begun > (second + 1) * 1000) {
      second = Math.floor((due - begun) / 1000);
      if (second % BURST.every === 0) for (let i = 0; i < BURST.count; i++) pending.push(one(n * 31 + i));
    }
  }
  await Promise.all(pending);
  const all = [...took.values()].flat();
  const quantile = (list: readonly number[], q: number) =>
    [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))]!.toFixed(0);
  say(
    `Mixed reads, ${CARS} cars × ${READINGS} readings, ${PER_SECOND} a second for ${SECONDS} s, ${BURST.count} more at one moment every ${BURST.every} s.`,
  );
  say(`Node ${process.version}, ${cpus().length} × ${cpus()[0]?.model.trim()}; client and server on one machine.\n`);
  say('| read | count | p50 | p99 |\n|---|---|---|---|');
  for (const [kind, list] of took)
    say(`| ${kind} | ${list.length} | ${quantile(list, 0.5)} ms | ${quantile(list, 0.99)} ms |`);
  say(`| all | ${all.length} | ${quantile(all, 0.5)} ms | ${quantile(all, 0.99)} ms |`);
  say(`\nAnswers: ${[...statuses].map(([status, count]) => `${count} × ${status}`).join(', ')}.`);
}
