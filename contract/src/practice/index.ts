import type { Point, Ring } from '@aspecta/core/geometry';
import type { Level, PracticeAnswer, PracticeGauge, PracticeScore, PracticeSeed } from '@aspecta/core/practice';

export const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  1: 'All of it shows',
  2: 'Some of it is quiet',
  3: 'Most of it is hidden',
};

export interface PracticeBest {
  points: number;
  at: string;
}
/** A made-up car as it is seen from outside. */
export interface PracticeView extends PracticeSeed {
  panels: { panel: string; sign: string }[];
  /** Readings that may be taken. */
  readings: number;
  /** The player's own best with this car. */
  best: PracticeBest | null;
}
export interface PracticeRead extends PracticeSeed {
  panel: string;
  at: Point;
  gauge: PracticeGauge;
  /** Readings that were taken before. */
  n: number;
}
export interface PracticeEnd extends PracticeSeed {
  answers: PracticeAnswer[];
  readings: number;
}
/** The truth, and how good the decisions were. */
export interface PracticeResult {
  score: PracticeScore;
  truth: { panel: string; gone: Ring[] }[];
  best: PracticeBest;
}
