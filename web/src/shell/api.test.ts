import { usualMetalwork } from '@aspecta/core/repair';
import { usualLimits } from '@aspecta/core/survey';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import type { SessionView } from '@aspecta/contract/shop';
import { ApiProblem, get, post, put, serverNow, Unreachable, whenStored } from './api.ts';
import { useConnection } from './connection.ts';
import { useSession } from './session.ts';

const session: SessionView = {
  person: { id: 'p', name: 'Ada', email: 'ada@x.example', role: 'owner' },
  shop: {
    id: 's',
    name: 'Shop',
    currency: 'EUR',
    unit: 'mm',
    taxRate: 0.2,
    rates: { hour: 1, sheetDm2: 1, weldMetre: 1, coatDm2: 1 },
    overlay: false,
    paints: false,
    schools: { seen: 'butt', hidden: 'butt', flange: 'plug' },
    welding: { process: null, strategy: null, holding: null, heat: null },
    metalwork: usualMetalwork,
    limits: usualLimits,
    temperature: 20,
    coatingUnit: 'um' as const,
    heatUnit: 'C' as const,
    version: 1,
  },
  csrf: 'token',
};
const answer = (status: number, body: unknown, headers: Record<string, string> = {}) =>
  new Response(status === 204 ? null : JSON.stringify(body), {
    status,
    headers: { 'content-type': status >= 400 ? 'application/problem+json' : 'application/json', ...headers },
  });
const problem = (status: number, code: string, more: object = {}) =>
  answer(status, { type: '', title: '', status, code, detail: `refused: ${code}`, ...more });
const fetching = vi.fn<typeof fetch>();

beforeEach(() => {
  setActivePinia(createPinia());
  fetching.mockReset();
  vi.stubGlobal('fetch', fetching);
  useSession().current = session;
});

describe('asking the server', () => {
  it('sends the token with changes only', async () => {
    fetching.mockResolvedValueOnce(answer(200, { a: 1 })).mockResolvedValueOnce(answer(201, { b: 2 }));
    expect(await get('/x')).toEqual({ a: 1 });
    expect(await post('/y', { z: 1 })).toEqual({ b: 2 });
    const [reading, changing] = fetching.mock.calls.map(([, init]) => init!.headers as Record<string, string>);
    expect(reading!['x-aspecta-csrf']).toBeUndefined();
    expect(changing!['x-aspecta-csrf']).toBe('token');
    expect(fetching.mock.calls[1]![1]!.body).toBe('{"z":1}');
  });

  it('hands a refusal on with its field', async () => {
    fetching.mockResolvedValueOnce(problem(422, 'invalid', { field: 'metalMm' }));
    const error = await put('/x', {}).catch((thrown: unknown) => thrown);
    expect(error).toBeInstanceOf(ApiProblem);
    expect((error as ApiProblem).body).toMatchObject({ field: 'metalMm', status: 422 });
  });

  it('asks again while the server has too much to do, some times, and sends a change once only', async () => {
    const busy = () => {
      const given = problem(503, 'busy');
      given.headers.set('retry-after', '0');
      return Promise.resolve(given);
    };
    fetching
      .mockImplementationOnce(busy)
      .mockImplementationOnce(busy)
      .mockResolvedValueOnce(answer(200, { a: 1 }));
    expect(await get('/x')).toEqual({ a: 1 });
    fetching.mockReset();
    fetching.mockImplementation(busy);
    await expect(get('/x')).rejects.toMatchObject({ code: 'busy' });
    expect(fetching).toHaveBeenCalledTimes(4);
    await expect(post('/x', {})).rejects.toMatchObject({ code: 'busy' });
    expect(fetching).toHaveBeenCalledTimes(5);
  });

  it('tells what is stored to who wants to know, and nothing of what is only read or refused', async () => {
    const told = vi.fn();
    const stop = whenStored(told);
    fetching.mockImplementation((_path, init) =>
      Promise.resolve(init?.method === 'PUT' ? problem(422, 'invalid') : answer(200, {})),
    );
    await get('/x');
    await put('/x', {}).catch(() => undefined);
    expect(told).not.toHaveBeenCalled();
    await post('/x', {});
    expect(told).toHaveBeenCalledOnce();
    stop();
    await post('/x', {});
    expect(told).toHaveBeenCalledOnce();
  });

  it('says when nobody answers, and notices when somebody does again', async () => {
    fetching.mockRejectedValueOnce(new TypeError('network')).mockResolvedValueOnce(answer(200, {}));
    const back = vi.fn();
    useConnection().whenBack(back);
    await expect(get('/x')).rejects.toBeInstanceOf(Unreachable);
    expect(useConnection().reachable).toBe(false);
    await get('/x');
    expect(useConnection().reachable).toBe(true);
    expect(back).toHaveBeenCalledOnce();
  });

  it('keeps asking by itself, whatever goes wrong with asking', async () => {
    vi.useFakeTimers();
    try {
      fetching
        .mockRejectedValueOnce(new TypeError('network'))
        .mockImplementationOnce(() => {
          throw new TypeError('asking failed');
        })
        .mockResolvedValueOnce(answer(503, {}))
        .mockResolvedValueOnce(answer(200, {}));
      await expect(get('/x')).rejects.toBeInstanceOf(Unreachable);
      await vi.advanceTimersByTimeAsync(4_500);
      expect(useConnection().reachable).toBe(false);
      await vi.advanceTimersByTimeAsync(2_000);
      expect(useConnection().reachable).toBe(true);
      expect(fetching.mock.calls.slice(1).map(([path]) => path)).toEqual(Array(3).fill('/api/alive'));
    } finally {
      vi.useRealTimers();
    }
  });

  it('takes a gateway without a server for an absent server', async () => {
    fetching.mockResolvedValueOnce(new Response('bad gateway', { status: 502 }));
    await expect(get('/x')).rejects.toBeInstanceOf(Unreachable);
  });

  it('keeps to the clock of the server', async () => {
    fetching.mockResolvedValueOnce(answer(200, {}, { date: new Date(Date.now() + 3_600_000).toUTCString() }));
    await get('/x');
    expect(serverNow() - Date.now()).toBeGreaterThan(3_590_000);
    fetching.mockResolvedValueOnce(answer(200, {}, { date: new Date().toUTCString() }));
    await get('/x');
    expect(Math.abs(serverNow() - Date.now())).toBeLessThan(1500);
  });
});

describe('a session that has ended', () => {
  it('waits for signing in again and then repeats the request, once', async () => {
    fetching
      .mockResolvedValueOnce(problem(401, 'not-signed-in'))
      .mockResolvedValueOnce(answer(200, { ...session, csrf: 'fresh' }))
      .mockResolvedValueOnce(answer(201, { stored: true }));
    const store = useSession();
    const waiting = post('/readings', { value: 1 });
    await vi.waitFor(() => expect(store.expired).toBe(true));
    await store.signIn('ada@x.example', 'password');
    expect(await waiting).toEqual({ stored: true });
    expect(store.expired).toBe(false);
    const last = fetching.mock.calls.at(-1)!;
    expect(last[0]).toBe('/api/readings');
    expect((last[1]!.headers as Record<string, string>)['x-aspecta-csrf']).toBe('fresh');
    expect(last[1]!.body).toBe('{"value":1}');
  });

  it('gives up when asked to, with the refusal', async () => {
    fetching.mockResolvedValueOnce(problem(401, 'not-signed-in'));
    const waiting = get('/x').catch((thrown: unknown) => thrown);
    await vi.waitFor(() => expect(useSession().expired).toBe(true));
    useSession().giveUp();
    expect(await waiting).toBeInstanceOf(ApiProblem);
  });

  it('does not ask again where nobody was signed in', async () => {
    useSession().current = null;
    fetching.mockResolvedValueOnce(problem(401, 'not-signed-in'));
    await expect(get('/x')).rejects.toBeInstanceOf(ApiProblem);
    await nextTick();
    expect(useSession().expired).toBe(false);
  });
});
