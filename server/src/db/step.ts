import type { MigrationInterface, QueryRunner } from 'typeorm';

type Migration = new () => MigrationInterface;

/** What a statement of a step may be: each of these can be run again on a database where it has been run already. */
const REPEATABLE = [
  /^CREATE TABLE IF NOT EXISTS /,
  /^ALTER TABLE \w+ ADD COLUMN IF NOT EXISTS /,
  /^ALTER TABLE \w+ DROP COLUMN IF EXISTS /,
  /^ALTER TABLE \w+ MODIFY COLUMN /,
  /^ALTER TABLE \w+ ADD CONSTRAINT \w+ FOREIGN KEY IF NOT EXISTS /,
  /^ALTER TABLE \w+ DROP FOREIGN KEY IF EXISTS /,
  /^CREATE (UNIQUE )?INDEX IF NOT EXISTS /,
  /^UPDATE [\s\S]+ WHERE /,
  /^INSERT IGNORE /,
];

/**
 * Forward steps with one statement each. DDL cannot be rolled back, and it is kept before the
 * note that it was done: a step that was cut off between the two is run again, so every
 * statement is of a kind that does nothing the second time. `volume` numbers the file, so
 * that order is fixed for ever.
 * @throws Error for a statement that could not be repeated
 */
export function steps(volume: number, statements: readonly (readonly [name: string, sql: string])[]): Migration[] {
  return statements.map(([name, sql], i) => {
    if (!REPEATABLE.some((form) => form.test(sql)))
      throw new Error(`The step ${name} cannot be run twice: ${sql.slice(0, 60)}…`);
    const stamp = 1_000_000_000_000 + volume * 1_000_000 + i;
    return class implements MigrationInterface {
      readonly name = `${name}${stamp}`;
      async up(runner: QueryRunner): Promise<void> {
        await runner.query(sql);
      }
      async down(): Promise<void> {
        throw new Error('Migrations only go forward; restore a backup instead.');
      }
    };
  });
}
