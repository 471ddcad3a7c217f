import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { ApiProblem, sendAgain, serverNow, Unreachable } from '../shell/api.ts';
import { useConnection } from '../shell/connection.ts';
import { useSession } from '../shell/session.ts';
import { device, type Entry, type EntryKind } from './device.ts';

/** What is to be recorded; order, shop and the rest are added. */
export type NewEntry = Pick<Entry, 'id' | 'vehicle' | 'kind' | 'title' | 'path' | 'body'> & { method?: 'POST' | 'PUT' };

export interface Recorded<T> {
  /** What the server has answered; null where it is kept on this device for now. */
  answer: T | null;
}

/** ms until the next try where the server is there but cannot take it just now. */
const AGAIN = 5000;
/** Failures of the server over one entry after which it is put aside, so that those behind it go on. */
const MOST_FAILURES = 3;
/** Refusals that sending again does not mend. */
const FINAL = new Set([400, 403, 404, 409, 413, 415, 422]);

/**
 * One outbox for everything that is recorded at the car. Each entry is written to this device
 * first and then sent, in order, exactly once: it carries its own id. While the server is away
 * entries stay here, also over a reload. One that is refused is put aside until a person mends,
 * moves or throws it away; it neither disappears nor holds those behind it up.
 */
export const useOutbox = defineStore('outbox', () => {
  const entries = ref<Entry[]>([]);
  const session = useSession();
  const connection = useConnection();
  const mine = computed(() => entries.value.filter((entry) => entry.shop === session.current?.shop.id));
  /** On their way. */
  const pending = computed(() => mine.value.filter((entry) => !entry.refused));
  /** Waiting for a person. */
  const refused = computed(() => mine.value.filter((entry) => entry.refused));
  const listeners = new Set<(entry: Entry, answer: unknown) => void>();
  let last = 0;
  let flushing: Promise<void> | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;

  void recall();
  watch(
    () => session.current?.shop.id,
    (shop) => shop && void flush(),
  );
  connection.whenBack(() => void flush());

  async function recall(): Promise<void> {
    const kept = (await (await device())?.getAll('entries').catch(() => [])) ?? [];
    entries.value = [...kept, ...entries.value]
      .filter((entry, i, all) => all.findIndex((other) => other.id === entry.id) === i)
      .sort((a, b) => a.order - b.order);
    await flush();
  }

  /**
   * Records something: on this device first, then on the server.
   * @param here the page still holds what was typed: a refusal is shown there and not put aside
   * @throws ApiProblem what the server refuses, where `here` is true
   */
  async function record<T>(given: NewEntry, here = false): Promise<Recorded<T>> {
    const entry: Entry = {
      method: 'POST',
      ...given,
      shop: session.current?.shop.id ?? '',
      order: (last = Math.max(last + 1, Date.now())),
    };
    entries.value = [...entries.value.filter((other) => other.id !== entry.id), entry];
    await save(entry);
    let answer: T | null = null;
    const listener = (sent: Entry, told: unknown) => {
      if (sent.id === entry.id) answer = told as T;
    };
    listeners.add(listener);
    await flush().finally(() => listeners.delete(listener));
    const now = entries.value.find((other) => other.id === entry.id);
    if (here && now?.refused) {
      await drop(entry.id);
      throw lastRefusal ?? new Error(now.refused.detail);
    }
    return { answer };
  }
  let lastRefusal: ApiProblem | undefined;

  function flush(): Promise<void> {
    flushing ??= sendAll().finally(() => (flushing = undefined));
    return flushing.then(() =>
      pending.value.some((entry) => !tried.has(entry.id)) && connection.reachable ? flush() : undefined,
    );
  }
  /** Entries that have been tried since the server was last found to be there. */
  const tried = new Set<string>();

  async function sendAll(): Promise<void> {
    clearTimeout(timer);
    tried.clear();
    for (;;) {
      const entry = pending.value.find((candidate) => !tried.has(candidate.id));
      if (!entry) break;
      tried.add(entry.id);
      try {
        const answer = await sendAgain(entry.method, entry.path, entry.body);
        // Who shows it has the answer before it leaves: nothing is gone from the page for a moment.
        for (const listener of listeners) listener(entry, answer);
        await drop(entry.id);
      } catch (error) {
        if (error instanceof Unreachable) return;
        if (error instanceof ApiProblem && error.body.status === 401) return;
        if (await putAside(entry, error)) continue;
        timer = setTimeout(() => void flush(), AGAIN);
        return;
      }
    }
  }

  /** Puts an entry aside that cannot be taken; false where it is worth another try. */
  async function putAside(entry: Entry, error: unknown): Promise<boolean> {
    const problem = error instanceof ApiProblem ? error : undefined;
    const failures = (entry.failures ?? 0) + 1;
    const final = problem ? FINAL.has(problem.body.status) : false;
    if (!final && (problem?.body.status === 429 || problem?.body.status === 503)) return false;
    if (!final && failures < MOST_FAILURES) {
      await change({ ...entry, failures });
      return false;
    }
    lastRefusal = problem;
    await change({
      ...entry,
      failures,
      refused: {
        detail: problem?.message ?? 'The server cannot take this.',
        ...(problem?.body.field ? { field: problem.body.field } : {}),
        at: new Date(serverNow()).toISOString(),
      },
    });
    return true;
  }

  async function change(entry: Entry): Promise<void> {
    entries.value = entries.value.map((other) => (other.id === entry.id ? entry : other));
    await save(entry);
  }
  async function save(entry: Entry): Promise<void> {
    // A plain copy: what is watched cannot be written to the device.
    const body = entry.body instanceof Blob ? entry.body : (JSON.parse(JSON.stringify(entry.body)) as Entry['body']);
    await (await device())?.put('entries', { ...entry, body }).catch(() => undefined);
  }
  async function drop(id: string): Promise<void> {
    entries.value = entries.value.filter((entry) => entry.id !== id);
    await (await device())?.delete('entries', id).catch(() => undefined);
  }

  /** Sends an entry that was put aside once more, as it is or mended. */
  async function again(id: string, body?: Entry['body']): Promise<void> {
    const entry = entries.value.find((other) => other.id === id);
    if (!entry) return;
    const { refused: _refused, failures: _failures, ...rest } = entry;
    await change({ ...rest, body: body ?? entry.body });
    await flush();
  }

  /** Calls back with every entry that the server has taken; returns how to stop that. */
  function whenSent(listener: (entry: Entry, answer: unknown) => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }
  /** What is on its way or waiting, of one kind and vehicle. */
  const keptOf = (kind: EntryKind, vehicle: string) =>
    mine.value.filter((entry) => entry.kind === kind && entry.vehicle === vehicle);
  return { pending, refused, record, flush, again, drop, whenSent, keptOf };
});
