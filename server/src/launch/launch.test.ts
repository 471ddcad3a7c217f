import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { afterEach, describe, expect, it } from 'vitest';
import { startMariaDb, type MariaDb } from './mariadb.ts';
import { freePort } from './ports.ts';
import { isAlive, pause } from './processes.ts';

const homes: string[] = [];
const running: MariaDb[] = [];
function newHome(): string {
  const home = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'aspecta-launch-'));
  homes.push(home);
  return home;
}
async function start(home: string, port = 34_700): Promise<MariaDb> {
  const database = await startMariaDb({ home, port, durable: false });
  running.push(database);
  return database;
}
async function ask(database: MariaDb, question: string): Promise<unknown[]> {
  const { host, port, user, password, database: name } = database.address;
  const connection = await createConnection({ host, port, user, password, database: name });
  const [rows] = await connection.query(question);
  await connection.end();
  return rows as unknown[];
}
afterEach(async () => {
  for (const database of running.splice(0)) await database.stop();
  for (const home of homes.splice(0)) rmSync(home, { recursive: true, force: true });
});

describe('our own MariaDB', () => {
  it('listens on loopback, keeps its data over a clean stop, and speaks UTF-8 and UTC', async () => {
    const home = newHome();
    const first = await start(home);
    await ask(first, "CREATE TABLE word (text VARCHAR(20)) AS SELECT 'Blech – 0,9 µm' AS text");
    await first.stop();
    const second = await start(home);
    expect(await ask(second, 'SELECT text FROM word')).toEqual([{ text: 'Blech – 0,9 µm' }]);
    expect(await ask(second, 'SELECT @@bind_address AS host, @@time_zone AS zone')).toEqual([
      { host: '127.0.0.1', zone: '+00:00' },
    ]);
  });

  it('takes the next port when its own is busy', async () => {
    const busy = createServer().listen(34_710, '127.0.0.1');
    await new Promise((done) => busy.once('listening', done));
    const database = await start(newHome(), 34_710);
    expect(database.address.port).toBeGreaterThan(34_710);
    await new Promise((done) => busy.close(done));
  });

  it('ends a database that a killed start has left behind, and goes on with its data', async () => {
    const home = newHome();
    const lost = await start(home);
    await ask(lost, 'CREATE TABLE kept (n INT) AS SELECT 42 AS n');
    running.pop();
    // A start that knows nothing of the first one finds it running on the same data.
    const second = await start(home);
    expect(await ask(second, 'SELECT n FROM kept')).toEqual([{ n: 42 }]);
    expect(isAlive(lost.process.pid!, 'mariadbd')).toBe(false);
  });

  it('makes the data folder anew when a first start was cut off in the making', async () => {
    const home = newHome();
    mkdirSync(join(home, 'data.new', 'mysql'), { recursive: true });
    writeFileSync(join(home, 'data.new', 'half-made'), '');
    mkdirSync(join(home, 'data'), { recursive: true });
    const database = await start(home);
    expect(await ask(database, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
    expect(existsSync(join(home, 'data', 'half-made'))).toBe(false);
  });

  it('does not mind a stale note of a process that is gone', async () => {
    const home = newHome();
    mkdirSync(join(home, 'run'), { recursive: true });
    writeFileSync(join(home, 'run', 'db.pid'), '999999999');
    expect(await ask(await start(home), 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
  });

  it('refuses a folder whose path is too long for a socket, and says so', async () => {
    const home = join(newHome(), 'x'.repeat(120));
    await expect(startMariaDb({ home, port: 34_720, durable: false })).rejects.toThrow(/too long a path/);
  });
});

describe('ports and processes', () => {
  it('finds a free port', async () => {
    const taken = createServer().listen(34_730, '127.0.0.1');
    await new Promise((done) => taken.once('listening', done));
    expect(await freePort(34_730)).toBeGreaterThan(34_730);
    await new Promise((done) => taken.close(done));
  });

  it('knows a living process from a dead one and from another program', async () => {
    const child = spawn('sleep', ['60']);
    await pause(30);
    expect(isAlive(child.pid!, 'sleep')).toBe(true);
    expect(isAlive(child.pid!, 'mariadbd')).toBe(false);
    const gone = new Promise((done) => child.once('exit', done));
    child.kill('SIGKILL');
    await gone;
    expect(isAlive(child.pid!, 'sleep')).toBe(false);
    expect(isAlive(Number.NaN, 'sleep')).toBe(false);
    expect(isAlive(-1, 'sleep')).toBe(false);
  });
});
