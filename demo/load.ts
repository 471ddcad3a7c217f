import { randomUUID } from 'node:crypto';
import { existsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Climate, Goal, Past } from '@aspecta/contract/garage';
import type { Role, Unit } from '@aspecta/contract/shop';
import type { Evidence } from '@aspecta/contract/survey';
import type { OrderState } from '@aspecta/core/order';
import type { ZoneClass } from '@aspecta/core/survey';
import type { OptionId } from '@aspecta/core/verdict';
import type { ArcProcess, Position, Strategy } from '@aspecta/core/weld';
import { buildServices, type Services } from '@aspecta/server/app';
import { createDataSource, databaseAddress } from '@aspecta/server/db/dataSource';
import { migrate } from '@aspecta/server/db/migrate';
import type { Caller } from '@aspecta/server/http/session';
import readings from './readings/index.ts';
import { inspect, type InspectionStory } from './inspect.ts';
import scenario from './scenario.json' with { type: 'json' };

/*
 * Loads the demo through the services of the house, so that everything it shows is really
 * computed. A load that was cut off half-way is thrown away and begun again.
 */
const home = process.env['ASPECTA_HOME'] ?? '.aspecta/demo';
const done = join(home, 'demo-loaded');
const DAY = 86_400_000;
const dayAt = (offset: number) => new Date(Date.now() + offset * DAY).toISOString().slice(0, 10);

export async function loadDemo(services: Services): Promise<void> {
  const owner = await people(services);
  for (const [i, vehicle] of scenario.vehicles.entries()) {
    const { id } = await services.garage.add(owner, {
      nickname: vehicle.nickname,
      year: vehicle.year,
      planId: vehicle.planId,
      goal: vehicle.goal as Goal,
      climate: vehicle.climate as Climate,
      past: vehicle.past as Past[],
      notes: vehicle.notes,
    });
    const own = await services.garage.own(owner, id);
    if (own.planId === 'saloon') for (const offer of scenario.offers) await services.offers.add(owner, own, offer);
    if (i === 0) for (const csv of Object.values(readings)) await importAll(services, owner, id, csv);
    await inspect(services, owner, id, vehicle.inspection as InspectionStory | undefined);
    const zones = await drawZones(services, owner, id, vehicle.zones as Zone[]);
    for (const decision of vehicle.decisions as Decision[]) await decide(services, owner, id, decision, zones);
    for (const order of vehicle.orders as Order[]) await follow(services, owner, id, order);
  }
}

interface Zone {
  key: string;
  panel: string;
  layer: string;
  class: ZoneClass;
  evidence: Evidence;
  note: string;
  ring: [number, number][];
  /** What showed of it before it was opened. */
  showed?: { evidence: Evidence; class: ZoneClass; ring: [number, number][] };
  /** Why its class is not the one of its readings. */
  overruled?: string;
}
interface Decision {
  zones: string[];
  choice: OptionId;
  reason: string;
  done?: boolean;
  stepsDone?: number;
  weld?: { process: ArcProcess; position: Position; handWarm: number; strategy: Strategy };
}
interface Order {
  panel: string;
  maker: string;
  price: number;
  quantity: number;
  carriage: number;
  note: string;
  moves: [OrderState, number, number?][];
}

async function people(services: Services): Promise<Caller> {
  const [first, ...others] = scenario.people;
  const owner = await services.shops.createShop({
    shop: scenario.shop.name,
    name: first!.name,
    email: first!.email,
    password: scenario.password,
  });
  const { unit, ...rules } = scenario.shop;
  await services.shops.changeShop(owner, { ...rules, unit: unit as Unit, overlay: false, temperature: 18, version: 1 });
  for (const person of others)
    await services.accounts.addPerson(owner, { ...person, role: person.role as Role, password: scenario.password });
  return owner;
}

async function importAll(services: Services, owner: Caller, vehicle: string, csv: string): Promise<void> {
  const { errors } = await services.readings.importFile(owner, vehicle, Buffer.from(csv), true);
  if (errors.length > 0) throw new Error(`Demo readings: ${JSON.stringify(errors[0])}`);
}

async function drawZones(
  services: Services,
  owner: Caller,
  vehicle: string,
  zones: readonly Zone[],
): Promise<Map<string, string>> {
  const ids = new Map<string, string>();
  for (const { key, showed, overruled = '', ...found } of zones) {
    const zone = { ...found, holes: [], overruled };
    // What showed first is drawn first, so that its prediction can be held against what was found.
    const first = showed ? { ...zone, ...showed, overruled: 'As it showed at first' } : zone;
    const { id, version } = await services.zones.add(owner, vehicle, { ...first, id: randomUUID() });
    if (showed) await services.zones.change(owner, vehicle, id, { ...zone, version });
    ids.set(key, id);
  }
  return ids;
}

async function decide(
  services: Services,
  owner: Caller,
  vehicle: string,
  decision: Decision,
  zones: ReadonlyMap<string, string>,
): Promise<void> {
  const zoneIds = decision.zones.map((key) => zones.get(key)!);
  const repair = await services.verdicts.decide(owner, vehicle, {
    id: randomUUID(),
    zoneIds,
    choice: decision.choice,
    reason: decision.reason,
  });
  if (decision.done)
    await services.verdicts.change(owner, repair.id, {
      choice: repair.choice,
      reason: repair.reason,
      done: true,
      version: repair.version,
    });
  if (!decision.weld) return;
  const plan = await services.welds.layOut(owner, repair.id, { ...decision.weld, version: 0 });
  await services.welds.acknowledge(owner, repair.id);
  const steps = Math.round(plan.plan.steps.length * (decision.stepsDone ?? 0));
  for (let n = 1; n <= steps; n++)
    await services.welds.tick(owner, repair.id, n, { done: true, version: plan.version });
}

async function follow(services: Services, owner: Caller, vehicleId: string, { moves, ...order }: Order): Promise<void> {
  let line = await services.orders.add(owner, { ...order, vehicleId, due: null });
  for (const [state, on, due] of moves)
    line = await services.orders.move(owner, line.id, {
      state,
      on: dayAt(on),
      due: due === undefined ? null : dayAt(due),
      version: line.version,
    });
}

async function main(): Promise<void> {
  if (existsSync(done)) return;
  const db = await createDataSource(databaseAddress()).initialize();
  await db.dropDatabase();
  await migrate(db);
  const services = buildServices(db, join(home, 'files'));
  await loadDemo(services);
  await services.bench.close();
  await db.destroy();
  writeFileSync(done, new Date().toISOString());
}

if (process.argv[1]?.endsWith('demo.js')) await main();
