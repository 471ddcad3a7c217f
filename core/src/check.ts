import { refuse } from './problem.ts';

interface Bounds {
  /** Smallest value allowed (inclusive). */
  min?: number;
  /** Largest value allowed (inclusive). */
  max?: number;
  /** Smallest value that is no longer allowed. */
  above?: number;
  unit?: string;
}

/**
 * Lets a finite number within bounds through and refuses everything else by field.
 * Every door of core uses it, so NaN and infinities are decided in this one place.
 */
export function finite(field: string, value: unknown, bounds: Bounds = {}): number {
  const unit = bounds.unit ? ` ${bounds.unit}` : '';
  if (typeof value !== 'number' || !Number.isFinite(value)) {
    refuse('not-a-number', field, `${field} must be a number${unit ? ` in${unit}` : ''}; enter digits only.`);
  }
  const number = value as number;
  if (bounds.above !== undefined && number <= bounds.above) {
    refuse('too-small', field, `${field} is ${number}${unit}; it must be more than ${bounds.above}${unit}.`);
  }
  if (bounds.min !== undefined && number < bounds.min) {
    refuse('too-small', field, `${field} is ${number}${unit}; it must be at least ${bounds.min}${unit}.`);
  }
  if (bounds.max !== undefined && number > bounds.max) {
    refuse('too-large', field, `${field} is ${number}${unit}; it must be at most ${bounds.max}${unit}.`);
  }
  return number;
}

/** Lets a list with a length within bounds through. */
export function list<T>(field: string, value: readonly T[] | unknown, min: number, max: number): readonly T[] {
  if (!Array.isArray(value)) refuse('not-a-list', field, `${field} must be a list.`);
  const items = value as readonly T[];
  if (items.length < min) refuse('too-few', field, `${field} has ${items.length} entries; at least ${min} are needed.`);
  if (items.length > max)
    refuse('too-many', field, `${field} has ${items.length} entries; at most ${max} can be taken at once.`);
  return items;
}

/**
 * Is this a word of the table? Its own words only: every object also has `constructor`,
 * `toString` and `__proto__`, which nobody has put there.
 */
export const isWordOf = (table: object, word: unknown): boolean =>
  typeof word === 'string' && Object.hasOwn(table, word);
