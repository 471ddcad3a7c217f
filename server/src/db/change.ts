import type { EntityManager, EntityTarget, ObjectLiteral, QueryDeepPartialEntity } from 'typeorm';
import { conflict, notFound } from '../http/problems.ts';

/**
 * Changes a row only if it still has the version that the person has seen, and counts the
 * version up. Otherwise throws a conflict that carries what is stored now.
 */
export async function changeVersioned<T extends ObjectLiteral & { id: string; version: number }>(
  manager: EntityManager,
  target: EntityTarget<T>,
  id: string,
  seen: number,
  changes: Partial<T>,
  current: () => Promise<unknown>,
): Promise<void> {
  const result = await manager.update(
    target,
    { id, version: seen } as never,
    { ...changes, version: seen + 1 } as QueryDeepPartialEntity<T>,
  );
  if (result.affected === 1) return;
  const stored = await current();
  if (stored === null || stored === undefined) throw notFound('record');
  throw conflict(stored);
}
