import { spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import type { DatabaseAddress } from '../db/address.ts';
import { createDataSource } from '../db/dataSource.ts';
import { dumpDatabase, loadDump } from '../db/dump.ts';
import { migrate } from '../db/migrate.ts';

/*
 * A shop in one file: what the database holds as SQL, and the pictures. The pictures are read
 * after the database, and none is taken away within its thirty days, so every picture that the
 * database speaks of is in the file, also while people work.
 */
const FORMAT = 'aspecta backup';
const VERSION = 1;

interface About {
  format: string;
  version: number;
  at: string;
}

/** Writes a shop into one file, complete or not at all. */
export async function backUp(address: DatabaseAddress, home: string, file: string, now: Date): Promise<void> {
  const target = resolve(file);
  mkdirSync(dirname(target), { recursive: true });
  mkdirSync(join(home, 'files'), { recursive: true, mode: 0o700 });
  const stage = staging(home);
  try {
    await dumpDatabase(address, join(stage, 'database.sql'));
    const about: About = { format: FORMAT, version: VERSION, at: now.toISOString() };
    writeFileSync(join(stage, 'about.json'), JSON.stringify(about));
    // The name's first letters keep it from being taken for a finished one while it is written.
    const half = join(dirname(target), `.unfinished-${process.pid}.tar.gz`);
    try {
      writeFileSync(half, '', { mode: 0o600 });
      tar(
        ['-czf', half, '-C', stage, 'about.json', 'database.sql', '-C', home, 'files'],
        'The backup cannot be written',
      );
      renameSync(half, target);
    } finally {
      rmSync(half, { force: true });
    }
  } finally {
    rmSync(stage, { recursive: true, force: true });
  }
}

/**
 * Brings a shop from a file into a house that has none yet, and up to the present layout.
 * @throws Error where the file is no backup, or the house holds a shop already
 */
export async function restore(address: DatabaseAddress, home: string, file: string): Promise<About> {
  const source = resolve(file);
  if (!existsSync(source)) throw new Error(`There is no file ${source}.`);
  const stage = staging(home);
  try {
    tar(['-xzf', source, '-C', stage, '--no-same-owner'], `${source} cannot be opened`);
    const about = readAbout(stage, source);
    await refuseFilled(address);
    await loadDump(address, join(stage, 'database.sql'));
    putFiles(join(stage, 'files'), join(home, 'files'));
    const db = await createDataSource(address).initialize();
    await migrate(db).finally(() => db.destroy());
    return about;
  } finally {
    rmSync(stage, { recursive: true, force: true });
  }
}

function staging(home: string): string {
  mkdirSync(join(home, 'run'), { recursive: true });
  return mkdtempSync(join(home, 'run', 'backup-'));
}

function tar(words: readonly string[], failure: string): void {
  const done = spawnSync('tar', words, { encoding: 'utf8', env: { ...process.env, LC_ALL: 'C.UTF-8' } });
  if (done.status !== 0)
    throw new Error(`${failure}: ${done.error?.message ?? (done.stderr.trim().split('\n')[0] || 'tar failed')}`);
}

function readAbout(stage: string, source: string): About {
  let about: Partial<About> = {};
  try {
    about = JSON.parse(readFileSync(join(stage, 'about.json'), 'utf8')) as Partial<About>;
  } catch {
    // Said below.
  }
  if (about.format !== FORMAT || !existsSync(join(stage, 'database.sql')))
    throw new Error(`${source} is no backup of a shop; choose a file that "aspecta backup" has written.`);
  if (about.version !== VERSION)
    throw new Error(`${source} was written by a newer Aspecta (${about.version}); bring this one up to date first.`);
  return about as About;
}

async function refuseFilled(address: DatabaseAddress): Promise<void> {
  const db = await createDataSource(address).initialize();
  try {
    const tables = (await db.query("SHOW TABLES LIKE 'shop'")) as unknown[];
    const shops = tables.length > 0 ? ((await db.query('SELECT 1 FROM shop LIMIT 1')) as unknown[]) : [];
    if (shops.length > 0)
      throw new Error(
        'This folder holds a shop already, and nothing of it is overwritten. Name a folder for the restored one: ASPECTA_HOME=/another/folder ./aspecta restore FILE',
      );
  } finally {
    await db.destroy();
  }
}

function putFiles(from: string, to: string): void {
  if (!existsSync(from)) return;
  mkdirSync(to, { recursive: true, mode: 0o700 });
  for (const name of readdirSync(from)) renameSync(join(from, name), join(to, name));
}
