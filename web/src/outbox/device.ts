import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** Something that was recorded at the car and is on its way to the server. */
export interface Entry {
  /** Of what is recorded, where it has an id of its own: the server stores it once, however often it comes. */
  id: string;
  /** Place in the queue. */
  order: number;
  shop: string;
  vehicle: string;
  kind: EntryKind;
  /** What it is, as a person recognises it: “Metal 0.62 mm on Sill, left”. */
  title: string;
  method: 'POST' | 'PUT';
  path: string;
  body: Record<string, unknown> | Blob;
  /** Why the server does not take it; it waits for a person then. */
  refused?: { detail: string; field?: string; at: string };
  /** How often the server has failed over it. */
  failures?: number;
}
export type EntryKind = 'reading' | 'find' | 'look' | 'pit' | 'tick' | 'zone' | 'picture' | 'tape';

/** An answer of the server as it was last seen. */
export interface LastKnown {
  /** Who saw it, and the path. */
  key: string;
  at: number;
  answer: unknown;
}

interface Device extends DBSchema {
  entries: { key: string; value: Entry };
  known: { key: string; value: LastKnown; indexes: { at: number } };
}
/** Before there was one outbox for everything, readings were kept like this. */
interface OldReading {
  id: string;
  vehicle: string;
  shop: string;
  reading: Record<string, unknown>;
  order: number;
}

/** Answers that are kept for the time without network. */
const MOST_KNOWN = 400;

let opened: Promise<IDBPDatabase<Device> | undefined> | undefined;

/** What this device keeps; undefined where it keeps nothing, as in some private windows. */
export function device(): Promise<IDBPDatabase<Device> | undefined> {
  opened ??= open().catch(() => undefined);
  return opened;
}

async function open(): Promise<IDBPDatabase<Device>> {
  return openDB<Device>('aspecta', 2, {
    async upgrade(db, from, _to, transaction) {
      db.createObjectStore('entries', { keyPath: 'id' });
      db.createObjectStore('known', { keyPath: 'key' }).createIndex('at', 'at');
      if (from < 1) return;
      // Readings that an earlier version has kept and not yet sent.
      const old = transaction.objectStore('readings' as never);
      for (const kept of await (old as unknown as { getAll(): Promise<OldReading[]> }).getAll())
        await transaction.objectStore('entries').put({
          ...{ id: kept.id, order: kept.order, shop: kept.shop, vehicle: kept.vehicle },
          kind: 'reading',
          title: 'Reading',
          method: 'POST',
          path: `/vehicles/${kept.vehicle}/readings`,
          body: { readings: [kept.reading] },
        });
      db.deleteObjectStore('readings' as never);
    },
  });
}

/** Notes an answer for the time without network; the oldest ones make room. */
export async function remember(key: string, answer: unknown, at: number): Promise<void> {
  const db = await device();
  if (!db) return;
  try {
    await db.put('known', { key, at, answer });
    const over = (await db.count('known')) - MOST_KNOWN;
    if (over <= 0) return;
    const transaction = db.transaction('known', 'readwrite');
    let cursor = await transaction.store.index('at').openCursor();
    for (let i = 0; i < over && cursor; i++) {
      await cursor.delete();
      cursor = await cursor.continue();
    }
  } catch {
    // A full device keeps its entries and no answers.
  }
}

export async function lastKnown(key: string): Promise<LastKnown | undefined> {
  return (await device())?.get('known', key).catch(() => undefined);
}

/** Forgets what was seen, when somebody signs out; what is not yet sent stays. */
export async function forgetKnown(): Promise<void> {
  await (await device())?.clear('known').catch(() => undefined);
}
