import type { DataSource, EntityManager } from 'typeorm';
import { conflict, notFound } from '../http/problems.ts';
import { Stale } from './change.ts';

/** How often a change is tried again that two people make at the same moment. */
const TRIES = 4;

/**
 * One change of a vehicle at a time, whole or not at all: takes the vehicle's row, counts its
 * revision up, and runs `work` in the same transaction. What is looked up in `work` stays true
 * until it is done, over all server processes; whoever keeps something by the revision notices.
 */
export async function changeOf<T>(
  db: DataSource,
  vehicleId: string,
  work: (manager: EntityManager) => Promise<T>,
): Promise<T> {
  return inTurn(vehicleId, () =>
    db.transaction('READ COMMITTED', async (manager) => {
      // Raw, because the query builder cannot lock and count in one round trip.
      const { affectedRows } = (await manager.query('UPDATE vehicle SET revision = revision + 1 WHERE id = ?', [
        vehicleId,
      ])) as { affectedRows: number };
      if (affectedRows !== 1) throw notFound('vehicle');
      return work(manager);
    }),
  );
}

/** The same for several vehicles at once; their rows are taken in one order, so that two such changes never wait for each other. */
export async function changeOfAll<T>(
  db: DataSource,
  vehicleIds: readonly string[],
  work: (manager: EntityManager) => Promise<T>,
): Promise<T> {
  const ids = [...new Set(vehicleIds)].sort();
  return inTurn(ids[0] ?? '', () =>
    db.transaction('READ COMMITTED', async (manager) => {
      for (const id of ids) await manager.query('UPDATE vehicle SET revision = revision + 1 WHERE id = ?', [id]);
      return work(manager);
    }),
  );
}

/** One change of a shop's own things at a time: people, house rules, plans. */
export async function changeOfShop<T>(
  db: DataSource,
  shopId: string,
  work: (manager: EntityManager) => Promise<T>,
): Promise<T> {
  return inTurn(shopId, () =>
    db.transaction('READ COMMITTED', async (manager) => {
      await manager.query('SELECT id FROM shop WHERE id = ? FOR UPDATE', [shopId]);
      return work(manager);
    }),
  );
}

/** Changes of this process that wait for each other, by what they change: those behind the first hold no connection meanwhile. */
const queues = new Map<string, Promise<unknown>>();

async function inTurn<T>(id: string, attempt: () => Promise<T>): Promise<T> {
  const turn = (queues.get(id) ?? Promise.resolve()).then(() => withRetries(attempt));
  const over = turn.catch(() => undefined);
  queues.set(id, over);
  try {
    return await turn;
  } finally {
    if (queues.get(id) === over) queues.delete(id);
  }
}

async function withRetries<T>(attempt: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await attempt();
    } catch (error) {
      if (error instanceof Stale) {
        const stored = await error.current();
        throw stored === null || stored === undefined ? notFound('record') : conflict(stored);
      }
      const code = (error as { driverError?: { code?: string } }).driverError?.code;
      if (tries >= TRIES || (code !== 'ER_LOCK_DEADLOCK' && code !== 'ER_LOCK_WAIT_TIMEOUT')) throw error;
    }
  }
}
