import { computed, onBeforeUnmount, reactive, ref, shallowRef } from 'vue';
import type { WeldPlanView } from '@aspecta/contract/weld';
import { celsiusAt, type HeatReplay } from '@aspecta/core/weld';
import type { Point } from '@aspecta/core/geometry';
import { runReplay } from '../workers/heatBridge.ts';

/** Pictures a second while it plays. */
const RATE = 30;
/** ms before a reckoning shows how far it has come. */
const PATIENCE = 500;

/** The heat of a weld plan: reckoned away from the page, played picture by picture, asked at places. */
export function useHeatReplay(view: () => WeldPlanView | null, outline: () => readonly Point[]) {
  const replay = shallowRef<HeatReplay | null>(null);
  /** What it was before copper or pauses were tried. */
  const plain = shallowRef<HeatReplay | null>(null);
  const progress = ref<number | null>(null);
  const stopped = ref(false);
  const refused = ref<string | null>(null);
  const tried = reactive({ copper: false, pauses: [] as { before: number; seconds: number }[] });
  const frame = ref(0);
  const playing = ref(false);
  const probes = ref<Point[]>([]);
  let running: { stop: () => void } | undefined;
  let asked = 0;

  async function reckon(): Promise<void> {
    const plan = view();
    if (!plan) return;
    if (progress.value !== null) running?.stop();
    const mine = ++asked;
    stopped.value = false;
    refused.value = null;
    const slow = setTimeout(() => mine === asked && (progress.value ??= 0), PATIENCE);
    // It is seen as it was planned, until something else is tried.
    if (replay.value === null && mine === 1) tried.copper = plan.input.copper;
    const { thickness, material, ambient } = plan.sheet;
    const run = runReplay(
      {
        steps: plan.plan.steps,
        joints: plan.joints.map(({ points, closed, closing }) => ({ points, closed, open: closing === 'butt' })),
        ...{ thickness, material, ambient, handWarm: plan.input.handWarm },
        outline: outline(),
        copper: tried.copper,
        pauses: tried.pauses.map((pause) => ({ ...pause })),
      },
      (share) => {
        if (mine === asked && progress.value !== null) progress.value = share;
      },
    );
    running = run;
    const answer = await run.answer;
    clearTimeout(slow);
    if (mine !== asked) return;
    progress.value = null;
    if (answer === null) stopped.value = true;
    else if ('refused' in answer) refused.value = answer.refused;
    else {
      replay.value = answer.replay;
      if (tried.copper === plan.input.copper && tried.pauses.length === 0) plain.value = answer.replay;
      frame.value = Math.min(frame.value, answer.replay.times.length - 1);
    }
  }

  let begun = 0;
  let from = 0;
  let asking = 0;
  function tick(now: number): void {
    if (!playing.value || !replay.value) return;
    const next = from + Math.floor(((now - begun) * RATE) / 1000);
    const last = replay.value.times.length - 1;
    frame.value = Math.min(next, last);
    if (next >= last) playing.value = false;
    else asking = requestAnimationFrame(tick);
  }
  function play(): void {
    playing.value = !playing.value && replay.value !== null;
    cancelAnimationFrame(asking);
    if (!playing.value) return;
    if (frame.value >= replay.value!.times.length - 1) frame.value = 0;
    from = frame.value;
    begun = performance.now();
    asking = requestAnimationFrame(tick);
  }
  onBeforeUnmount(() => {
    asked++;
    cancelAnimationFrame(asking);
    if (progress.value !== null) running?.stop();
  });

  /** s from the beginning of the work. */
  const time = computed(() => replay.value?.times[frame.value] ?? 0);
  /** The weld that is made then, or was made last, and the one that comes next, by their places among the welds. */
  const nextWeld = computed(() => replay.value?.starts.find((start) => start.time > time.value) ?? null);
  const lastWeld = computed(() => replay.value?.starts.findLast((start) => start.time <= time.value) ?? null);
  /** °C at a place in the picture that is shown. */
  const celsius = (place: Point): number | null =>
    replay.value && celsiusAt(replay.value, frame.value, place, view()!.sheet.ambient);
  return {
    ...{ replay, plain, progress, stopped, refused, tried, frame, playing, probes, time, nextWeld, lastWeld },
    ...{ celsius, reckon, play, stop: () => running?.stop() },
  };
}
