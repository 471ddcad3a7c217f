import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import type { DatabaseAddress } from '../db/address.ts';
import { freePort } from './ports.ts';
import { endAll, pause, processesWith } from './processes.ts';
import { programOf } from './programs.ts';

export interface MariaDbOptions {
  /** Absolute folder for data, socket, logs and password; created where missing. */
  home: string;
  /** First port that is tried. */
  port: number;
  /** False for throw-away data of tests: no flush at each commit. */
  durable: boolean;
  /** Gives the start up; what has been begun is ended. */
  signal?: AbortSignal;
}

export interface MariaDb {
  address: DatabaseAddress;
  process: ChildProcess;
  /** Ends the database cleanly. */
  stop(): Promise<void>;
}

/** ms. A first start after a crash may have to recover its log. */
const LONGEST_START = 60_000;
const LONGEST_STOP = 30_000;
/** Bytes after which the database's log is put aside at a start. */
const LARGEST_LOG = 5_000_000;

/**
 * Starts our own MariaDB on loopback with its own data folder, port and socket. Recovers
 * by itself from a half-made data folder, a database left behind by a killed start, and a
 * busy port.
 */
export async function startMariaDb({ home, port, durable, signal }: MariaDbOptions): Promise<MariaDb> {
  mkdirSync(join(home, 'run'), { recursive: true });
  const files = {
    data: join(home, 'data'),
    socket: join(home, 'run', 'db.sock'),
    pid: join(home, 'run', 'db.pid'),
    log: join(home, 'run', 'db.log'),
    init: join(home, 'run', 'init.sql'),
  };
  if (Buffer.byteLength(files.socket) > 107)
    throw new Error(`The folder ${home} has too long a path for a database socket; move the project to a shorter one.`);
  const mariadbd = programOf('mariadbd', 'mariadb-server-core');
  await endLeftover(files.data);
  rmSync(files.pid, { force: true });
  createData(files.data);
  const address: DatabaseAddress = {
    host: '127.0.0.1',
    port: await freePort(port),
    user: 'aspecta',
    password: passwordOf(join(home, 'db-password')),
    database: 'aspecta',
  };
  writeFileSync(files.init, initSql(address), { mode: 0o600 });
  if (existsSync(files.log) && statSync(files.log).size > LARGEST_LOG) renameSync(files.log, `${files.log}.1`);
  const log = openSync(files.log, 'a');
  const child = spawn(
    mariadbd,
    [
      '--no-defaults',
      ...asRoot(),
      `--datadir=${files.data}`,
      `--port=${address.port}`,
      '--bind-address=127.0.0.1',
      `--socket=${files.socket}`,
      `--pid-file=${files.pid}`,
      `--log-error=${files.log}`,
      '--skip-name-resolve',
      '--character-set-server=utf8mb4',
      '--collation-server=utf8mb4_unicode_ci',
      '--default-time-zone=+00:00',
      `--init-file=${files.init}`,
      '--max-allowed-packet=64M',
      ...(durable ? [] : ['--innodb-flush-log-at-trx-commit=0', '--innodb-log-file-size=8M']),
    ],
    { stdio: ['ignore', log, log], detached: true },
  );
  closeSync(log);
  const giveUp = () => child.kill('SIGKILL');
  signal?.addEventListener('abort', giveUp);
  try {
    await ready(child, address, files.log);
  } catch (error) {
    // A database that does not answer must not stay behind and hold the data.
    giveUp();
    throw error;
  } finally {
    signal?.removeEventListener('abort', giveUp);
  }
  return { address, process: child, stop: () => stop(child) };
}

const asRoot = () => (process.getuid?.() === 0 ? ['--user=root'] : []);

/** A database whose start was killed still holds the data: end it and wait. */
async function endLeftover(data: string): Promise<void> {
  const word = `--datadir=${data}`;
  await endAll(processesWith(word), word, LONGEST_STOP);
}

/** Made beside and then renamed, so that a start that was killed leaves nothing half-made in its place. */
function createData(data: string): void {
  if (existsSync(join(data, 'mysql'))) return;
  const fresh = `${data}.new`;
  rmSync(fresh, { recursive: true, force: true });
  rmSync(data, { recursive: true, force: true });
  mkdirSync(fresh, { recursive: true });
  const made = spawnSync(
    programOf('mariadb-install-db', 'mariadb-server-core'),
    [
      '--no-defaults',
      ...asRoot(),
      `--datadir=${fresh}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      '--skip-name-resolve',
    ],
    { encoding: 'utf8', env: { ...process.env, PATH: `${process.env['PATH'] ?? ''}:/usr/bin:/bin:/usr/sbin:/sbin` } },
  );
  if (made.status !== 0)
    throw new Error(
      `The data folder of the database could not be made: ${made.error?.message ?? (made.stderr || made.stdout).slice(-800)}`,
    );
  renameSync(fresh, data);
}

function passwordOf(path: string): string {
  if (!existsSync(path)) {
    // Beside and then renamed: a full disk must not leave an empty password behind.
    writeFileSync(`${path}.new`, randomBytes(18).toString('hex'), { mode: 0o600 });
    renameSync(`${path}.new`, path);
  }
  return readFileSync(path, 'utf8').trim();
}

function initSql({ user, password, database }: DatabaseAddress): string {
  return [
    `CREATE DATABASE IF NOT EXISTS ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`,
    `CREATE USER IF NOT EXISTS '${user}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
    `ALTER USER '${user}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
    `GRANT ALL ON \`${database}%\`.* TO '${user}'@'127.0.0.1';`,
    // Nobody else signs in: root has no password after the installation, so it gets none that works.
    "ALTER USER IF EXISTS 'root'@'localhost' IDENTIFIED VIA unix_socket;",
    '',
  ].join('\n');
}

async function ready(child: ChildProcess, address: DatabaseAddress, log: string): Promise<void> {
  let ended = false;
  child.once('exit', () => (ended = true));
  child.once('error', () => (ended = true));
  const until = Date.now() + LONGEST_START;
  for (;;) {
    if (ended)
      throw new Error(
        `The database did not start. The end of ${log}:\n${existsSync(log) ? readFileSync(log, 'utf8').slice(-1500) : 'mariadbd was not found'}`,
      );
    try {
      const connection = await createConnection({
        host: address.host,
        port: address.port,
        user: address.user,
        password: address.password,
        database: address.database,
      });
      await connection.query('SELECT 1');
      await connection.end();
      return;
    } catch (error) {
      if (Date.now() > until) throw new Error(`The database does not answer: ${String(error)}`, { cause: error });
      await pause(100);
    }
  }
}

async function stop(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  child.kill('SIGTERM');
  const impatient = setTimeout(() => child.kill('SIGKILL'), LONGEST_STOP);
  await gone;
  clearTimeout(impatient);
}
