import { spawn, type ChildProcess } from 'node:child_process';
import { createReadStream, createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { programOf } from '../launch/programs.ts';
import type { DatabaseAddress } from './address.ts';

/** Tables whose rows are of no use elsewhere or later. */
const PASSING = ['session'];

/**
 * Writes the whole database as SQL while it is in use: one consistent view of it, sessions left out.
 * @throws Error with what the program said
 */
export async function dumpDatabase(address: DatabaseAddress, file: string): Promise<void> {
  const child = spawn(
    programOf('mariadb-dump', 'mariadb-client'),
    [
      ...connection(address),
      '--single-transaction',
      '--quick',
      '--hex-blob',
      '--skip-dump-date',
      ...PASSING.map((table) => `--ignore-table-data=${address.database}.${table}`),
      address.database,
    ],
    { env: environment(address), stdio: ['ignore', 'pipe', 'pipe'] },
  );
  const ended = outcome(child, 'The database could not be written to a file');
  await pipeline(child.stdout, createWriteStream(file, { mode: 0o600, flush: true }));
  await ended;
}

/** Reads SQL that `dumpDatabase` has written into an empty database. */
export async function loadDump(address: DatabaseAddress, file: string): Promise<void> {
  const child = spawn(programOf('mariadb', 'mariadb-client-core'), [...connection(address), address.database], {
    env: environment(address),
    stdio: ['pipe', 'ignore', 'pipe'],
  });
  const ended = outcome(child, 'The database could not be read from the file');
  // A database that refuses a line closes its end; why, it tells by itself.
  await pipeline(createReadStream(file), child.stdin).catch(() => undefined);
  await ended;
}

const connection = ({ host, port, user }: DatabaseAddress) => [
  '--no-defaults',
  '--protocol=tcp',
  `--host=${host}`,
  `--port=${port}`,
  `--user=${user}`,
  '--default-character-set=utf8mb4',
];

// Not on the command line, where every user of the machine could read it.
const environment = ({ password }: DatabaseAddress) => ({ ...process.env, MYSQL_PWD: password });

function outcome(child: ChildProcess, failure: string): Promise<void> {
  let said = '';
  child.stderr!.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-1000)));
  return new Promise((resolve, reject) => {
    child.once('error', (error) => reject(new Error(`${failure}: ${error.message}`)));
    child.once('exit', (code) =>
      code === 0 ? resolve() : reject(new Error(`${failure}: ${said.trim() || `it ended with ${code}`}`)),
    );
  });
}
