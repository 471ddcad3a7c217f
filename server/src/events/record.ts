import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { Caller } from '../http/session.ts';
import { EventEntity, type Undo } from './entities.ts';

/** Writes down what happened on a vehicle, in the transaction in which it happens. */
export async function record(
  manager: EntityManager,
  caller: Caller,
  vehicleId: string,
  subject: string,
  text: string,
  undo: Undo | null = null,
): Promise<void> {
  await manager.insert(EventEntity, {
    id: randomUUID(),
    vehicleId,
    at: new Date(),
    by: caller.name,
    subject,
    text: text.slice(0, 500),
    undo,
  });
}
