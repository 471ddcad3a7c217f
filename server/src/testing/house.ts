import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import supertest from 'supertest';
import { afterAll, beforeAll, inject } from 'vitest';
import type { DataSource } from 'typeorm';
import type { NewInvitation } from '@aspecta/contract/account';
import type { Role } from '@aspecta/contract/shop';
import type { VehicleInput } from '@aspecta/contract/garage';
import type { Shop } from '@aspecta/contract/shop';
import type { RepairView } from '@aspecta/contract/verdict';
import { createApp, type App, type AppOptions } from '../app.ts';
import type { GaugeAddress } from '../gauge/service.ts';
import type { DatabaseAddress } from '../db/address.ts';
import { createDataSource } from '../db/dataSource.ts';
import { migrate } from '../db/migrate.ts';
import { emptyDatabase } from './database.ts';
import { ShopService } from '../shop/service.ts';

export interface House {
  app: App;
  db: DataSource;
  address: DatabaseAddress;
  close(): Promise<void>;
}

/** The whole server on a fresh, migrated database of its own. */
export async function openHouse(
  options: {
    demo?: boolean;
    triesPerQuarterHour?: number;
    gauges?: GaugeAddress[];
    hosts?: string[];
    load?: AppOptions['load'];
  } = {},
): Promise<House> {
  const address = await emptyDatabase(inject('database'));
  const db = await createDataSource(address).initialize();
  await migrate(db);
  const app = createApp({
    db,
    address,
    logger: pino({ level: 'silent' }),
    secret: 'for tests only',
    // As under the default home: below a folder whose name begins with a dot.
    files: join(mkdtempSync(join(tmpdir(), 'aspecta-files-')), '.aspecta', 'shop', 'files'),
    triesPerQuarterHour: 1000,
    ...options,
  });
  return {
    app,
    db,
    address,
    close: async () => {
      await app.close();
      await db.destroy();
    },
  };
}

/** A browser of one person: keeps the cookie and sends the token. */
export class Visitor {
  readonly agent: ReturnType<typeof supertest.agent>;
  csrf = '';

  constructor(house: House) {
    this.agent = supertest.agent(house.app.http);
  }

  async signIn(email: string, password: string): Promise<this> {
    const { body } = await this.agent.post('/api/session').send({ email, password }).expect(200);
    this.csrf = (body as { csrf: string }).csrf;
    return this;
  }

  get = (path: string) => this.agent.get(`/api${path}`);
  post = (path: string, body: object = {}) =>
    this.agent.post(`/api${path}`).set('x-aspecta-csrf', this.csrf).send(body);
  put = (path: string, body: object = {}) => this.agent.put(`/api${path}`).set('x-aspecta-csrf', this.csrf).send(body);
  delete = (path: string) => this.agent.delete(`/api${path}`).set('x-aspecta-csrf', this.csrf);
}

export const PASSWORD = 'a long enough password';

/** A shop with its owner, signed in. */
export async function ownerOf(house: House, shop = 'Testbench'): Promise<Visitor> {
  const email = `${randomUUID().slice(0, 8)}@bench.example`;
  await house.app.house.the(ShopService).createShop({ shop, name: 'Owner Test', email, password: PASSWORD });
  return new Visitor(house).signIn(email, PASSWORD);
}

/** Somebody who was invited into a shop and has joined it, signed in. */
export async function memberOf(
  house: House,
  owner: Visitor,
  { role, name = 'Jo Bench' }: { role: Role; name?: string },
): Promise<{ visitor: Visitor; id: string; email: string }> {
  const { token } = (await owner.post('/shop/invitations', { name, role }).expect(201)).body as NewInvitation;
  const visitor = new Visitor(house);
  const email = `${randomUUID().slice(0, 8)}@bench.example`;
  const { body } = await visitor.post(`/invitations/${token}`, { name, email, password: PASSWORD }).expect(201);
  visitor.csrf = body.csrf as string;
  return { visitor, id: body.person.id as string, email };
}

export const car: VehicleInput = {
  nickname: 'Old grey',
  year: 1967,
  planId: 'saloon',
  goal: 'driver',
  climate: 'wet',
  past: [],
  notes: '',
};

export async function vehicleOf(visitor: Visitor, planId = car.planId): Promise<string> {
  return ((await visitor.post('/vehicles', { ...car, planId }).expect(201)).body as { id: string }).id;
}

/** The shop reads inches, mil and °F from now on; returns how to go back. */
export async function readInches(owner: Visitor): Promise<() => Promise<void>> {
  const read = async (unit: string, coatingUnit: string, heatUnit: string) => {
    const { id: _id, ...rules } = (await owner.get('/shop').expect(200)).body as Shop;
    await owner.put('/shop', { ...rules, unit, coatingUnit, heatUnit }).expect(200);
  };
  await read('in', 'mil', 'F');
  return () => read('mm', 'um', 'C');
}

/** A round hole in the quarter panel, as a zone. */
export function zoneInput(over: object = {}): Record<string, unknown> {
  return {
    id: randomUUID(),
    panel: 'quarter-l',
    layer: 'outer',
    ring: [
      [1100, 300],
      [1200, 300],
      [1200, 380],
      [1100, 380],
    ],
    class: 'through',
    evidence: 'stripped',
    holes: [],
    note: '',
    overruled: '',
    ...over,
  };
}

export const reading = (over: object = {}) => ({
  id: randomUUID(),
  panel: 'sill-l',
  layer: 'outer',
  u: 300,
  v: 60,
  metalMm: 1.1,
  ...over,
});

/** A square as an outline, from its lower left corner, mm. */
export const squareAt = (u: number, v: number, side: number): [number, number][] => [
  [u, v],
  [u + side, v],
  [u + side, v + side],
  [u, v + side],
];

/** Damage on a sill, which carries load and is hollow. */
export const ON_SILL = {
  panel: 'sill-l',
  layer: 'outer',
  ring: [
    [300, 20],
    [420, 20],
    [420, 90],
    [300, 90],
  ],
};

/** A zone that somebody has decided on. */
export async function decided(
  visitor: Visitor,
  vehicle: string,
  choice: string,
  zone: object = {},
): Promise<RepairView> {
  const made = await visitor.post(`/vehicles/${vehicle}/zones`, zoneInput(zone)).expect(201);
  const zoneIds = [(made.body as { id: string }).id];
  const input = { id: randomUUID(), zoneIds, choice, reason: 'a test decision' };
  return (await visitor.post(`/vehicles/${vehicle}/repairs`, input).expect(201)).body as RepairView;
}

/** For one file of tests: a house with an owner and a car of theirs, there before the first test and closed after the last. */
export function houseWithCar(): { house: House; owner: Visitor; vehicle: string } {
  const at = {} as { house: House; owner: Visitor; vehicle: string };
  beforeAll(async () => {
    at.house = await openHouse();
    at.owner = await ownerOf(at.house);
    at.vehicle = await vehicleOf(at.owner);
  });
  afterAll(() => at.house.close());
  return at;
}
