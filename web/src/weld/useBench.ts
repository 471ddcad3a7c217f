import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import type { WeldPlanView } from '@aspecta/contract/weld';
import { useOutbox } from '../outbox/useOutbox.ts';
import { ApiProblem, get, serverNow } from '../shell/api.ts';
import { nextOf, roundFrom } from './weldScene.ts';

/** ms. Another device at the same joint is followed this closely. */
const FOLLOW = 3000;

interface Ticked {
  steps?: number[];
  done: boolean;
}

/** Where the welding stands, by the server's word: reload, or take another device, and it goes on at the same step. */
export function useBench(repairId: string, vehicleId: string) {
  const outbox = useOutbox();
  const view = shallowRef<WeldPlanView | null>(null);
  const problem = ref<string | null>(null);
  /** Where in the car that is put right; null where it is here. */
  const mendedAt = ref<string | null>(null);
  const busy = ref(false);
  const now = ref(serverNow());
  /** What the server knows, and what has been ticked here since. */
  const doneSteps = computed(() => {
    const known = (view.value?.done ?? []).map((step) => ({ n: step.n, at: step.at }));
    const kept = outbox
      .keptOf('tick', vehicleId)
      .filter((entry) => !entry.refused && entry.path.startsWith(`/repairs/${repairId}/weld/`))
      .flatMap(({ path, body, order }) => {
        // Entries kept by an earlier layout of the application name their step in the address.
        const { steps: ticked = [Number(path.split('/').at(-1))], done: isDone } = body as unknown as Ticked;
        return ticked.map((n): [number, { n: number; done: boolean; at: string }] => [
          n,
          { n, done: isDone, at: new Date(order).toISOString() },
        ]);
      });
    // The last word on a step counts.
    const words = [...new Map(kept).values()];
    const untouched = known.filter(({ n }) => !words.some((tick) => tick.n === n));
    return [...untouched, ...words.filter((tick) => tick.done).map(({ n, at }) => ({ n, at }))];
  });
  const done = computed(() => new Set(doneSteps.value.map((step) => step.n)));
  const steps = computed(() => view.value?.plan.steps ?? []);
  const next = computed(() => nextOf(steps.value, doneSteps.value, now.value));
  const step = computed(() => next.value?.step ?? null);
  const lastDone = computed(() => [...doneSteps.value].sort((a, b) => a.at.localeCompare(b.at)).at(-1) ?? null);
  const left = computed(() => next.value?.left ?? 0);

  /** What can be done in one go from here. */
  const round = computed(() => (step.value ? roundFrom(steps.value, done.value, step.value) : []));

  async function refresh(): Promise<void> {
    if (!busy.value) await refreshNow();
  }
  async function refreshNow(): Promise<void> {
    try {
      const fresh = await get<WeldPlanView | null>(`/repairs/${repairId}/weld`);
      if (fresh) view.value = fresh;
    } catch {
      // The bar at the top says that the server is away; the step stays on the screen.
    }
  }
  async function tick(which: readonly number[], isDone: boolean): Promise<void> {
    if (!view.value || busy.value) return;
    const [first, last] = [which[0]!, which.at(-1)!];
    busy.value = true;
    problem.value = null;
    mendedAt.value = null;
    try {
      const { answer } = await outbox.record<WeldPlanView>(
        {
          // The last word on a step counts: a newer one takes the place of one that is still here.
          id: `tick ${repairId} ${first === last ? first : `${first} to ${last}`}`,
          vehicle: vehicleId,
          kind: 'tick',
          title: `${first === last ? `Step ${first}` : `Steps ${first} to ${last}`} ${isDone ? 'done' : 'taken back'}`,
          method: 'PUT',
          path: `/repairs/${repairId}/weld/steps`,
          body: { steps: [...which], done: isDone, version: view.value.version },
        },
        true,
      );
      if (answer) view.value = answer;
    } catch (error) {
      if (error instanceof ApiProblem && error.code === 'conflict') view.value = error.body.current as WeldPlanView;
      problem.value = (error as Error).message;
      const station = error instanceof ApiProblem ? error.body.station : undefined;
      mendedAt.value = station ? `/vehicles/${vehicleId}/${station}` : null;
    } finally {
      busy.value = false;
    }
  }
  const timers: ReturnType<typeof setInterval>[] = [];
  let lock: WakeLockSentinel | undefined;
  const stayAwake = async () => {
    lock = await navigator.wakeLock?.request('screen').catch(() => undefined);
  };
  // The lock ends when the screen goes off or another page comes to the front.
  const lookedAtAgain = () => {
    if (document.visibilityState !== 'visible') return;
    now.value = serverNow();
    void stayAwake();
    void refresh();
  };
  onMounted(() => {
    timers.push(
      setInterval(() => (now.value = serverNow()), 250),
      setInterval(() => void refresh(), FOLLOW),
    );
    document.addEventListener('visibilitychange', lookedAtAgain);
    void stayAwake();
  });
  onBeforeUnmount(() => {
    document.removeEventListener('visibilitychange', lookedAtAgain);
    timers.forEach(clearInterval);
    void lock?.release();
  });
  return {
    view,
    steps,
    step,
    left,
    done,
    busy,
    problem,
    mendedAt,
    refresh,
    round,
    finish: () => (step.value ? tick([step.value.n], true) : Promise.resolve()),
    finishRound: () =>
      tick(
        round.value.map(({ n }) => n),
        true,
      ),
    takeBack: () => (lastDone.value ? tick([lastDone.value.n], false) : Promise.resolve()),
  };
}
