import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { DatabaseAddress } from '../db/address.ts';
import { keepRunning, type Kept } from './keeper.ts';
import { openLog, type Log } from './log.ts';
import { startMariaDb, type MariaDb } from './mariadb.ts';
import { houseCertificate, isLoopback, networkAddresses, phoneText } from './network.ts';
import { freePort, housePort } from './ports.ts';
import { endAll, pause, processesWith } from './processes.ts';

/** A demo or a shop: its folder, and where it listens. */
export interface House {
  mode: 'demo' | 'shop';
  home: string;
  lock: string;
  host: string;
  firstPorts: { web: number; db: number };
  /** The database of this house as the launch that holds it has noted it. */
  runningDatabase(): DatabaseAddress;
}

const dist = join(process.cwd(), 'server', 'dist');
/** Simulated gauges listen from here on. */
const FIRST_GAUGE_PORT = 34_961;
/** ms that a server is given to answer "are you there". */
const LONGEST_ANSWER = 5000;

export function houseOf(word: 'demo' | 'start'): House {
  const mode = word === 'demo' ? 'demo' : 'shop';
  const home = resolve(process.env['ASPECTA_HOME'] ?? '.aspecta', mode);
  mkdirSync(join(home, 'run'), { recursive: true });
  const lock = join(home, 'run', 'launch.sock');
  if (Buffer.byteLength(lock) > 107)
    throw new Error(
      `The folder ${home} has too long a path for a socket; move the project to a shorter one, or set ASPECTA_HOME.`,
    );
  const first = { demo: { web: 4180, db: 33_961 }, shop: { web: 4190, db: 33_971 } }[mode];
  return {
    mode,
    home,
    lock,
    host: process.env['ASPECTA_HOST'] ?? '127.0.0.1',
    firstPorts: { ...first, db: Number(process.env['ASPECTA_DB_PORT'] ?? first.db) },
    runningDatabase: () => JSON.parse(readFileSync(join(home, 'run', 'db.json'), 'utf8')) as DatabaseAddress,
  };
}

export interface OpenHouse {
  address: string;
  /** What a person is told who has just opened it. */
  welcome(): Promise<string>;
  close(): Promise<void>;
}

/** Opens a house and keeps it open: what dies or hangs by accident is started again. */
export async function openHouse(house: House, say: (text: string) => void, signal: AbortSignal): Promise<OpenHouse> {
  const log = openLog(join(house.home, 'run', 'log'), 'server');
  const parts: Kept[] = [];
  let database: MariaDb | undefined;
  let server: Kept | undefined;

  async function close(): Promise<void> {
    for (const part of parts) part.letGo();
    if (server) await endChild(server.process(), 5000);
    for (const part of parts) if (part.process() !== database?.process) part.process().kill('SIGTERM');
    await database?.stop();
  }
  signal.addEventListener('abort', () => parts.forEach((part) => part.letGo()));

  try {
    await endAll(processesWith(`--house=${house.home}`), `--house=${house.home}`, 3000);
    say('Starting the database …');
    parts.push(
      await keepRunning({
        name: 'database',
        say,
        start: async () => {
          const port = database?.address.port ?? house.firstPorts.db;
          const fresh = await startMariaDb({ home: house.home, port, durable: true, signal });
          // A server that looks for it on another port starts again and finds it.
          if (database && fresh.address.port !== port) server?.process().kill('SIGTERM');
          database = fresh;
          noteDatabase(house, fresh.address);
          return fresh.process;
        },
      }),
    );
    signal.throwIfAborted();
    const base = () => environment(house, database!.address);
    if (house.mode === 'demo') await runOnce('demo.js', 'Loading the demo …', base(), say, signal);
    let gauges: [number, number] | undefined;
    if (house.mode === 'demo' && !process.env['ASPECTA_GAUGES']) {
      const coating = await freePort(FIRST_GAUGE_PORT);
      gauges = [coating, await freePort(coating + 1)];
      parts.push(await keepRunning({ name: 'simulated gauges', say, start: () => startGauges(gauges!) }));
    }
    signal.throwIfAborted();
    const listening = await listeningOf(house);
    const environmentOfServer = () => ({ ...base(), ...listening.env, ...gaugeEnvironment(gauges) });
    server = await keepRunning({
      name: 'server',
      say,
      start: () => startServer(house, environmentOfServer(), log),
      answers: () => answers(listening.address),
      every: Number(process.env['ASPECTA_ASK_EVERY'] ?? 5000),
    });
    parts.push(server);
    signal.throwIfAborted();
    return {
      address: listening.address,
      close,
      welcome: async () =>
        [
          `\nAspecta is ready: ${listening.address}`,
          house.mode === 'demo' ? 'Sign in to the demo with one click. Ctrl-C ends it.' : 'Ctrl-C ends it.',
          ...(await listening.phones()),
          `What the server says is kept in ${log.path}`,
        ].join('\n'),
    };
  } catch (error) {
    await close();
    throw error;
  }
}

interface Listening {
  address: string;
  env: NodeJS.ProcessEnv;
  phones: () => Promise<string[]>;
}

/** Where the server listens: on loopback, or for telephones too, then also with a certificate of its own. */
async function listeningOf(house: House): Promise<Listening> {
  const wanted = process.env['ASPECTA_PORT'] === undefined ? undefined : Number(process.env['ASPECTA_PORT']);
  const port = await housePort(join(house.home, 'run', 'port'), house.firstPorts.web, wanted, house.host);
  const here = isLoopback(house.host) || house.host === '0.0.0.0' ? '127.0.0.1' : house.host;
  const address = `http://${here}:${port}`;
  const env = { ASPECTA_PORT: String(port), ASPECTA_HOST: house.host };
  if (isLoopback(house.host)) return { address, env, phones: async () => [] };
  const addresses = networkAddresses(house.host);
  const folder = join(house.home, 'tls');
  const { fingerprint } = await houseCertificate(folder, addresses, new Date());
  const tlsPort = await housePort(join(house.home, 'run', 'tls-port'), port + 1, undefined, house.host);
  return {
    address,
    env: { ...env, ASPECTA_TLS_PORT: String(tlsPort), ASPECTA_TLS_FOLDER: folder },
    phones: async () => [await phoneText(addresses, port, { port: tlsPort, fingerprint })],
  };
}

function environment(house: House, { host, port, user, password, database }: DatabaseAddress): NodeJS.ProcessEnv {
  return {
    ...process.env,
    ASPECTA_HOME: house.home,
    ASPECTA_DEMO: house.mode === 'demo' ? '1' : '0',
    ASPECTA_DB_HOST: host,
    ASPECTA_DB_PORT: String(port),
    ASPECTA_DB_USER: user,
    ASPECTA_DB_PASSWORD: password,
    ASPECTA_DB_NAME: database,
    NODE_ENV: 'production',
  };
}

const gaugeEnvironment = (ports: [number, number] | undefined): NodeJS.ProcessEnv =>
  ports ? { ASPECTA_GAUGES: `coating@127.0.0.1:${ports[0]}!,thickness@127.0.0.1:${ports[1]}!` } : {};

/** For a backup that is made while the shop is open. */
function noteDatabase(house: House, address: DatabaseAddress): void {
  const file = join(house.home, 'run', 'db.json');
  try {
    writeFileSync(`${file}.new`, JSON.stringify(address), { mode: 0o600 });
    renameSync(`${file}.new`, file);
  } catch {
    // A full disk: the note of the last start, with the same port and password, still holds.
  }
}

async function runOnce(
  program: string,
  text: string,
  env: NodeJS.ProcessEnv,
  say: (text: string) => void,
  signal: AbortSignal,
): Promise<void> {
  say(text);
  const child = spawn(process.execPath, [join(dist, program)], { stdio: ['ignore', 'inherit', 'inherit'], env });
  const giveUp = () => child.kill('SIGTERM');
  signal.addEventListener('abort', giveUp);
  const code = await new Promise<number | null>((done) => child.once('exit', done));
  signal.removeEventListener('abort', giveUp);
  if (code !== 0) throw new Error(`${program} ended with ${code}.`);
}

/** The simulated gauges: two ports on loopback. */
async function startGauges(ports: [number, number]): Promise<ChildProcess> {
  const child = spawn(process.execPath, [join(dist, 'gauges.js'), ...ports.map(String)], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((done, fail) => {
    child.stdout.once('data', () => done());
    child.once('exit', (code) => fail(new Error(`The simulated gauges ended with ${code}.`)));
  });
  return child;
}

async function startServer(house: House, env: NodeJS.ProcessEnv, log: Log): Promise<ChildProcess> {
  const child = spawn(
    process.execPath,
    ['--enable-source-maps', join(dist, 'server.js'), `--house=${house.home}`],
    // In a group of its own: Ctrl-C in the terminal is ours to pass on.
    { stdio: ['ignore', 'pipe', 'pipe'], env, detached: true },
  );
  let reason = '';
  await new Promise<void>((done, fail) => {
    child.stdout.on('data', (text: Buffer) => {
      if (text.toString().includes('listening')) done();
      log.write(text);
    });
    child.stderr.on('data', (text: Buffer) => {
      reason = (reason + text.toString()).slice(-2000);
      log.write(text);
    });
    child.once('exit', (code) =>
      fail(new Error(`${reason.trim() || `The server ended with ${code}.`}\n(The whole of it is in ${log.path})`)),
    );
  });
  return child;
}

/** Any answer counts: a server that says that its database is away does not hang. */
async function answers(address: string): Promise<boolean> {
  const response = await fetch(`${address}/api/alive`, { signal: AbortSignal.timeout(LONGEST_ANSWER) });
  await response.body?.cancel();
  return true;
}

async function endChild(child: ChildProcess, patience: number): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise<void>((done) => child.once('exit', () => done()));
  child.kill('SIGTERM');
  await Promise.race([gone, pause(patience).then(() => child.kill('SIGKILL'))]);
}
