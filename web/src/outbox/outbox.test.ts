import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { SessionView } from '@aspecta/contract/shop';
import { useConnection } from '../shell/connection.ts';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import type { Entry } from './device.ts';
import { fieldsOf, mended, type Units } from './mend.ts';
import { useOutbox, type NewEntry } from './useOutbox.ts';

/* Without IndexedDB (as here) entries are kept in memory; the browser tests cover the rest. */
const fetching = vi.fn<typeof fetch>();
const reading = (id: string, over: object = {}): NewEntry => ({
  id,
  vehicle: 'car',
  kind: 'reading',
  title: `Reading ${id}`,
  path: '/vehicles/car/readings',
  body: { readings: [{ id, panel: 'roof', layer: 'outer', u: 1, v: 2, metalMm: 0.8, ...over }] },
});
const shopOf = (id: string) =>
  ({ shop: { id }, person: { id: 'me', role: 'owner' }, csrf: 'x' }) as unknown as SessionView;
const stored = () => new Response(JSON.stringify([{ id: 'a' }]), { status: 201 });
const refusal = (status: number, code = 'invalid') =>
  new Response(JSON.stringify({ status, code, detail: 'no', field: 'metalMm' }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  });
const sentIds = () =>
  fetching.mock.calls.map(
    ([, init]) => (JSON.parse(String(init!.body)) as { readings: { id: string }[] }).readings[0]!.id,
  );

beforeEach(() => {
  vi.useRealTimers();
  setActivePinia(createPinia());
  fetching.mockReset();
  vi.stubGlobal('fetch', fetching);
  vi.stubGlobal('indexedDB', undefined);
  useSession().current = shopOf('mine');
});

describe('the outbox', () => {
  it('sends at once where the server answers, gives its answer, and tells who listens', async () => {
    fetching.mockResolvedValue(stored());
    const outbox = useOutbox();
    const heard = vi.fn();
    outbox.whenSent((entry, answer) => heard(entry.id, answer));
    expect(await outbox.record(reading('a'))).toEqual({ answer: [{ id: 'a' }] });
    expect(outbox.pending).toEqual([]);
    expect(heard).toHaveBeenCalledWith('a', [{ id: 'a' }]);
  });

  it('keeps entries of all kinds in order while the server is away, and sends each once when it is back', async () => {
    fetching.mockRejectedValue(new TypeError('network'));
    const outbox = useOutbox();
    expect(await outbox.record(reading('a'))).toEqual({ answer: null });
    await outbox.record({ ...reading('b'), kind: 'find' });
    await outbox.record({ ...reading('c'), kind: 'zone' });
    expect(outbox.pending.map((kept) => kept.id)).toEqual(['a', 'b', 'c']);
    expect(outbox.keptOf('find', 'car')).toHaveLength(1);
    fetching.mockReset();
    fetching.mockImplementation(() => Promise.resolve(stored()));
    useConnection().note(true);
    await vi.waitFor(() => expect(outbox.pending).toEqual([]));
    expect(sentIds()).toEqual(['a', 'b', 'c']);
  });

  it('puts what is refused aside, for a person, and lets those behind it go on', async () => {
    fetching.mockRejectedValue(new TypeError('network'));
    const outbox = useOutbox();
    for (const id of ['a', 'bad', 'c']) await outbox.record(reading(id));
    fetching.mockReset();
    fetching.mockImplementation((_url, init) =>
      Promise.resolve(String(init!.body).includes('"bad"') ? refusal(422) : stored()),
    );
    useConnection().note(true);
    await vi.waitFor(() => expect(outbox.pending).toEqual([]));
    expect(outbox.refused.map(({ id, refused }) => [id, refused!.detail, refused!.field])).toEqual([
      ['bad', 'no', 'metalMm'],
    ]);
    expect(sentIds()).toEqual(['a', 'bad', 'c']);
  });

  it.each([404, 409, 413, 422])(
    'keeps what is answered with %i until it is mended, and sends it then',
    async (status) => {
      fetching.mockImplementation(() => Promise.resolve(refusal(status)));
      const outbox = useOutbox();
      await outbox.record(reading('a'));
      const entry = outbox.refused[0]!;
      fetching.mockReset();
      fetching.mockImplementation(() => Promise.resolve(stored()));
      await outbox.again(entry.id, mended(entry, { metalMm: '0,62' }, useUnits()));
      expect(outbox.refused).toEqual([]);
      expect(JSON.parse(String(fetching.mock.calls[0]![1]!.body))).toMatchObject({
        readings: [{ id: 'a', metalMm: 0.62 }],
      });
    },
  );

  it('leaves a refusal with the page that still holds what was typed', async () => {
    fetching.mockImplementation(() => Promise.resolve(refusal(422)));
    const outbox = useOutbox();
    await expect(outbox.record(reading('a'), true)).rejects.toThrow('no');
    expect([outbox.pending, outbox.refused]).toEqual([[], []]);
  });

  it('tries on where the server is busy, and never takes that for a refusal', async () => {
    vi.useFakeTimers();
    fetching.mockImplementation(() => Promise.resolve(refusal(503, 'busy')));
    const outbox = useOutbox();
    await outbox.record(reading('a'));
    for (let i = 0; i < 6; i++) await vi.advanceTimersByTimeAsync(5000);
    expect(outbox.pending).toHaveLength(1);
    fetching.mockImplementation(() => Promise.resolve(stored()));
    await vi.advanceTimersByTimeAsync(5000);
    expect(outbox.pending).toEqual([]);
  });

  it('puts aside what the server fails over again and again', async () => {
    vi.useFakeTimers();
    fetching.mockImplementation((_url, init) =>
      Promise.resolve(String(init!.body).includes('"bad"') ? refusal(500, 'internal') : stored()),
    );
    const outbox = useOutbox();
    await outbox.record(reading('bad'));
    await outbox.record(reading('c'));
    for (let i = 0; i < 4; i++) await vi.advanceTimersByTimeAsync(5000);
    expect(outbox.refused.map(({ id }) => id)).toEqual(['bad']);
    expect(outbox.pending).toEqual([]);
  });

  it('never sends the entries of one shop for another', async () => {
    fetching.mockRejectedValue(new TypeError('network'));
    const outbox = useOutbox();
    await outbox.record(reading('a'));
    useSession().current = shopOf('theirs');
    fetching.mockReset();
    fetching.mockImplementation(() => Promise.resolve(stored()));
    useConnection().note(true);
    await outbox.flush();
    expect(fetching).not.toHaveBeenCalled();
    useSession().current = shopOf('mine');
    await vi.waitFor(() => expect(outbox.pending).toEqual([]));
  });

  it('keeps the last word on a place that is changed again before it is sent', async () => {
    fetching.mockRejectedValue(new TypeError('network'));
    const outbox = useOutbox();
    const look = (state: string): NewEntry => ({
      ...reading('look sill'),
      kind: 'look',
      body: { place: 'sill', state },
    });
    await outbox.record(look('looked'));
    await outbox.record(look('open'));
    expect(outbox.pending.map(({ body }) => (body as { state: string }).state)).toEqual(['open']);
  });
});

describe('mending', () => {
  const inUnit = (unit: 'mm' | 'in'): Units => {
    useSession().current = {
      shop: { unit, currency: 'EUR', coatingUnit: unit === 'in' ? 'mil' : 'um', heatUnit: 'C' },
    } as unknown as SessionView;
    return useUnits();
  };
  const entry = (body: Entry['body']): Entry =>
    ({
      id: 'a',
      order: 1,
      shop: 's',
      vehicle: 'v',
      kind: 'reading',
      title: 't',
      method: 'POST',
      path: '/',
      body,
    }) as Entry;
  it('offers numbers, words and the place, in the words of the page', () => {
    const fields = fieldsOf(
      entry({ readings: [{ id: 'a', panel: 'roof', layer: 'outer', u: 5, v: 2, metalMm: 9, probe: null }] }),
      inUnit('mm'),
    );
    expect(fields.map(({ label }) => label)).toEqual([
      'Metal left, mm',
      'Panel (its short name)',
      'Layer',
      'From the left, mm',
      'Up, mm',
    ]);
  });
  it('changes what was written and nothing else', () => {
    const zone = { id: 'z', panel: 'roof', layer: 'outer', ring: [[0, 0]], note: '' };
    expect(mended(entry(zone), { layer: 'inner', note: 'seen' }, inUnit('mm'))).toEqual({
      ...zone,
      layer: 'inner',
      note: 'seen',
    });
    expect(mended(entry({ depth: 0.3 }), { depth: 'deep' }, inUnit('mm'))).toEqual({ depth: 'deep' });
  });
  it('shows and takes inches in a shop of inches, and leaves what was not touched', () => {
    const inches = inUnit('in');
    const reading = entry({ u: 123.4, metalMm: 20.828 });
    expect(fieldsOf(reading, inches).map(({ label, value }) => [label, value])).toEqual([
      ['Metal left, inches', '0.82'],
      ['From the left, inches', '4.8583'],
    ]);
    const body = mended(reading, { metalMm: '0.032', u: '4.8583' }, inches) as { u: number; metalMm: number };
    expect(body.u).toBe(123.4);
    expect(body.metalMm).toBeCloseTo(0.8128, 9);
    expect(mended(reading, { metalMm: '0.82 mm' }, inches)).toMatchObject({ metalMm: 0.82 });
  });
  it('shows and takes mil and square inches where they are read', () => {
    const inches = inUnit('in');
    const both = entry({ coatingUm: 1524, mouth: 64.516 });
    expect(fieldsOf(both, inches).map(({ label, value }) => [label, value])).toEqual([
      ['Coating, mil', '60'],
      ['Mean mouth, sq in', '0.1'],
    ]);
    expect(mended(both, { coatingUm: '5,5', mouth: '0.1' }, inches)).toEqual({ coatingUm: 5.5 * 25.4, mouth: 64.516 });
    expect(mended(both, { coatingUm: 'thick' }, inches)).toMatchObject({ coatingUm: 'thick' });
  });
  it('leaves a picture as it is', () => {
    const picture = new Blob(['x']);
    expect(mended(entry(picture), {}, inUnit('mm'))).toBe(picture);
    expect(fieldsOf(entry(picture), inUnit('mm'))).toEqual([]);
  });
});
