import type { EntityManager, EntityTarget, ObjectLiteral, QueryDeepPartialEntity } from 'typeorm';

/** Marks of who and when: two changes that differ only in these are the same change. */
const STAMPS = new Set(['version', 'changedAt', 'changedBy']);

/**
 * Somebody else was quicker. What is stored now is looked up when the transaction is over, so
 * that nobody waits for a second connection while he holds one.
 */
export class Stale extends Error {
  readonly current: () => Promise<unknown>;
  constructor(current: () => Promise<unknown>) {
    super('stale');
    this.current = current;
  }
}

type Versioned = ObjectLiteral & { id: string; version: number };

/** Which row is changed, as the person has seen it, into what; `current` looks up what is stored where somebody was quicker. */
export interface Change<T extends Versioned> {
  target: EntityTarget<T>;
  id: string;
  seen: number;
  changes: Partial<T>;
  current: () => Promise<unknown>;
}

/**
 * Changes a row only if it still has the version that the person has seen, and counts the
 * version up. Within `changeOf` or `changeOfShop`, which turn `Stale` into a conflict with what is stored.
 */
export async function changeVersioned<T extends Versioned>(manager: EntityManager, change: Change<T>): Promise<void> {
  if (!(await tryChange(manager, change))) throw new Stale(change.current);
}

/** The same where nothing else hangs on it: the same change sent again, because its answer was lost, is taken as done. */
export async function changeOnce<T extends Versioned>(manager: EntityManager, change: Change<T>): Promise<void> {
  if (await tryChange(manager, change)) return;
  const stored = await manager.findOneBy(change.target, { id: change.id } as never);
  if (stored?.version === change.seen + 1 && isSame(stored, change.changes)) return;
  throw new Stale(change.current);
}

async function tryChange<T extends Versioned>(
  manager: EntityManager,
  { target, id, seen, changes }: Change<T>,
): Promise<boolean> {
  const result = await manager.update(
    target,
    { id, version: seen } as never,
    { ...changes, version: seen + 1 } as QueryDeepPartialEntity<T>,
  );
  return result.affected === 1;
}

function isSame<T extends ObjectLiteral>(stored: T, changes: Partial<T>): boolean {
  return Object.entries(changes).every(
    ([name, value]) => STAMPS.has(name) || plain(stored[name]) === plain(value as unknown),
  );
}

/** What the database gives back for a flag is a number. */
const plain = (value: unknown) => JSON.stringify(typeof value === 'boolean' ? Number(value) : (value ?? null));
