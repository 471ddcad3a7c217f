import type { Stage } from '@aspecta/core/job';
import type { CalendarInput, OutsideHold } from '@aspecta/core/plan';
import type { StepView } from '../job/index.ts';
import type { PlannedMoney } from '../purse/index.ts';

/** When somebody works: hours of the day for each day of the week, Monday first, and days off. */
export interface WorkerInput {
  id: string;
  name: string;
  week: [number, number][][];
  off: string[];
}
export interface Worker extends WorkerInput {
  version: number;
}
export const WEEK_DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** A step with when it is planned; times are ISO. */
export interface PlannedStep extends Pick<
  StepView,
  'id' | 'kind' | 'title' | 'repair' | 'panel' | 'path' | 'waits' | 'state' | 'needs' | 'hours' | 'share' | 'said'
> {
  by: string | null;
  pieces: [string, string][];
  /** Share of the runs in which it held the end up. */
  critical: number;
  /** Share of them in which a day, rain or money kept it waiting, and the end with it. */
  outside: Partial<Record<OutsideHold, number>>;
  why: string[];
}

/** What is wanted of the plan of a car. */
export interface PlanWish {
  /** Day by which it was promised, or is inspected; null where there is none. */
  promised: string | null;
  /** It stands in the open: welding by electricity and coating wait for dry hours. */
  outdoors: boolean;
}
export interface PlanWishInput extends PlanWish {
  version: number;
}

/** What would happen if: when it is ready then, as likely as not. */
export interface WhatIf {
  name: string;
  /** ISO; null where even then a year is not enough. */
  p50: string | null;
  /** Days sooner than as it stands. */
  sooner: number | null;
}

/** The way of a repair from bare metal to paint. */
export interface StagedView {
  repair: string;
  panel: string;
  /** Of the panel. */
  name: string;
  /** By stage, when it is reached, ISO; null where that is not planned, or done. A stage that it does not have is left out. */
  stages: Partial<Record<Stage, { done: boolean; end: string | null }>>;
  /** The first that is not reached; null where all are. */
  now: Stage | null;
}
/** The stages as a restorer says them. */
export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  opened: 'Opened',
  sound: 'Metal sound',
  primed: 'Primed',
  filled: 'Filled, blocked',
  surfacer: 'In surfacer',
  painted: 'Painted',
  ready: 'Ready',
};

export interface PlanView {
  wish: PlanWishInput;
  /** Share of the runs in which it is ready by the day that was promised; null where none was, or nothing is planned. */
  inTime: number | null;
  /** Spells of rain that are forecast, ISO; empty where the car stands in the dry. */
  wet: [string, string][];
  workers: Worker[];
  /** IANA name of the shop's time zone. */
  timeZone: string;
  from: string;
  /** By when they begin. */
  steps: PlannedStep[];
  finish: string | null;
  /** What it was made of, hours from `from`: for asking what becomes of it when a step is moved; null where nothing is planned. */
  input: CalendarInput | null;
  /** In half and in nine of ten runs. */
  p50: string | null;
  p90: string | null;
  /** Hours of work that are left. */
  left: number;
  /** How far each repair has come from bare metal to paint. */
  stages: StagedView[];
  /** Steps that come later than they should after others, and by how many hours. */
  broken: { title: string; after: string; late: number }[];
  /** Steps that are blocked and so are in no plan, with all that waits for them. */
  blocked: { title: string; reason: string }[];
  /** What is there for parts over its days; null where money is not looked at, or nothing is planned. */
  money: PlannedMoney | null;
  /** Why there is no plan; null where there is one. */
  problem: string | null;
}

/** A step of one of the cars, when it is planned with those of all others. */
export interface TonightStep extends PlannedStep {
  vehicle: string;
  nickname: string;
}
/** What comes next, over all cars of the shop: people and the welder are there once. */
export interface TonightView {
  timeZone: string;
  workers: number;
  /** Those that begin within a week, by when they begin. */
  steps: TonightStep[];
  /** Why there is no plan; null where there is one, or nothing to do. */
  problem: string | null;
}

/** All that is left of all cars, and when. */
export interface WeeksView {
  from: string;
  timeZone: string;
  workers: readonly Worker[];
  /** By when they begin; those of the first cars, as many as are planned at once. */
  steps: TonightStep[];
  /** By car, when the last of its steps is done, ISO. */
  cars: { id: string; nickname: string; ready: string }[];
  /** Cars that are too many to be planned with these. */
  later: { id: string; nickname: string }[];
  /** Why there is no plan; null where there is one, or nothing to do. */
  problem: string | null;
}

/** The address by which a person's own calendar reads the plan; null: none is given out. */
export interface FeedView {
  since: string | null;
}
export interface NewFeed extends FeedView {
  /** Shown once; only a hash of it is kept. */
  token: string;
}
