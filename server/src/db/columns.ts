import type { EntitySchemaColumnOptions } from 'typeorm';

/* Column shapes that every subject uses; every type is explicit. */
export const key = (): EntitySchemaColumnOptions => ({ type: 'char', length: 36, primary: true });
export const ref = (): EntitySchemaColumnOptions => ({ type: 'char', length: 36 });
export const text = (length: number): EntitySchemaColumnOptions => ({ type: 'varchar', length });
export const whole = (): EntitySchemaColumnOptions => ({ type: 'int' });
export const decimal = (): EntitySchemaColumnOptions => ({ type: 'double' });
export const flag = (): EntitySchemaColumnOptions => ({ type: 'boolean' });
export const moment = (): EntitySchemaColumnOptions => ({ type: 'datetime', precision: 3 });
export const day = (): EntitySchemaColumnOptions => ({ type: 'date' });
export const maybe = (column: EntitySchemaColumnOptions): EntitySchemaColumnOptions => ({ ...column, nullable: true });
/** JSON kept as text, so that what is read is exactly what was written. */
export const json = (): EntitySchemaColumnOptions => ({
  type: 'longtext',
  transformer: {
    to: (value: unknown) => JSON.stringify(value),
    from: (stored: string) => JSON.parse(stored) as unknown,
  },
});
/** Counts changes; compared on every update so that nobody overwrites what he has not seen. */
export const version = whole;

export const belongsTo = (target: string, column: string) => ({
  target,
  columnNames: [column],
  referencedColumnNames: ['id'],
  onDelete: 'CASCADE' as const,
});
