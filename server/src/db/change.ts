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

/**
 * Changes a row only if it still has the version that the person has seen, and counts the
 * version up. Within `changeOf` or `changeOfShop`, which turn `Stale` into a conflict with what is stored.
 */
export async function changeVersioned<T extends ObjectLiteral & { id: string; version: number }>(
  manager: EntityManager,
  target: EntityTarget<T>,
  id: string,
  seen: number,
  changes: Partial<T>,
  current: () => Promise<unknown>,
): Promise<void> {
  if (await tryChange(manager, target, id, seen, changes)) return;
  throw new Stale(current);
}

/** The same where nothing else hangs on it: the same change sent again, because its answer was lost, is taken as done. */
export async function changeOnce<T extends ObjectLiteral & { id: string; version: number }>(
  manager: EntityManager,
  target: EntityTarget<T>,
  id: string,
  seen: number,
  changes: Partial<T>,
  current: () => Promise<unknown>,
): Promise<void> {
  if (await tryChange(manager, target, id, seen, changes)) return;
  const stored = await manager.findOneBy(target, { id } as never);
  if (stored?.version === seen + 1 && isSame(stored, changes)) return;
  throw new Stale(current);
}

async function tryChange<T extends ObjectLiteral & { id: string; version: number }>(
  manager: EntityManager,
  target: EntityTarget<T>,
  id: string,
  seen: number,
  changes: Partial<T>,
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
