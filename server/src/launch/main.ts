import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { startMariaDb, type MariaDb } from './mariadb.ts';
import { freePort } from './ports.ts';
import { isAlive, pause } from './processes.ts';

/*
 * `aspecta demo` and `aspecta start` end here: database → (demo data) → server → address.
 * What dies by accident is started again; Ctrl-C ends all of it cleanly.
 */
const mode = process.argv[2] === 'demo' ? 'demo' : 'shop';
const home = join(process.env['ASPECTA_HOME'] ?? join(process.cwd(), '.aspecta'), mode);
const dist = join(process.cwd(), 'server', 'dist');
const lock = join(home, 'run', 'launch.json');
const FIRST_PORT = { demo: { web: 4180, db: 33_961 }, shop: { web: 4190, db: 33_971 } }[mode];

let ending = false;
let database: MariaDb | undefined;
let server: ChildProcess | undefined;
let port = 0;
let gauges: ChildProcess | undefined;
let gaugePorts: [number, number] | undefined;
/** Simulated gauges listen from here on. */
const FIRST_GAUGE_PORT = 34_961;

const address = () => `http://127.0.0.1:${port}`;
/** What a later start needs to know, also when this one is killed: who runs, and where. */
const noteLock = () => {
  const note = { pid: process.pid, address: address(), server: server?.pid, database: database?.process.pid };
  writeFileSync(lock, JSON.stringify(note));
};
const say = (text: string) => process.stdout.write(`${text}\n`);

async function launch(): Promise<void> {
  mkdirSync(join(home, 'run'), { recursive: true });
  const other = runningElsewhere();
  if (other) {
    say(`Aspecta is running already: ${other}`);
    return;
  }
  writeFileSync(lock, JSON.stringify({ pid: process.pid }));
  process.on('SIGINT', () => void end());
  process.on('SIGTERM', () => void end());
  say('Starting the database …');
  database = await startMariaDb({ home, port: Number(process.env['ASPECTA_DB_PORT'] ?? FIRST_PORT.db), durable: true });
  guardDatabase(database);
  if (mode === 'demo') await runOnce('demo.js', 'Loading the demo …');
  if (mode === 'demo' && !process.env['ASPECTA_GAUGES']) await startGauges();
  port = await freePort(Number(process.env['ASPECTA_PORT'] ?? FIRST_PORT.web));
  await startServer();
  say(
    `\nAspecta is ready: ${address()}\n${mode === 'demo' ? 'Sign in to the demo with one click. ' : ''}Ctrl-C ends it.`,
  );
}

/** The address of another launch of this house; a lock left behind by a kill does not count. */
function runningElsewhere(): string | undefined {
  if (!existsSync(lock)) return undefined;
  try {
    const left = JSON.parse(readFileSync(lock, 'utf8')) as { pid: number; address?: string; server?: number };
    if (isAlive(left.pid, 'launch')) return left.address ?? 'it is just starting; wait a moment';
    if (left.server && isAlive(left.server, 'server.js')) process.kill(left.server, 'SIGKILL');
  } catch {
    // An unreadable lock is a lock that was cut off in the writing: stale.
  }
  rmSync(lock, { force: true });
  return undefined;
}

function environment(): NodeJS.ProcessEnv {
  const { host, port: dbPort, user, password, database: name } = database!.address;
  return {
    ...process.env,
    ASPECTA_HOME: home,
    ASPECTA_DEMO: mode === 'demo' ? '1' : '0',
    ASPECTA_PORT: String(port),
    ASPECTA_DB_HOST: host,
    ASPECTA_DB_PORT: String(dbPort),
    ASPECTA_DB_USER: user,
    ASPECTA_DB_PASSWORD: password,
    ASPECTA_DB_NAME: name,
    ...(gaugePorts
      ? { ASPECTA_GAUGES: `coating@127.0.0.1:${gaugePorts[0]}!,thickness@127.0.0.1:${gaugePorts[1]}!` }
      : {}),
    NODE_ENV: 'production',
  };
}

async function runOnce(program: string, text: string): Promise<void> {
  say(text);
  const child = spawn(process.execPath, [join(dist, program)], {
    stdio: ['ignore', 'inherit', 'inherit'],
    env: environment(),
  });
  const code = await new Promise<number | null>((resolve) => child.once('exit', resolve));
  if (code !== 0 && !ending) throw new Error(`${program} ended with ${code}.`);
}

/** The simulated gauges: two ports on loopback; started again when they die by accident. */
async function startGauges(): Promise<void> {
  const coating = gaugePorts?.[0] ?? (await freePort(FIRST_GAUGE_PORT));
  const thickness = gaugePorts?.[1] ?? (await freePort(coating + 1));
  gaugePorts = [coating, thickness];
  gauges = spawn(process.execPath, [join(dist, 'gauges.js'), String(coating), String(thickness)], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const child = gauges;
  await new Promise<void>((resolve, reject) => {
    child.stdout!.once('data', () => resolve());
    child.once('exit', (code) => reject(new Error(`The simulated gauges ended with ${code}.`)));
  });
  child.once('exit', () => {
    if (!ending)
      void pause(500)
        .then(() => startGauges())
        .catch(fail);
  });
}

async function startServer(): Promise<void> {
  const child = spawn(process.execPath, ['--enable-source-maps', join(dist, 'server.js')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: environment(),
    detached: true,
  });
  server = child;
  await new Promise<void>((resolve, reject) => {
    child.stdout!.on('data', (text: Buffer) => text.toString().includes('listening') && resolve());
    child.once('exit', (code) => reject(new Error(`The server ended with ${code}.`)));
  });
  noteLock();
  child.once('exit', () => {
    if (ending) return;
    say('The server has ended unexpectedly; starting it again.');
    void restartServer();
  });
}

/** Tries again for a while: the database may be on its way back too. */
async function restartServer(): Promise<void> {
  for (let attempt = 0; attempt < 30 && !ending; attempt++) {
    await pause(300 + attempt * 100);
    try {
      return await startServer();
    } catch {
      // The reason is in the server's own output; the next attempt may find the database again.
    }
  }
  if (!ending) fail(new Error('The server could not be started again.'));
}

/** A database that is killed is started again on the same port; the server reconnects by itself. */
function guardDatabase(running: MariaDb): void {
  running.process.once('exit', () => {
    if (ending) return;
    say('The database has ended unexpectedly; starting it again.');
    void startMariaDb({ home, port: running.address.port, durable: true })
      .then((fresh) => {
        database = fresh;
        guardDatabase(fresh);
        if (fresh.address.port !== running.address.port) server?.kill('SIGTERM');
      })
      .catch(fail);
  });
}

async function end(code = 0): Promise<void> {
  if (ending) return;
  ending = true;
  if (server && server.exitCode === null && server.signalCode === null) {
    const gone = new Promise<void>((resolve) => server!.once('exit', () => resolve()));
    server.kill('SIGTERM');
    await Promise.race([gone, pause(5000).then(() => server!.kill('SIGKILL'))]);
  }
  gauges?.kill('SIGTERM');
  await database?.stop();
  rmSync(lock, { force: true });
  process.exit(code);
}

function fail(error: unknown): void {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  void end(1);
}

launch().catch(fail);
