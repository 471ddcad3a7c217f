import { mount, flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h } from 'vue';
import { weldDefaults, type WeldPlanView } from '@aspecta/contract/weld';
import { planWelds } from '@aspecta/core/weld';
import { useOutbox } from '../outbox/useOutbox.ts';
import { useConnection } from '../shell/connection.ts';
import { problem as refusal, signIn } from '../testing/fakeServer.ts';
import { useBench } from './useBench.ts';

const plan = planWelds({
  seams: [
    {
      points: [
        [0, 0],
        [60, 0],
      ],
      closed: false,
    },
  ],
  process: 'mig',
  thickness: 0.9,
});
plan.steps[1]!.wait = 60;
let stored: WeldPlanView;
const fetching = vi.fn<typeof fetch>();

/** A server that ticks steps off, as ours does. */
function serve(): void {
  fetching.mockImplementation((path, init) => {
    if (String(path).endsWith('/steps') && init?.method === 'PUT') {
      const { steps, done } = JSON.parse(String(init.body)) as { steps: number[]; done: boolean };
      const others = stored.done.filter((entry) => !steps.includes(entry.n));
      const ticked = steps.map((n) => ({ n, at: new Date().toISOString(), by: 'me' }));
      stored = { ...stored, done: done ? [...others, ...ticked] : others };
    }
    return Promise.resolve(new Response(JSON.stringify(stored), { status: 200 }));
  });
}
function bench() {
  let made!: ReturnType<typeof useBench>;
  const wrapper = mount(
    defineComponent({
      setup() {
        made = useBench('r', 'v');
        return () => h('i');
      },
    }),
  );
  made.view.value = stored;
  return { ...made, unmount: () => wrapper.unmount() };
}

beforeEach(() => {
  signIn('worker');
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
  vi.stubGlobal('fetch', fetching);
  vi.stubGlobal('indexedDB', undefined);
  stored = {
    repairId: 'r',
    panel: 'roof',
    input: weldDefaults,
    plan,
    done: [],
    acknowledged: { by: 'me', at: '' },
    version: 1,
    joints: [],
    moved: false,
    sheet: { thickness: 1, other: null, material: 'steel', ambient: 20 },
    earlier: [],
  };
  serve();
});
afterEach(() => {
  vi.useRealTimers();
  fetching.mockReset();
});

describe('the bench', () => {
  it('says why a step is refused, and where that is put right', async () => {
    const { finish, problem, mendedAt, unmount } = bench();
    const detail = 'This would shut the sill with no coat on it.';
    fetching.mockResolvedValue(refusal('invalid', detail, 422, { station: 'close' }));
    await finish();
    expect([problem.value, mendedAt.value]).toEqual([detail, '/vehicles/v/close']);
    serve();
    await finish();
    expect([problem.value, mendedAt.value]).toEqual([null, null]);
    unmount();
  });
  it('goes on step by step by the server’s word, and takes a step back', async () => {
    const { step, finish, takeBack, unmount } = bench();
    expect(step.value!.n).toBe(1);
    await finish();
    expect(step.value!.n).toBe(2);
    await takeBack();
    expect(step.value!.n).toBe(1);
    unmount();
  });

  it('shows how long the metal has to cool yet', async () => {
    const { left, finish, unmount } = bench();
    expect(left.value).toBe(0);
    await finish();
    expect(left.value).toBeGreaterThan(55);
    expect(left.value).toBeLessThanOrEqual(61);
    unmount();
  });

  it('follows what another device has ticked off', async () => {
    const { step, unmount } = bench();
    stored = { ...stored, done: [1, 2, 3].map((n) => ({ n, at: new Date().toISOString(), by: 'the other' })) };
    vi.advanceTimersByTime(3100);
    await flushPromises();
    expect(step.value!.n).toBe(4);
    unmount();
  });

  it('is at the end when all is done', async () => {
    stored = { ...stored, done: plan.steps.map(({ n }) => ({ n, at: new Date().toISOString(), by: 'me' })) };
    const { step, unmount } = bench();
    expect(step.value).toBeNull();
    unmount();
  });

  it('goes on while the server is away: the tick is kept on this device and sent once it is back', async () => {
    const { step, finish, problem, unmount } = bench();
    fetching.mockRejectedValue(new TypeError('network'));
    await finish();
    expect(step.value!.n).toBe(2);
    expect(problem.value).toBeNull();
    serve();
    useConnection().note(true);
    await vi.waitFor(() => expect(useOutbox().pending).toEqual([]));
    expect(stored.done.map(({ n }) => n)).toEqual([1]);
    unmount();
  });

  it('shows a plan that was laid out anew in the meantime', async () => {
    const { view, finish, problem, unmount } = bench();
    const current = { ...stored, version: 2 };
    fetching.mockResolvedValue(
      new Response(JSON.stringify({ status: 409, code: 'conflict', detail: 'laid out anew', current }), {
        status: 409,
      }),
    );
    await finish();
    expect(view.value!.version).toBe(2);
    expect(problem.value).toMatch(/anew/);
    unmount();
  });
});
