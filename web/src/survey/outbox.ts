import { openDB, type IDBPDatabase } from 'idb';
import { defineStore } from 'pinia';
import { ref, watch } from 'vue';
import type { ReadingInput, ReadingView } from '@aspecta/contract/survey';
import { ApiProblem, post, Unreachable } from '../shell/api.ts';
import { useConnection } from '../shell/connection.ts';
import { useSession } from '../shell/session.ts';

export interface Kept {
  /** The reading's own id: the server stores it once, however often it is sent. */
  id: string;
  vehicle: string;
  shop: string;
  reading: ReadingInput;
  order: number;
}

/**
 * Readings on their way to the server. Each is written to this device first; while the
 * server is away they stay here, also over a reload, and are sent once when it is back.
 */
export const useOutbox = defineStore('outbox', () => {
  const pending = ref<Kept[]>([]);
  const database = open();
  const session = useSession();
  let flushing: Promise<void> | undefined;
  const listeners = new Set<(stored: ReadingView[], vehicle: string) => void>();

  void recall();
  // Readings that were kept over a closed page wait for somebody of their shop to be signed in.
  watch(
    () => session.current?.shop.id,
    (shop) => shop && void flush().catch(() => undefined),
  );
  useConnection().whenBack(() => void flush().catch(() => undefined));

  async function recall(): Promise<void> {
    const kept = await (await database)?.getAll('readings').catch(() => []);
    pending.value = [...((kept ?? []) as Kept[]), ...pending.value]
      .filter((entry, i, all) => all.findIndex((other) => other.id === entry.id) === i)
      .sort((a, b) => a.order - b.order);
    if (pending.value.length > 0) await flush().catch(() => undefined);
  }

  /** Keeps a reading and sends it. Resolves true when it is stored, false when it is kept for later; throws what the server refuses. */
  async function enter(vehicle: string, reading: ReadingInput): Promise<boolean> {
    const entry: Kept = { id: reading.id, vehicle, shop: session.current?.shop.id ?? '', reading, order: Date.now() };
    pending.value.push(entry);
    await (await database)?.put('readings', JSON.parse(JSON.stringify(entry))).catch(() => undefined);
    await flush();
    return !pending.value.some((kept) => kept.id === entry.id);
  }

  function flush(): Promise<void> {
    flushing ??= sendAll().finally(() => (flushing = undefined));
    return flushing.then(() => (sendable().length > 0 && useConnection().reachable ? flush() : undefined));
  }

  const sendable = () => pending.value.filter((entry) => entry.shop === session.current?.shop.id);

  async function sendAll(): Promise<void> {
    for (const entry of sendable()) {
      try {
        const stored = await post<ReadingView[]>(`/vehicles/${entry.vehicle}/readings`, { readings: [entry.reading] });
        await drop(entry.id);
        for (const listener of listeners) listener(stored, entry.vehicle);
      } catch (error) {
        if (error instanceof Unreachable) return;
        // A refusal cannot be mended by sending again; an ended session or a busy server can.
        if (error instanceof ApiProblem && [404, 413, 422].includes(error.body.status)) await drop(entry.id);
        throw error;
      }
    }
  }

  async function drop(id: string): Promise<void> {
    pending.value = pending.value.filter((entry) => entry.id !== id);
    await (await database)?.delete('readings', id).catch(() => undefined);
  }

  /** Calls back with every reading that the server has stored; returns how to stop that. */
  function whenStored(listener: (stored: ReadingView[], vehicle: string) => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }
  return { pending, enter, flush, whenStored };
});

/** Undefined where the device keeps nothing, as in some private windows: readings then wait in memory. */
async function open(): Promise<IDBPDatabase | undefined> {
  try {
    return await openDB('aspecta', 1, { upgrade: (db) => void db.createObjectStore('readings', { keyPath: 'id' }) });
  } catch {
    return undefined;
  }
}
