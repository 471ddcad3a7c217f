import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { AuditEntity } from './entities.ts';

/** Writes down what happened to the accounts or the rules of a shop, in the transaction in which it happens. */
export async function note(
  manager: EntityManager,
  { shopId, name, address = '' }: { shopId: string; name: string; address?: string | undefined },
  text: string,
): Promise<void> {
  await manager.insert(AuditEntity, {
    id: randomUUID(),
    shopId,
    at: new Date(),
    by: name,
    text: text.slice(0, 500),
    address: address.slice(0, 60),
  });
}
