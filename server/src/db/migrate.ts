import { MigrationExecutor, type DataSource, type QueryRunner } from 'typeorm';

/** s. Another process may be upgrading a large shop; it is waited for as long as that. */
const LONGEST_WAIT = 600;

export interface MigrateOptions {
  /** Called before a database that holds a shop is changed; throws where no backup could be made. */
  backup?: (pending: number) => Promise<void>;
}

/**
 * Brings the database to the present layout, from whatever point it was left at. Only one
 * process does so at a time: the lock lives in the database and goes with the connection.
 * @returns how many steps were run
 */
export async function migrate(db: DataSource, { backup }: MigrateOptions = {}): Promise<number> {
  const runner = db.createQueryRunner();
  await runner.connect();
  const lock = `migrate ${String(db.options.database)}`.slice(0, 64);
  try {
    await take(runner, lock);
    const executor = new MigrationExecutor(db, runner);
    executor.transaction = 'each';
    const pending = (await executor.getPendingMigrations()).length;
    if (pending === 0) return 0;
    if (backup && (await isFilled(runner))) await backup(pending);
    await executor.executePendingMigrations();
    return pending;
  } finally {
    await runner.query('SELECT RELEASE_LOCK(?)', [lock]).catch(() => undefined);
    await runner.release();
  }
}

async function take(runner: QueryRunner, lock: string): Promise<void> {
  const [row] = (await runner.query('SELECT GET_LOCK(?, ?) AS got', [lock, LONGEST_WAIT])) as { got: unknown }[];
  if (Number(row?.got) !== 1)
    throw new Error('Another process has been upgrading this database for ten minutes; look into its log.');
}

/** Is there anything to lose? */
async function isFilled(runner: QueryRunner): Promise<boolean> {
  if (!(await runner.hasTable('shop'))) return false;
  return ((await runner.query('SELECT 1 FROM shop LIMIT 1')) as unknown[]).length > 0;
}
