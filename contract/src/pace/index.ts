import type { WorkKind } from '@aspecta/core/repair';

/** What each kind of work is called. */
export const WORK_WORDS: Readonly<Record<WorkKind, string>> = {
  strip: 'Stripping to clean metal',
  open: 'Cutting and opening joints',
  make: 'Making and trimming the piece',
  fit: 'Trial fits',
  weld: 'Welding and joining',
  dress: 'Dressing',
  treat: 'Treating rust',
  seal: 'Sealing',
  prime: 'Priming and coating',
};

/** How a shop's own hours compare with what was counted, in one kind of work. */
export interface PaceView {
  kind: WorkKind;
  /** Own hours for one counted hour. */
  factor: number;
  /** 80 %. */
  low: number;
  high: number;
  cases: { vehicle: string; panel: string; counted: number; spent: number; at: string }[];
  /** Estimates are reckoned with it. */
  used: boolean;
}
/** The same repair on both sides of a car: hours of the steps that were noted on both. */
export interface SecondSideCase {
  vehicle: string;
  /** Of the side that came second. */
  panel: string;
  first: number;
  second: number;
  at: string;
}
export interface PacesView {
  paces: PaceView[];
  /** Hours of the second side for one of the first, with its doubt (80 %). */
  second: { factor: number; low: number; high: number; cases: SecondSideCase[] };
  /** Hours from before then are left out. */
  since: string | null;
}
