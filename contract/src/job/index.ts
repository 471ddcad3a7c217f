import type { JobStep, StepState } from '@aspecta/core/job';

/** How a step stands; every word that a person reads for it stands here. */
export const STEP_STATE_WORDS: Readonly<Record<StepState, string>> = {
  done: 'Done',
  passed: 'Passed without a note',
  skipped: 'Left out',
  blocked: 'Blocked',
  running: 'Goes on by itself',
  waits: 'Waits',
  ready: 'Can be done',
};

/** What a person says of a step. */
export interface StepSay {
  step: string;
  /** Null takes back what was said. */
  state: 'done' | 'skipped' | 'blocked' | null;
  /** Why it is left out, or what blocks it. */
  reason: string;
  /** Day until which it is blocked; null for until it is said otherwise. */
  until: string | null;
  /** Day before which it is not to be planned. */
  notBefore: string | null;
  /** Hours that it will take; null for as reckoned. */
  hours: number | null;
  /** Hours that it has taken. */
  spent: number | null;
  /** How much of it is done, 0 to 1; null where nothing is said. */
  share: number | null;
}
export interface StepWordView extends Omit<StepSay, 'step'> {
  by: string;
  at: string;
}

export interface StepView extends Omit<JobStep, 'after'> {
  /** Hours as they were reckoned; `hours` are as said, where something was said. */
  reckoned: number;
  state: StepState;
  /** What it waits for, and why. */
  waitsFor: { id: string; title: string; why: string }[];
  /** When it is ready or over, where only time is lacking. */
  at: string | null;
  said: StepWordView | null;
  /** A person has added it. */
  own: { after: string[]; before: string[]; version: number } | null;
  /** Who works on it now, and since when. */
  clocks: { personId: string; by: string; since: string }[];
}

export interface JobView {
  /** In an order in which they can be done. */
  steps: StepView[];
  /** Hours of work in all, and of what is left. */
  hours: number;
  left: number;
  /** By the steps of which it is noted how long they took; null as long as there is none. */
  pace: {
    /** How many steps. */
    steps: number;
    planned: number;
    spent: number;
    /** Hours that are left at this pace; null where nothing came of what was spent. */
    left: number | null;
  } | null;
  /** Repairs of which every step is done, and that nobody has signed off. */
  toSignOff: string[];
}

export interface OwnStepInput {
  id: string;
  title: string;
  /** Of work, or by the clock where nobody works on it. */
  hours: number;
  /** Steps that come first, and those that wait for this one. */
  after: string[];
  before: string[];
  /** It passes by the clock: something hardens, dries, is away. */
  waits: boolean;
  /** It takes dry weather. */
  dry: boolean;
}

/** A clock is started on a step, or stopped: its hours are noted, or dropped where it ran on by mistake. */
export interface StepClock {
  step: string;
  run: boolean;
  drop: boolean;
}
