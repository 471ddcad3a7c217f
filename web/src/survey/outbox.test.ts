import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ReadingInput } from '@aspecta/contract/survey';
import type { SessionView } from '@aspecta/contract/shop';
import { useConnection } from '../shell/connection.ts';
import { useSession } from '../shell/session.ts';
import { useOutbox } from './outbox.ts';

/* Without IndexedDB (as here) readings are kept in memory; the browser tests cover the rest. */
const fetching = vi.fn<typeof fetch>();
const reading = (id: string): ReadingInput => ({ id, panel: 'roof', layer: 'outer', u: 1, v: 2, metalMm: 0.8 });
const shopOf = (id: string) => ({ shop: { id }, person: { role: 'owner' }, csrf: 'x' }) as unknown as SessionView;
const stored = () => new Response(JSON.stringify([{ id: 'a' }]), { status: 201 });
const refused = (status: number) =>
  new Response(JSON.stringify({ status, code: 'invalid', detail: 'no', field: 'metalMm' }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  });

beforeEach(() => {
  setActivePinia(createPinia());
  fetching.mockReset();
  vi.stubGlobal('fetch', fetching);
  vi.stubGlobal('indexedDB', undefined);
  useSession().current = shopOf('mine');
});

describe('the outbox', () => {
  it('sends at once where the server answers, and tells who listens', async () => {
    fetching.mockResolvedValue(stored());
    const outbox = useOutbox();
    const heard = vi.fn();
    outbox.whenStored(heard);
    expect(await outbox.enter('car', reading('a'))).toBe(true);
    expect(outbox.pending).toEqual([]);
    expect(heard).toHaveBeenCalledWith([{ id: 'a' }], 'car');
  });

  it('keeps readings in order while the server is away, and sends each once when it is back', async () => {
    fetching.mockRejectedValue(new TypeError('network'));
    const outbox = useOutbox();
    expect(await outbox.enter('car', reading('a'))).toBe(false);
    expect(await outbox.enter('car', reading('b'))).toBe(false);
    expect(outbox.pending.map((kept) => kept.id)).toEqual(['a', 'b']);
    fetching.mockReset();
    fetching.mockImplementation(() => Promise.resolve(stored()));
    useConnection().note(true);
    await vi.waitFor(() => expect(outbox.pending).toEqual([]));
    const sent = fetching.mock.calls.map(([, init]) => JSON.parse(String(init!.body)).readings[0].id as string);
    expect(sent).toEqual(['a', 'b']);
  });

  it('lets go of what the server refuses for good, and says why', async () => {
    fetching.mockResolvedValue(refused(422));
    const outbox = useOutbox();
    await expect(outbox.enter('car', reading('a'))).rejects.toThrow('no');
    expect(outbox.pending).toEqual([]);
  });

  it('keeps what the server could not take just now', async () => {
    fetching.mockResolvedValue(refused(500));
    const outbox = useOutbox();
    await expect(outbox.enter('car', reading('a'))).rejects.toThrow();
    expect(outbox.pending).toHaveLength(1);
  });

  it('never sends the readings of one shop for another', async () => {
    fetching.mockRejectedValue(new TypeError('network'));
    const outbox = useOutbox();
    await outbox.enter('car', reading('a'));
    useSession().current = shopOf('theirs');
    fetching.mockReset();
    fetching.mockImplementation(() => Promise.resolve(stored()));
    useConnection().note(true);
    await outbox.flush();
    expect(fetching).not.toHaveBeenCalled();
    useSession().current = shopOf('mine');
    await vi.waitFor(() => expect(outbox.pending).toEqual([]));
  });
});
