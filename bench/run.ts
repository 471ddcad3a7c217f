import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { cpus } from 'node:os';
import { performance } from 'node:perf_hooks';
import { gzipSync } from 'node:zlib';
import { cutLine, cutPanelOf, lineByHand, tapesFor } from '@aspecta/core/cut';
import { closedJoints, closedWork, pieceJoints } from '@aspecta/core/repair';
import { bodyPlan, panelOf, sheetOf } from '@aspecta/core/body';
import {
  krige,
  mapThickness,
  nextReadings,
  proposeZones,
  type Sample,
  type VariogramModel,
} from '@aspecta/core/survey';
import { compare } from '@aspecta/core/verdict';
import { openHouse } from './house.ts';
import { measurePage } from './page.ts';
import { heart } from './heart.ts';
import { jobs } from './jobs.ts';
import { compareWhereNext } from './whereNext.ts';
import { planWelds } from '@aspecta/core/weld';
import { catalogue } from '@aspecta/contract/calc';
import { circle, type Point } from '@aspecta/core/geometry';

/* Measures beside a goal, and beside a general-purpose peer where there is one, in the same run. */
interface Row {
  work: string;
  median: string;
  goal: string;
  peer: string;
  met: boolean | null;
}
const rows: Row[] = [];
const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

function time(run: () => unknown, runs = 5): number {
  run();
  return median(
    Array.from({ length: runs }, () => {
      const begun = performance.now();
      run();
      return performance.now() - begun;
    }),
  );
}
const ms = (value: number) => `${value.toFixed(value < 10 ? 1 : 0)} ms`;
function row(work: string, took: number, goal: number, peer = '–'): void {
  rows.push({ work, median: ms(took), goal: `${goal} ms`, peer, met: took <= goal });
}

let state = 7;
const random = () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
const field = (u: number, v: number) => 0.85 - 0.4 * Math.exp(-((u - 500) ** 2 + (v - 300) ** 2) / 20_000);
const readings = (n: number): Sample[] =>
  Array.from({ length: n }, () => {
    const [u, v] = [random() * 1500, random() * 1000];
    return { u, v, value: field(u, v) + (random() - 0.5) * 0.03 };
  });
const grid = (n: number) =>
  Array.from({ length: n * n }, (_, i) => ({ u: ((i % n) / n) * 1500, v: (Math.floor(i / n) / n) * 1000 }));

// Kriging, beside the fastest general kriging package that was found in the registry.
const five = readings(500);
const model: VariogramModel = { kind: 'exponential', nugget: 0.0004, partialSill: 0.02, range: 180 };
const places = grid(100);
const ours = time(() => krige({ points: five, model, at: places }), 3);
const peer = createRequire(import.meta.url)('@sakitam-gis/kriging') as Peer | { default: Peer };
interface Peer {
  train(t: number[], x: number[], y: number[], model: string, sigma2: number, alpha: number): unknown;
  predict(x: number, y: number, variogram: unknown): number;
  variance(x: number, y: number, variogram: unknown): number;
}
const { train, predict, variance } = 'default' in peer ? peer.default : peer;
const begun = performance.now();
const trained = train(
  five.map((s) => s.value),
  five.map((s) => s.u),
  five.map((s) => s.v),
  'exponential',
  0,
  100,
);
// The peer is asked for a tenth of the places; its time grows in proportion.
const tenth = places.filter((_, i) => i % 10 === 0);
const trainTime = performance.now() - begun;
const asked = performance.now();
for (const { u, v } of tenth) {
  predict(u, v, trained);
  variance(u, v, trained);
}
const theirs = trainTime + (performance.now() - asked) * 10;
row('krige 500 readings → 100 × 100 grid with variance', ours, 300, `${ms(theirs)} (${(theirs / ours).toFixed(1)} ×)`);

const plan = bodyPlan('saloon');
const quarter = panelOf(plan, 'quarter-l');
const onPanel = readings(500);
row(
  'map of a panel with 500 readings, zones proposed',
  time(
    () => proposeZones(mapThickness({ sheet: sheetOf(quarter), asBuilt: 0.9, readings: onPanel }), sheetOf(quarter)),
    3,
  ),
  500,
);
row(
  'cut line on a panel',
  time(() =>
    cutLine({
      panel: { outline: quarter.outline, openings: sheetOf(quarter).slice(1), creases: quarter.creases },
      damage: [circle([1000, 200], 60)],
      margin: 20,
    }),
  ),
  150,
);
const dragged = {
  panel: cutPanelOf(plan, quarter),
  damage: [circle([1000, 200], 60)],
  margin: 20,
};
const held = cutLine(dragged).laid;
let pull = 0;
row(
  'a corner dragged: line, tapes and joints',
  time(() => {
    const line = lineByHand({
      ...dragged,
      corners: held.map(([u, v], i): Point => (i === 1 ? [u + ++pull, v] : [u, v])),
    });
    tapesFor({ panel: quarter, line, unit: 'mm' });
    return closedWork(closedJoints(pieceJoints(plan, quarter, line.outline), { visible: true }), {
      visible: true,
      made: true,
    });
  }),
  100,
);
const verdictExample = catalogue.find((entry) => entry.id === 'verdict.compare')!.example as unknown as Parameters<
  typeof compare
>[0];
row(
  'verdict for one repair, 10,000 runs × 6 options',
  time(() => compare({ ...verdictExample, house: { runs: 10_000, overlay: true } })),
  200,
);
const square: Point[] = [
  [0, 0],
  [400, 0],
  [400, 380],
  [0, 380],
];
row(
  'weld sequence for 120 stitches',
  time(() => planWelds({ seams: [{ points: square, closed: true }], process: 'mig', thickness: 0.9 }), 3),
  5000,
);

const two = readings(2000);
row(
  'krige 2,000 readings → 100 × 100 grid with variance',
  time(() => krige({ points: two, model, at: places }), 3),
  3000,
);
row(
  'next reading on a panel with 120 readings',
  time(() => nextReadings({ points: readings(120), outline: sheetOf(quarter), limit: 0.63, count: 3, minSpacing: 25 })),
  100,
);
heart(row);
jobs(row);
const saved = compareWhereNext(50);
rows.push({
  work: 'readings until 95 % of the area is on its right side, where advised, against a regular grid (50 seeded panels)',
  median: `${Math.round(100 * saved.ratio)} %`,
  goal: '60 %',
  peer: `regular grid, ${saved.comparisons.reduce((sum, c) => sum + c.grid, 0)} readings; advised ${saved.comparisons.reduce((sum, c) => sum + c.advised, 0)}; worst panel ${Math.round(100 * saved.worst)} %`,
  met: saved.ratio <= 0.6,
});
rows.push(firstPage());
await apiReads();

/** JavaScript that the first page needs, gzipped: the entry, what it preloads, and the first station. */
function firstPage(): Row {
  const dist = new URL('../web/dist/', import.meta.url);
  const html = readFileSync(new URL('index.html', dist), 'utf8');
  const todo = [
    ...[...html.matchAll(/assets\/([\w.-]+\.js)/g)].map((match) => match[1]!),
    ...readdirSync(new URL('assets/', dist)).filter((name) => /^GaragePage-.*\.js$/.test(name)),
  ];
  // What is imported where it is read comes too; what is imported when it is wanted does not.
  const needed = new Map<string, string>();
  for (let name = todo.pop(); name; name = todo.pop()) {
    if (needed.has(name)) continue;
    const text = readFileSync(new URL(`assets/${name}`, dist), 'utf8');
    needed.set(name, text);
    todo.push(...[...text.matchAll(/(?:import|from)\s*"\.\/([\w.-]+\.js)"/g)].map((match) => match[1]!));
  }
  const bytes = [...needed.values()].reduce((sum, text) => sum + gzipSync(text).length, 0);
  return {
    work: 'JavaScript until the first page can be used, gzipped',
    median: `${Math.round(bytes / 1000)} kB`,
    goal: '400 kB',
    peer: '–',
    met: bytes <= 400_000,
  };
}

/** Median time from storing a reading until an open page of another device is told of it, ms. */
async function seenElsewhere(url: string, car: string, cookie: string, { csrf }: { csrf: string }): Promise<number> {
  const stop = new AbortController();
  const stream = await fetch(`${url}/api/vehicles/${car}/live`, { headers: { cookie }, signal: stop.signal });
  const lines = stream.body!.pipeThrough(new TextDecoderStream()).getReader();
  const times: number[] = [];
  for (let i = 0; i < 9; i++) {
    const id = crypto.randomUUID();
    const reading = { id, panel: 'roof', layer: 'outer', u: 300 + i, v: 300, metalMm: 0.88 };
    const start = performance.now();
    await fetch(`${url}/api/vehicles/${car}/readings`, {
      method: 'POST',
      headers: { cookie, 'content-type': 'application/json', 'x-aspecta-csrf': csrf },
      body: JSON.stringify({ readings: [reading] }),
    });
    for (let told = ''; !told.includes(id);) told += (await lines.read()).value ?? '';
    times.push(performance.now() - start);
  }
  stop.abort();
  return median(times);
}

/** Median of API reads on the demo, over HTTP, on a server of its own. */
async function apiReads(): Promise<void> {
  const { url, end } = await openHouse('demo', { server: 4480, database: 34_950 });
  const entered = await fetch(`${url}/api/session/demo`, { method: 'POST' });
  const cookie = entered.headers.getSetCookie()[0]!.split(';')[0]!;
  const get = async (path: string) =>
    (await fetch(`${url}/api${path}`, { headers: { cookie } })).json() as Promise<never>;
  const [car] = (await get('/vehicles')) as { id: string }[];
  row(
    'another device sees a reading',
    await seenElsewhere(url, car!.id, cookie, (await entered.json()) as never),
    1000,
  );
  const repairs = (await get(`/vehicles/${car!.id}/repairs`)) as { id: string; choice: string }[];
  const patch = repairs.find((repair) => repair.choice === 'patch')!.id;
  for (const [name, path] of [
    ['board', `/vehicles/${car!.id}/board`],
    ['garage', '/vehicles'],
    ['readings of a panel', `/vehicles/${car!.id}/panels/quarter-l/readings`],
    ['zones of a panel', `/vehicles/${car!.id}/panels/quarter-l/zones`],
    ['cut plan', `/repairs/${patch}/cut`],
    ['weld plan', `/repairs/${patch}/weld`],
    ['order book', '/orders'],
  ] as const) {
    const times: number[] = [];
    for (let i = 0; i < 25; i++) {
      const start = performance.now();
      await get(path);
      times.push(performance.now() - start);
    }
    row(`API read on the demo: ${name}`, median(times.slice(3)), 30);
  }
  const feel = await measurePage(url);
  row(
    `Board of ${feel.panels} panels with 10,000 readings, from the tap on the car until it is drawn`,
    feel.board,
    300,
  );
  row('map of 2,000 readings in the worker', feel.map, 3000);
  row('zoom and pan with 2,000 readings: longest wait for a frame', feel.longest, 100);
  row('gallery of 500 pictures', feel.gallery, 1000);
  await end();
}

process.stdout.write(
  `Measured on Node ${process.version}, ${cpus().length} × ${cpus()[0]?.model.trim() ?? 'processor'}; medians.\n\n`,
);
process.stdout.write('| work | median | goal | peer in the same run | met |\n|---|---|---|---|---|\n');
for (const entry of rows)
  process.stdout.write(
    `| ${entry.work} | ${entry.median} | ${entry.goal} | ${entry.peer} | ${entry.met ? 'yes' : 'no'} |\n`,
  );
