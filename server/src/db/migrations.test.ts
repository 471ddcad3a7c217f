import { spawn } from 'node:child_process';
import { afterEach, describe, expect, inject, it, vi } from 'vitest';
import { DataSource, type QueryRunner } from 'typeorm';
import { ReadingEntity, ZoneEntity } from '../survey/entities.ts';
import { emptyDatabase } from '../testing/database.ts';
import { fill } from '../testing/filled.ts';
import { openHouse } from '../testing/house.ts';
import { OrderEntity } from '../order/entities.ts';
import { ShopEntity } from '../shop/entities.ts';
import { OfferEntity } from '../verdict/entities.ts';
import { VehicleEntity } from '../garage/entities.ts';
import type { DatabaseAddress } from './address.ts';
import { createDataSource } from './dataSource.ts';
import { migrate } from './migrate.ts';
import { migrations, volumes } from './migrations/index.ts';
import { steps } from './step.ts';

const open: DataSource[] = [];
afterEach(async () => {
  for (const db of open.splice(0)) if (db.isInitialized) await db.destroy();
});

const fresh = () => emptyDatabase(inject('database'));
async function connect(address: DatabaseAddress, upTo = volumes.length): Promise<DataSource> {
  const { options } = createDataSource(address);
  const db = await new DataSource({ ...options, migrations: volumes.slice(0, upTo).flat() }).initialize();
  open.push(db);
  return db;
}
const drift = async (db: DataSource) =>
  (await db.driver.createSchemaBuilder().log()).upQueries.map((query) => query.query);

/** A process that dies as soon as the n-th of its statements that change the database has been carried out. */
function dyingAfter(db: DataSource, n: number): void {
  const make = db.createQueryRunner.bind(db);
  let left = n;
  db.createQueryRunner = (mode) => {
    const runner: QueryRunner = make(mode);
    const query = runner.query.bind(runner) as QueryRunner['query'];
    runner.query = (async (sql: string, ...rest: []) => {
      if (left < 0) throw new Error('dead');
      const answer: unknown = await query(sql, ...rest);
      if (/^(CREATE|ALTER|UPDATE|INSERT|DROP)/i.test(sql.trim()) && --left <= 0) {
        left = -1;
        throw new Error('killed');
      }
      return answer;
    }) as QueryRunner['query'];
    return runner;
  };
}

describe('migrations', () => {
  it('leave nothing for the entities to add (no drift)', async () => {
    const db = await connect(await fresh());
    expect(await migrate(db)).toBe(migrations.length);
    expect(await drift(db)).toEqual([]);
    expect(await migrate(db)).toBe(0);
  });

  it('killed after every single statement, go on from there', async () => {
    const address = await fresh();
    let kills = 0;
    const quiet = vi.spyOn(console, 'log').mockReturnValue();
    for (let done = false; !done; kills++) {
      // One to three statements further each time: what a step did is kept, the note that it was done may not be.
      const db = await connect(address);
      dyingAfter(db, 1 + (kills % 3));
      done = await migrate(db).then(
        () => true,
        () => false,
      );
      await db.destroy();
      if (kills > 4 * migrations.length) break;
    }
    quiet.mockRestore();
    expect(kills).toBeGreaterThan(migrations.length / 2);
    expect(kills).toBeLessThan(4 * migrations.length);
    const db = await connect(address);
    expect(await migrate(db)).toBe(0);
    expect(await drift(db)).toEqual([]);
  });

  it('every statement does nothing the second time', async () => {
    const db = await connect(await fresh());
    await migrate(db);
    const runner = db.createQueryRunner();
    for (const Step of migrations) await new Step().up(runner);
    await runner.release();
    expect(await drift(db)).toEqual([]);
  });

  it('a process that is killed in the middle of them hands over to the next one', async () => {
    const address = await fresh();
    const program = `
      import { register } from 'tsx/esm/api';
      register();
      const { createDataSource } = await import(${JSON.stringify(new URL('./dataSource.ts', import.meta.url).href)});
      const { migrate } = await import(${JSON.stringify(new URL('./migrate.ts', import.meta.url).href)});
      const db = await createDataSource(JSON.parse(process.env.ADDRESS)).initialize();
      console.log('begins');
      await migrate(db);
      console.log('done');`;
    for (const wait of [5, 25, 60]) {
      const child = spawn(process.execPath, ['--input-type=module', '-e', program], {
        cwd: new URL('../..', import.meta.url).pathname,
        env: { ...process.env, ADDRESS: JSON.stringify(address) },
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      const gone = new Promise((done) => child.once('exit', done));
      await new Promise((done) => child.stdout.once('data', done));
      setTimeout(() => child.kill('SIGKILL'), wait);
      await gone;
    }
    const db = await connect(address);
    await migrate(db);
    expect(await drift(db)).toEqual([]);
  });

  it('of two processes that start at once one waits for the other', async () => {
    const address = await fresh();
    const both = await Promise.all([connect(address), connect(address)]);
    const ran = await Promise.all(both.map((db) => migrate(db)));
    expect(ran.sort((a, b) => a - b)).toEqual([0, migrations.length]);
    expect(await drift(both[0])).toEqual([]);
  });

  it.each(volumes.map((_, i) => i + 1))(
    'a shop that was filled under layout %i is backed up, and is all there under that of today',
    async (volume) => {
      const address = await fresh();
      const old = await connect(address, volume);
      await migrate(old);
      const filled = await fill(old, volume);
      const now = await connect(address);
      const backups: number[] = [];
      const backup = async (pending: number) => void backups.push(pending);
      const ran = await migrate(now, { backup });
      expect(backups).toEqual(volume === volumes.length ? [] : [ran]);
      expect(await drift(now)).toEqual([]);
      const vehicle = await now.manager.findOneByOrFail(VehicleEntity, { id: filled.vehicle });
      expect(vehicle).toMatchObject({ nickname: 'Kept', past: [] });
      // Prices that were noted for a kind of body belong to the car; what was ordered keeps currency and tax.
      expect(await now.manager.findBy(OfferEntity, { vehicleId: filled.vehicle })).toMatchObject([
        { maker: 'Tallow', price: 10_000, currency: 'EUR' },
      ]);
      expect(await now.manager.findBy(OrderEntity, { vehicleId: filled.vehicle })).toMatchObject([
        { currency: 'EUR', taxRate: 0.2 },
      ]);
      expect(await now.manager.findBy(ShopEntity, { id: filled.shop })).toMatchObject([{ temperature: 20 }]);
      expect(await now.manager.findBy(ReadingEntity, { vehicleId: filled.vehicle })).toMatchObject([{ metalMm: 1.1 }]);
      expect(await now.manager.findBy(ZoneEntity, { vehicleId: filled.vehicle })).toMatchObject([{ holes: [] }]);
    },
  );

  it('do not begin where a filled shop cannot be backed up', async () => {
    const address = await fresh();
    const old = await connect(address, 1);
    await migrate(old);
    await fill(old, 1);
    const now = await connect(address);
    const backup = () => Promise.reject(new Error('no room'));
    await expect(migrate(now, { backup })).rejects.toThrow('no room');
    expect((await now.query('SELECT COUNT(*) AS n FROM migrations')) as { n: string }[]).toMatchObject([
      { n: String(volumes[0]!.length) },
    ]);
    expect(await migrate(now)).toBeGreaterThan(0);
  });

  it('are refused in a form that could not be run twice', () => {
    expect(() => steps(99, [['Bad', 'CREATE TABLE x (id int)']])).toThrow(/cannot be run twice/);
    expect(() => steps(99, [['Bad', 'ALTER TABLE shop ADD x int']])).toThrow(/cannot be run twice/);
    expect(() => steps(99, [['Bad', 'DELETE FROM shop']])).toThrow(/cannot be run twice/);
  });
});

describe('the house on an upgraded database', () => {
  it('opens', async () => {
    const house = await openHouse();
    expect(await migrate(house.db)).toBe(0);
    await house.close();
  });
});
