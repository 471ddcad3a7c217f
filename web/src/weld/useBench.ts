import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import type { WeldPlanView } from '@aspecta/contract/weld';
import { useOutbox } from '../outbox/useOutbox.ts';
import { ApiProblem, get, serverNow } from '../shell/api.ts';
import { nextStepOf, waitLeft } from './weldScene.ts';

/** ms. Another device at the same joint is followed this closely. */
const FOLLOW = 3000;

/** Where the welding stands, by the server's word: reload, or take another device, and it goes on at the same step. */
export function useBench(repairId: string, vehicleId: string) {
  const outbox = useOutbox();
  const view = shallowRef<WeldPlanView | null>(null);
  const problem = ref<string | null>(null);
  const busy = ref(false);
  const now = ref(serverNow());
  /** What the server knows, and what has been ticked here since. */
  const doneSteps = computed(() => {
    const known = (view.value?.done ?? []).map((step) => ({ n: step.n, at: step.at }));
    const kept = outbox
      .keptOf('tick', vehicleId)
      .filter((entry) => !entry.refused && entry.path.startsWith(`/repairs/${repairId}/weld/`))
      .map(({ path, body, order }) => ({
        n: Number(path.split('/').at(-1)),
        done: (body as { done: boolean }).done,
        at: new Date(order).toISOString(),
      }));
    const untouched = known.filter(({ n }) => !kept.some((tick) => tick.n === n));
    return [...untouched, ...kept.filter((tick) => tick.done).map(({ n, at }) => ({ n, at }))];
  });
  const done = computed(() => new Set(doneSteps.value.map((step) => step.n)));
  const steps = computed(() => view.value?.plan.steps ?? []);
  const step = computed(() => nextStepOf(steps.value, done.value) ?? null);
  const lastDone = computed(() => [...doneSteps.value].sort((a, b) => a.at.localeCompare(b.at)).at(-1) ?? null);
  const left = computed(() =>
    step.value ? waitLeft(step.value, lastDone.value ? new Date(lastDone.value.at).getTime() : null, now.value) : 0,
  );

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
  async function tick(n: number, isDone: boolean): Promise<void> {
    if (!view.value || busy.value) return;
    busy.value = true;
    problem.value = null;
    try {
      const { answer } = await outbox.record<WeldPlanView>(
        {
          // The last word on a step counts: a newer one takes the place of one that is still here.
          id: `tick ${repairId} ${n}`,
          vehicle: vehicleId,
          kind: 'tick',
          title: `Step ${n} ${isDone ? 'done' : 'taken back'}`,
          method: 'PUT',
          path: `/repairs/${repairId}/weld/steps/${n}`,
          body: { done: isDone, version: view.value.version },
        },
        true,
      );
      if (answer) view.value = answer;
    } catch (error) {
      if (error instanceof ApiProblem && error.code === 'conflict') view.value = error.body.current as WeldPlanView;
      problem.value = (error as Error).message;
    } finally {
      busy.value = false;
    }
  }
  const timers: ReturnType<typeof setInterval>[] = [];
  let lock: WakeLockSentinel | undefined;
  const stayAwake = async () => {
    lock = await navigator.wakeLock?.request('screen').catch(() => undefined);
  };
  onMounted(() => {
    timers.push(
      setInterval(() => (now.value = serverNow()), 250),
      setInterval(() => void refresh(), FOLLOW),
    );
    void stayAwake();
  });
  onBeforeUnmount(() => {
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
    refresh,
    finish: () => (step.value ? tick(step.value.n, true) : Promise.resolve()),
    takeBack: () => (lastDone.value ? tick(lastDone.value.n, false) : Promise.resolve()),
  };
}
