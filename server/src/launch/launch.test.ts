import { spawn, spawnSync } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import { createServer } from 'node:net';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { createDataSource } from '../db/dataSource.ts';
import { migrate } from '../db/migrate.ts';
import { volumes } from '../db/migrations/index.ts';
import { fill } from '../testing/filled.ts';
import { backUp, restore } from './backup.ts';
import { keepRunning } from './keeper.ts';
import { askHouse, holdHouse } from './lock.ts';
import { startMariaDb, type MariaDb } from './mariadb.ts';
import { houseCertificate, networkAddresses, phoneText } from './network.ts';
import { freePort, housePort } from './ports.ts';
import { endAll, isAlive, pause, processesWith } from './processes.ts';
import { programOf } from './programs.ts';

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

  it('ends it also where no note of it is left, and never another database', async () => {
    const home = newHome();
    const lost = await start(home);
    const neighbour = await start(newHome(), 34_715);
    rmSync(join(home, 'run', 'db.pid'));
    // The number of another database in the note, as in a fresh container.
    writeFileSync(join(home, 'run', 'db.pid'), String(neighbour.process.pid));
    const second = await start(home);
    expect(isAlive(lost.process.pid!, 'mariadbd')).toBe(false);
    expect(isAlive(neighbour.process.pid!, 'mariadbd')).toBe(true);
    expect(await ask(second, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
  });

  it('leaves nothing running when its start is given up', async () => {
    const home = newHome();
    const givenUp = new AbortController();
    const starting = startMariaDb({ home, port: 34_718, durable: false, signal: givenUp.signal });
    await expect.poll(() => processesWith(`--datadir=${join(home, 'data')}`).length).toBe(1);
    givenUp.abort();
    await expect(starting).rejects.toThrow(/did not start/);
    expect(processesWith(`--datadir=${join(home, 'data')}`)).toEqual([]);
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

  it('keeps the port of a house, and refuses another one in its place', async () => {
    const note = join(newHome(), 'run', 'port');
    const port = await housePort(note, 34_740);
    expect(await housePort(note, 34_750)).toBe(port);
    const taken = createServer().listen(port, '127.0.0.1');
    await new Promise((done) => taken.once('listening', done));
    await expect(housePort(note, 34_750)).rejects.toThrow(
      new RegExp(`Port ${port} is taken.*ASPECTA_PORT=[\\s\\S]*kept and not yet sent`),
    );
    await new Promise((done) => taken.close(done));
    expect(await housePort(note, 34_750, 34_760)).toBe(34_760);
    expect(await housePort(note, 34_750)).toBe(34_760);
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

  it('finds what an earlier start has left behind by the folder it works on, and ends it', async () => {
    const word = `--house=${newHome()}`;
    const child = spawn(process.execPath, [
      '-e',
      "process.on('SIGTERM', () => {}); setInterval(() => {}, 1000); console.log('deaf')",
      '--',
      word,
    ]);
    await new Promise((done) => child.stdout.once('data', done));
    const gone = new Promise((done) => child.once('exit', (_code, signal) => done(signal)));
    expect(processesWith(word)).toEqual([child.pid]);
    await endAll(processesWith(word), word, 300);
    expect(await gone).toBe('SIGKILL');
    expect(processesWith(word)).toEqual([]);
  });

  it('finds programs of the system with a plain PATH, and names the package of one that is missing', () => {
    expect(programOf('mariadbd', 'mariadb-server-core', '/nowhere')).toMatch(/\/s?bin\/mariadbd$/);
    expect(() => programOf('no-such-program', 'some-package', '/usr/bin')).toThrow(
      /install the Debian package some-package/,
    );
  });
});

describe('the lock of a house', () => {
  it('is held by one launch, tells the other where it is, and passes on its wish to end', async () => {
    const path = join(newHome(), 'launch.sock');
    const end = vi.fn();
    const first = await holdHouse(path, () => 'http://127.0.0.1:4180', end);
    expect(await holdHouse(path, () => '', end)).toEqual({ heldBy: 'http://127.0.0.1:4180' });
    expect(await askHouse(path, 'end')).toBe('http://127.0.0.1:4180');
    expect(end).toHaveBeenCalledOnce();
    if ('release' in first) first.release();
    expect(await askHouse(path, 'who')).toBeNull();
  });

  it('left behind by a process that was killed, holds nobody up', async () => {
    const path = join(newHome(), 'launch.sock');
    const program = `require('node:net').createServer().listen(${JSON.stringify(path)}, () => console.log('held'))`;
    const child = spawn(process.execPath, ['-e', program]);
    await new Promise((done) => child.stdout.once('data', done));
    const gone = new Promise((done) => child.once('exit', done));
    child.kill('SIGKILL');
    await gone;
    expect(existsSync(path)).toBe(true);
    const hold = await holdHouse(
      path,
      () => '',
      () => undefined,
    );
    expect(hold).toHaveProperty('release');
    if ('release' in hold) hold.release();
  });
});

describe('what is kept running', () => {
  const sleeper = () => Promise.resolve(spawn('sleep', ['60']));
  const pauses = { first: 1, longest: 5 };

  it('is started again when it dies, for as long as it takes, and says why only once', async () => {
    const said: string[] = [];
    let starts = 0;
    const kept = await keepRunning({
      name: 'thing',
      say: (text) => said.push(text),
      pauses,
      start: () => {
        starts += 1;
        // The disk is full for a while.
        return starts > 1 && starts < 6 ? Promise.reject(new Error('no space left')) : sleeper();
      },
    });
    kept.process().kill('SIGKILL');
    await expect.poll(() => starts).toBe(6);
    await expect
      .poll(() => said)
      .toEqual([
        'The thing has ended unexpectedly; starting it again.',
        'The thing cannot be started yet; trying on. no space left',
        'The thing is back.',
      ]);
    kept.letGo();
    kept.process().kill('SIGKILL');
    await pause(50);
    expect(starts).toBe(6);
  });

  it('is ended and started again when it hangs', async () => {
    const said: string[] = [];
    let hangs = false;
    let starts = 0;
    const kept = await keepRunning({
      name: 'thing',
      say: (text) => said.push(text),
      pauses,
      start: () => {
        starts += 1;
        hangs = false;
        return sleeper();
      },
      answers: () => (hangs ? Promise.reject(new Error('no answer')) : Promise.resolve(true)),
      every: 5,
      patience: 3,
    });
    const first = kept.process();
    hangs = true;
    await expect.poll(() => starts).toBe(2);
    expect(first.signalCode).toBe('SIGKILL');
    expect(said).toContain('The thing has not answered for a while.');
    kept.letGo();
    kept.process().kill('SIGKILL');
  });

  it('that cannot be started the first time is for the person to mend', async () => {
    const start = () => Promise.reject(new Error('not installed'));
    await expect(keepRunning({ name: 'thing', say: () => undefined, start })).rejects.toThrow('not installed');
  });
});

describe('the network', () => {
  it('is offered only when it was asked for', () => {
    expect(networkAddresses('127.0.0.1')).toEqual([]);
    expect(networkAddresses('localhost')).toEqual([]);
    expect(networkAddresses('192.0.2.7')).toEqual(['192.0.2.7']);
    expect(networkAddresses('0.0.0.0')).not.toContain('127.0.0.1');
  });

  it('gets a certificate for its addresses, kept until it ends or an address is new', async () => {
    const folder = join(newHome(), 'tls');
    const now = new Date('2026-05-01T12:00:00Z');
    const first = await houseCertificate(folder, ['192.0.2.7'], now);
    const cert = new X509Certificate(first.cert);
    expect(cert.checkIP('192.0.2.7')).toBe('192.0.2.7');
    expect(cert.checkHost('localhost')).toBe('localhost');
    expect(cert.verify(cert.publicKey)).toBe(true);
    expect(statSync(join(folder, 'key.pem')).mode & 0o777).toBe(0o600);
    // Telephones refuse a certificate that is meant to last longer than 825 days.
    expect((new Date(cert.validTo).getTime() - new Date(cert.validFrom).getTime()) / 86_400_000).toBeLessThanOrEqual(
      825,
    );
    expect((await houseCertificate(folder, ['192.0.2.7'], now)).fingerprint).toBe(first.fingerprint);
    expect((await houseCertificate(folder, ['192.0.2.8'], now)).fingerprint).not.toBe(first.fingerprint);
    const later = new Date('2030-01-01');
    const renewed = await houseCertificate(folder, ['192.0.2.8'], later);
    expect(new Date(new X509Certificate(renewed.cert).validTo).getTime()).toBeGreaterThan(later.getTime());
  });

  it('tells telephones where to go, what to compare, and what plain http lacks', async () => {
    const text = await phoneText(['192.0.2.7'], 4180, { port: 4181, fingerprint: 'AB:CD' });
    expect(text).toContain('https://192.0.2.7:4181');
    expect(text).toContain('AB:CD');
    expect(text).toMatch(/Without https: http:\/\/192\.0\.2\.7:4180[\s\S]*dark[\s\S]*installed/);
    expect(text).toMatch(/[▀▄█]{10}/);
    expect(await phoneText([], 4180, { port: 4181, fingerprint: '' })).toMatch(/in no network/);
  });
});

describe('a shop in one file', () => {
  it('is written while it is open, and is all there in another folder', async () => {
    const home = newHome();
    const database = await start(home, 34_770);
    const db = await createDataSource(database.address).initialize();
    await migrate(db);
    const { vehicle } = await fill(db, volumes.length);
    mkdirSync(join(home, 'files'));
    writeFileSync(join(home, 'files', 'one.jpg'), 'pixels');
    const file = join(newHome(), 'kept', 'shop.tar.gz');
    await backUp(database.address, home, file, new Date('2026-05-01T12:00:00Z'));
    expect(statSync(file).mode & 0o777).toBe(0o600);
    expect(readdirSync(join(file, '..'))).toEqual(['shop.tar.gz']);
    expect(readdirSync(join(home, 'run')).filter((name) => name.startsWith('backup-'))).toEqual([]);
    await expect(restore(database.address, home, file)).rejects.toThrow(/holds a shop already/);

    const elsewhere = newHome();
    const fresh = await start(elsewhere, 34_780);
    expect((await restore(fresh.address, elsewhere, file)).at).toBe('2026-05-01T12:00:00.000Z');
    expect(await ask(fresh, 'SELECT nickname FROM vehicle')).toEqual([{ nickname: 'Kept' }]);
    const tables = (await ask(database, 'SHOW TABLES')) as Record<string, string>[];
    for (const name of tables.map((row) => Object.values(row)[0]!).filter((table) => table !== 'session')) {
      const rows = `SELECT * FROM ${name} ORDER BY 1, 2`;
      expect(await ask(fresh, rows), name).toEqual(await ask(database, rows));
    }
    expect(vehicle).toMatch(/-/);
    expect(readFileSync(join(elsewhere, 'files', 'one.jpg'), 'utf8')).toBe('pixels');
    await db.destroy();
  });

  it('is refused where it is none, or half of one', async () => {
    const home = newHome();
    const database = await start(home, 34_790);
    const file = join(home, 'letter.tar.gz');
    await expect(restore(database.address, home, file)).rejects.toThrow(/There is no file/);
    writeFileSync(file, 'Dear Sir');
    await expect(restore(database.address, home, file)).rejects.toThrow(/cannot be opened/);
    writeFileSync(join(home, 'letter'), 'Dear Sir');
    spawnSync('tar', ['-czf', file, '-C', home, 'letter']);
    await expect(restore(database.address, home, file)).rejects.toThrow(/no backup of a shop/);
  });
});
