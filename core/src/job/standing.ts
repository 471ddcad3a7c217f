import type { JobStep } from './types.ts';

/** What a person has said of a step. Times are ms of the clock. */
export interface StepWord {
  state: 'done' | 'skipped' | 'blocked' | null;
  /** When it was said. */
  at: number;
  /** Until when it is blocked; null for until it is said otherwise. */
  until?: number | null;
}

/**
 * done: said, or known from its station. passed: something that comes after it is begun, so it was done or left out
 * without a note; never what the order book knows. skipped, blocked: said. running: nobody works on it and it goes on by itself. waits: for other
 * steps, or for hours to pass. ready: it can be done now.
 */
export const STEP_STATES = ['done', 'passed', 'skipped', 'blocked', 'running', 'waits', 'ready'] as const;
export type StepState = (typeof STEP_STATES)[number];

export interface StepStanding {
  state: StepState;
  /** Steps for which it still waits, and why. */
  open: { id: string; why: string }[];
  /** ms at which it is ready or over, where only time is lacking; null where that is not known. */
  at: number | null;
}

const HOUR = 3_600_000;
/** Nothing is to be done there any more. */
export const isPast = (state: StepState): boolean => state === 'done' || state === 'passed' || state === 'skipped';

/**
 * How does each step stand, by what was said and ticked, at this moment?
 *
 * @param steps in an order in which each comes after all it waits for
 * @param words by step; now in ms
 * @example standingOf([{ id: 'a', after: [] }, { id: 'b', after: [{ id: 'a', why: 'first.' }] }].map((step) => ({ ...step, kind: 'own', repair: null, panel: null, title: '', hours: 1, waits: false, dry: false, needs: [], share: 0, closes: [], path: '' })), new Map(), 0).get('b').state // → 'waits'
 */
export function standingOf(
  steps: readonly JobStep[],
  words: ReadonlyMap<string, StepWord>,
  now: number,
): Map<string, StepStanding> {
  const begun = begunBehind(steps, words);
  const out = new Map<string, StepStanding>();
  for (const step of steps) out.set(step.id, standing(step, { words, now, begun, known: out }));
  return out;
}

/** Steps behind which something is begun already. */
function begunBehind(steps: readonly JobStep[], words: ReadonlyMap<string, StepWord>): ReadonlySet<string> {
  const passed = new Set<string>();
  const byId = new Map(steps.map((step) => [step.id, step]));
  // One repair that was begun before another on which it should stand says nothing of that other one.
  const apart = (one: JobStep, other: JobStep) =>
    one.repair !== null && other.repair !== null && one.repair !== other.repair;
  for (const step of [...steps].reverse()) {
    const isBegun = step.share > 0 || words.get(step.id)?.state === 'done' || passed.has(step.id);
    if (!isBegun) continue;
    for (const { id } of step.after) {
      const before = byId.get(id);
      if (before && !before.recorded && !apart(step, before)) passed.add(id);
    }
  }
  return passed;
}

function standing(
  step: JobStep,
  {
    words,
    now,
    begun,
    known,
  }: {
    words: ReadonlyMap<string, StepWord>;
    now: number;
    begun: ReadonlySet<string>;
    known: ReadonlyMap<string, StepStanding>;
  },
): StepStanding {
  const word = words.get(step.id);
  const over = (state: StepState): StepStanding => ({ state, open: [], at: word?.at ?? null });
  if (word?.state === 'done' || step.share >= 1) return over('done');
  if (word?.state === 'skipped') return over('skipped');
  if (begun.has(step.id)) return over('passed');
  const open = step.after.filter(({ id }) => known.has(id) && !isPast(known.get(id)!.state));
  if (open.length > 0) return { state: 'waits', open: open.map(({ id, why }) => ({ id, why })), at: null };
  if (word?.state === 'blocked' && (word.until ?? Infinity) > now)
    return { state: 'blocked', open: [], at: word.until ?? null };
  // Hours that have to pass after what came before, as far as it is known when that was.
  const since = step.after.map(({ id, lag = 0, why }) => ({ id, why, at: known.get(id)?.at ?? null, lag }));
  const drying = since.filter(({ at, lag }) => lag > 0 && at !== null && at + lag * HOUR > now);
  if (drying.length > 0)
    return {
      state: 'waits',
      open: drying.map(({ id, why }) => ({ id, why })),
      at: Math.max(...drying.map(({ at, lag }) => at! + lag * HOUR)),
    };
  if (!step.waits) return { state: 'ready', open: [], at: null };
  if (step.kind === 'delivery') return { state: 'running', open: [], at: now + step.hours * HOUR };
  const begins = Math.max(...since.map(({ at }) => at ?? -Infinity));
  // It dries by the clock; when that began is not known, it is taken as dry.
  if (!Number.isFinite(begins)) return { state: 'passed', open: [], at: null };
  const ends = begins + step.hours * HOUR;
  return ends > now ? { state: 'running', open: [], at: ends } : { state: 'done', open: [], at: ends };
}
