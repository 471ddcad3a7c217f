import type { MigrationInterface, QueryRunner } from 'typeorm';

type Migration = new () => MigrationInterface;

/**
 * Forward steps with one statement each: DDL cannot be rolled back, so a step either
 * happened whole or not at all. `volume` numbers the file, so that order is fixed for ever.
 */
export function steps(volume: number, statements: readonly (readonly [name: string, sql: string])[]): Migration[] {
  return statements.map(([name, sql], i) => {
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
