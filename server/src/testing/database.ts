import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import type { TestProject } from 'vitest/node';
import type { DatabaseAddress } from '../db/address.ts';
import { startMariaDb } from '../launch/mariadb.ts';

declare module 'vitest' {
  export interface ProvidedContext {
    database: DatabaseAddress;
  }
}

/** One private MariaDB for all server tests, in memory where the machine offers it; every test file takes a database of its own. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const home = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'aspecta-'));
  const database = await startMariaDb({ home, port: 34_100 + (process.pid % 500), durable: false });
  project.provide('database', database.address);
  return async () => {
    await database.stop();
    rmSync(home, { recursive: true, force: true });
  };
}

/** An empty database of its own beside another one. */
export async function emptyDatabase(beside: DatabaseAddress): Promise<DatabaseAddress> {
  const { host, port, user, password } = beside;
  const address = { ...beside, database: `aspecta_${randomUUID().slice(0, 8)}` };
  const root = await createConnection({ host, port, user, password });
  await root.query(`CREATE DATABASE ${address.database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await root.end();
  return address;
}
