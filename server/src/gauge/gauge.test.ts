import { randomUUID } from 'node:crypto';
import { request, type Server } from 'node:http';
import { createServer, type AddressInfo, type Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { GaugeEvent } from '@aspecta/contract/gauge';
import type { LiveChange } from '@aspecta/contract/live';
import { serveGauge } from '../stand-ins/gauges.ts';
import { openHouse, ownerOf, reading, vehicleOf, type House, type Visitor } from '../testing/house.ts';
import { gaugeAddresses } from './service.ts';

let house: House;
let owner: Visitor;
let other: Visitor;
let http: Server;
let standIn: Awaited<ReturnType<typeof serveGauge>>;
let odd: ReturnType<typeof createServer>;
let sockets: Socket[];

const portOf = (server: { address(): unknown }) => (server.address() as AddressInfo).port;
beforeAll(async () => {
  sockets = [];
  standIn = await serveGauge('coating', 0);
  odd = createServer((socket) => void sockets.push(socket.on('error', () => undefined)));
  await new Promise<void>((done) => odd.listen(0, '127.0.0.1', done));
  house = await openHouse({
    gauges: gaugeAddresses(
      `coating@127.0.0.1:${portOf(standIn)}!,thickness@127.0.0.1:${portOf(odd)},coating@127.0.0.1:9`,
    ),
  });
  http = house.app.http.listen(0, '127.0.0.1');
  owner = await ownerOf(house);
  other = await ownerOf(house, 'Next door');
});
afterAll(async () => {
  http.closeAllConnections();
  http.close();
  standIn.close();
  for (const socket of sockets) socket.destroy();
  odd.close();
  await house.close();
});

/** Listens to a stream of the server as a browser does. */
async function listen<T>(visitor: Visitor, path: string) {
  const cookie = (visitor.agent as unknown as { jar: { getCookies(access: unknown): { toValueString(): string } } }).jar
    .getCookies({ domain: '127.0.0.1', path: '/', secure: false, script: false })
    .toValueString();
  const events: T[] = [];
  const waiting: (() => void)[] = [];
  const stream = request({ port: portOf(http), host: '127.0.0.1', path: `/api${path}`, headers: { cookie } });
  const status = await new Promise<number>((resolve) => {
    stream.once('response', (response) => {
      resolve(response.statusCode!);
      response.setEncoding('utf8');
      let rest = '';
      response.on('data', (chunk: string) => {
        const parts = (rest + chunk).split('\n\n');
        rest = parts.pop()!;
        for (const part of parts) if (part.startsWith('data: ')) events.push(JSON.parse(part.slice(6)) as T);
        waiting.splice(0).forEach((wake) => wake());
      });
    });
    stream.end();
  });
  const until = async (test: (event: T) => boolean): Promise<T> => {
    for (;;) {
      const found = events.find(test);
      if (found) return found;
      await new Promise<void>((wake) => waiting.push(wake));
    }
  };
  return { status, events, until, close: () => stream.destroy() };
}
const list = async (visitor: Visitor) =>
  (await visitor.get('/gauges').expect(200)).body as { id: string; inUseBy: string | null }[];

describe('a simulated gauge', () => {
  it('is taken in hand, zeroed, told its place, and reads what is hidden there', async () => {
    const [gauge] = await list(owner);
    const stream = await listen<GaugeEvent>(owner, `/gauges/${gauge!.id}/stream`);
    expect(stream.status).toBe(200);
    await stream.until((event) => event.type === 'hello');
    expect((await list(other))[0]!.inUseBy).toBe('another shop');
    await owner.post(`/gauges/${gauge!.id}/zero`).expect(204);
    await stream.until((event) => event.type === 'zeroed');
    // The demo's door has filler at 640/260: over 2,000 µm there, paint of about 300 µm far from it.
    await owner
      .post(`/gauges/${gauge!.id}/place`, { panel: 'door-skin-l', layer: 'outer', u: 640, v: 260 })
      .expect(204);
    await owner.post(`/gauges/${gauge!.id}/press`).expect(204);
    const over = await stream.until((event) => event.type === 'reading');
    expect(over).toMatchObject({ kind: 'coating', value: 2000, censored: 'above' });
    await owner
      .post(`/gauges/${gauge!.id}/place`, { panel: 'door-skin-l', layer: 'outer', u: 100, v: 500 })
      .expect(204);
    await owner.post(`/gauges/${gauge!.id}/press`).expect(204);
    const paint = await stream.until((event) => event.type === 'reading' && event.censored === null);
    expect((paint as { value: number }).value).toBeGreaterThan(240);
    expect((paint as { value: number }).value).toBeLessThan(360);
    expect((await listen(other, `/gauges/${gauge!.id}/stream`)).status).toBe(409);
    await other.post(`/gauges/${gauge!.id}/press`).expect(409);
    stream.close();
    await expect.poll(async () => (await list(owner))[0]!.inUseBy).toBeNull();
  });

  it('has a battery that runs down, and drifts until it is zeroed', async () => {
    const [gauge] = await list(owner);
    const stream = await listen<GaugeEvent>(owner, `/gauges/${gauge!.id}/stream`);
    await owner.post(`/gauges/${gauge!.id}/place`, { panel: 'roof', layer: 'outer', u: 500, v: 500 }).expect(204);
    for (let i = 0; i < 65; i++) await owner.post(`/gauges/${gauge!.id}/press`).expect(204);
    await stream.until((event) => event.type === 'battery' && event.percent < 60);
    expect(await stream.until((event) => event.type === 'drift')).toMatchObject({
      text: expect.stringMatching(/zero it/),
    });
    stream.close();
  });
});

describe('an odd gauge', () => {
  const oddGauge = async () => (await list(owner))[1]!.id;
  it('that sends rubbish, repeats itself or stops is told apart from one that reads', async () => {
    const stream = await listen<GaugeEvent>(owner, `/gauges/${await oddGauge()}/stream`);
    await expect.poll(() => sockets.length).toBeGreaterThan(0);
    const socket = sockets.at(-1)!;
    socket.write('R 5 0.84\r\n#?!\u0007\r\nR 5 0.84\r\nR 4 0.10\r\nR 6 NO');
    socket.write(`NE\r\n${'x'.repeat(5000)}`);
    await stream.until((event) => event.type === 'nonsense' && event.text.startsWith('x'));
    expect(stream.events.filter((event) => event.type === 'reading')).toEqual([
      { type: 'reading', seq: 5, kind: 'thickness', value: 0.84, censored: null },
      { type: 'reading', seq: 6, kind: 'thickness', value: null, censored: null },
    ]);
    socket.destroy();
    expect(await stream.until((event) => event.type === 'gone')).toMatchObject({
      text: expect.stringMatching(/stored/),
    });
    stream.close();
    await owner.post(`/gauges/${await oddGauge()}/press`).expect(404);
  });

  it('that does not answer is said so', async () => {
    const away = (await list(owner))[2]!.id;
    expect((await listen(owner, `/gauges/${away}/stream`)).status).toBe(502);
    expect((await listen(owner, '/gauges/none/stream')).status).toBe(404);
  });

  it('is asked for by its address only', () => {
    expect(gaugeAddresses(undefined)).toEqual([]);
    expect(gaugeAddresses('nonsense,laser@x:1')).toEqual([]);
    expect(gaugeAddresses('coating@127.0.0.1:4961!')[0]).toMatchObject({ kind: 'coating', port: 4961, standIn: true });
  });
});

describe('two phones on one car', () => {
  it('see each other’s readings and finds, once, also those that are taken out and brought back', async () => {
    const vehicle = await vehicleOf(owner);
    const live = await listen<LiveChange>(owner, `/vehicles/${vehicle}/live`);
    const one = reading();
    await owner.post(`/vehicles/${vehicle}/readings`, { readings: [one] }).expect(201);
    await live.until((change) => change.readings.some((entry) => entry.id === one.id));
    await owner.post(`/vehicles/${vehicle}/readings/withdraw`, { ids: [one.id], withdrawn: true }).expect(200);
    await live.until((change) => change.readings.some((entry) => entry.withdrawn));
    await owner.post(`/vehicles/${vehicle}/readings/withdraw`, { ids: [one.id], withdrawn: false }).expect(200);
    await live.until(() => live.events.flatMap((change) => change.readings).length === 3);
    expect(live.events.flatMap((change) => change.readings.map(({ withdrawn }) => withdrawn))).toEqual([
      false,
      true,
      false,
    ]);
    const find = { id: randomUUID(), panel: 'sill-l', layer: 'outer', u: 300, v: 60, sign: 'hole', note: '' };
    await owner.post(`/vehicles/${vehicle}/finds`, find).expect(201);
    await live.until((change) => change.finds.some(({ id }) => id === find.id));
    await owner.post(`/vehicles/${vehicle}/finds/${find.id}/remove`).expect(204);
    await live.until((change) => change.findsGone.includes(find.id));
    await owner.post(`/vehicles/${vehicle}/finds/${find.id}/restore`).expect(204);
    await live.until(() => live.events.flatMap((change) => change.finds).length === 2);
    live.close();
    expect((await listen(other, `/vehicles/${vehicle}/live`)).status).toBe(404);
  });
  it('are told of what is none of these, so that their pages ask anew', async () => {
    const vehicle = await vehicleOf(owner);
    const live = await listen<LiveChange>(owner, `/vehicles/${vehicle}/live`);
    const round = { id: randomUUID(), name: 'Before the first cut', stand: 'stands' };
    await owner.post(`/vehicles/${vehicle}/hold/rounds`, round).expect(201);
    await live.until((change) => Object.values(change).every((list) => list.length === 0));
    // And of nothing before: a page that has just loaded knows all.
    expect(live.events).toHaveLength(1);
    live.close();
  });
});
