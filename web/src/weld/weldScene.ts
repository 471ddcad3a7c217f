import type { WeldStep } from '@aspecta/core/weld';
import { linePath } from '../sheet/pathData.ts';

export type StepLook = 'todo' | 'done' | 'now';

/** Stitches as paths by their look, tacks as places with their number; checks are not drawn. */
export function weldScene(steps: readonly WeldStep[], lookOf: (step: WeldStep) => StepLook) {
  const paths: Record<StepLook, string> = { todo: '', done: '', now: '' };
  const numbers: { n: number; at: readonly [number, number]; look: StepLook; kind: WeldStep['kind'] }[] = [];
  for (const step of steps) {
    if (!step.from || !step.to) continue;
    const look = lookOf(step);
    if (step.kind === 'stitch') paths[look] += linePath([step.from, step.to]);
    const at = [(step.from[0] + step.to[0]) / 2, (step.from[1] + step.to[1]) / 2] as const;
    numbers.push({ n: step.n, at, look, kind: step.kind });
  }
  const next = steps.find((step) => step.kind === 'stitch' && lookOf(step) === 'now');
  const now = next?.from && next.to ? { from: next.from, to: next.to } : null;
  return { paths, numbers, now };
}

/** Seconds still to wait before a step: its wait runs from the end of the step before it. */
export function waitLeft(step: WeldStep, lastDoneAt: number | null, now: number): number {
  if (lastDoneAt === null) return 0;
  return Math.max(0, step.wait - (now - lastDoneAt) / 1000);
}

/**
 * The steps that can be done in one go from here: those of the same kind that follow, up to the first that is of
 * another kind or has to wait for its place to cool.
 */
export function roundFrom(steps: readonly WeldStep[], done: ReadonlySet<number>, step: WeldStep): WeldStep[] {
  const left = steps.filter(({ n }) => n >= step.n && !done.has(n));
  const end = left.findIndex(({ kind, wait }, i) => kind !== step.kind || (i > 0 && wait > 0));
  return end < 0 ? left : left.slice(0, end);
}

/** s. Below that a wait is over: nobody sees it go by. */
const AT_ONCE = 0.5;
/** What of a plan comes next, and how long it has still to cool, s; null where all is done. */
export function nextOf(
  steps: readonly WeldStep[],
  done: readonly { n: number; at: string }[],
  now: number,
): { step: WeldStep; left: number } | null {
  const step = nextStepOf(steps, new Set(done.map(({ n }) => n)));
  if (!step) return null;
  const last = done.reduce((latest, { at }) => (at > latest ? at : latest), '');
  const left = waitLeft(step, last === '' ? null : new Date(last).getTime(), now);
  return { step, left: left < AT_ONCE ? 0 : left };
}

/** The first step that is not done; undefined when all are. */
export const nextStepOf = (steps: readonly WeldStep[], done: ReadonlySet<number>) =>
  steps.find((step) => !done.has(step.n));
