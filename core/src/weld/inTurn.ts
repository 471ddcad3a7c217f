import { finite } from '../check.ts';
import type { WeldStep } from './planTypes.ts';
import { Warmth, type WeldedSheet } from './warmth.ts';

/** What of a step counts here. */
export type TimedStep = Pick<WeldStep, 'n' | 'from' | 'to' | 'wait' | 'start' | 'duration' | 'energy'>;

/** One side: what is left of its plan, in its order, on a sheet that is cold. */
export interface WeldSide {
  steps: readonly TimedStep[];
  sheet: WeldedSheet;
  /** °C */
  ambient: number;
  handWarm: number;
}

/** Steps that are done on one side before one goes over to the other. */
export interface Turn {
  side: 0 | 1;
  /** Numbers of the first and the last of them. */
  first: number;
  last: number;
  /** s from the beginning. */
  start: number;
}

interface Timed {
  turns: Turn[];
  /** s, both sides, all waits and ways included. */
  total: number;
  /** s that one stands and waits. */
  waiting: number;
}
export interface InTurn extends Timed {
  /** The same, one side after the other. */
  oneAfterOther: Omit<Timed, 'turns'>;
}

/** s to go over to the other side, with torch and earth; common practice, no published source. */
const GOING_OVER = 60;
/** s. For a wait longer than that one goes over; each is tried, the quickest is taken. */
const PATIENCE = [Infinity, 120, 60, 30, 20, 10, 5, 0];

/**
 * Two sides of a car welded in turn: while one cools, one goes on at the other. Each side keeps its own order, no weld
 * starts before its place is hand-warm, and what cools while one is away is not waited for again.
 *
 * @param sides what is left of both plans; change: s to go over
 * @returns turns in their order, s; never longer than one side after the other
 * @throws Problem naming the field
 * Source: waits by the line sources of the plan itself (Carslaw & Jaeger §10.3); when to go over: best of a few limits.
 */
export function inTurn(sides: readonly [WeldSide, WeldSide], change: number = GOING_OVER): InTurn {
  finite('change', change, { min: 0, max: 3600, unit: 's' });
  const tried = PATIENCE.map((patience) => worked(sides, change, patience));
  const { total, waiting } = tried[0]!;
  return { ...tried.reduce((a, b) => (b.total < a.total ? b : a)), oneAfterOther: { total, waiting } };
}

function worked(sides: readonly [WeldSide, WeldSide], change: number, patience: number): Timed {
  const states = sides.map((side) => new SideState(side));
  const turns: Turn[] = [];
  let [now, waiting] = [0, 0];
  let at = states[0]!.next ? 0 : 1;
  while (states.some(({ next }) => next)) {
    const other = 1 - at;
    const stay = states[at]!.waitFrom(now, 0);
    const over = states[other]!.waitFrom(now, change);
    const goes = !states[at]!.next || (states[other]!.next && stay.wait > patience && over.wait < stay.wait);
    if (goes) at = other;
    const { start, wait } = goes ? over : stay;
    const state = states[at]!;
    const { n } = state.next!;
    waiting += wait;
    const last = turns.at(-1);
    if (last?.side === at) last.last = n;
    else turns.push({ side: at as 0 | 1, first: n, last: n, start });
    now = state.do(start);
  }
  return { turns, total: now, waiting };
}

/** How far one side is, and how warm. */
class SideState {
  private readonly warmth: Warmth;
  private readonly steps: readonly TimedStep[];
  private done = 0;

  constructor({ steps, sheet, ambient, handWarm }: WeldSide) {
    this.steps = steps;
    this.warmth = new Warmth(sheet, ambient, handWarm);
  }

  get next(): TimedStep | undefined {
    return this.steps[this.done];
  }

  /** When the next step starts if one turns to it now, and how long it is waited for; s. `way`: to go over before. */
  waitFrom(now: number, way: number): { start: number; wait: number } {
    const step = this.next;
    if (!step) return { start: Infinity, wait: Infinity };
    // Going over, the torch is moved anyway.
    const earliest = now + Math.max(way, this.moved());
    const wait = step.energy && step.from ? this.warmth.waitAt(step.from, earliest) : 0;
    return { start: earliest + wait, wait };
  }

  /** s from the step before to this one beside its wait: the torch is moved, something is clamped. */
  private moved(): number {
    const [before, step] = [this.steps[this.done - 1], this.steps[this.done]!];
    return before ? Math.max(0, step.start - step.wait - (before.start + before.duration)) : 0;
  }

  do(start: number): number {
    const { from, to, duration, energy } = this.next!;
    if (energy && from && to) this.warmth.add({ from, to, duration }, energy, start);
    this.done++;
    return start + duration;
  }
}
