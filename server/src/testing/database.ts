import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import type { DatabaseAddress } from '../db/dataSource.ts';
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
