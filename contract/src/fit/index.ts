import type { FitCure, FitPlace, FitReading, FitRound, NeighbourGap } from '@aspecta/core/fit';
import type { Point, Ring } from '@aspecta/core/geometry';

/** What is done about a joint; every word that a person reads for it stands here. */
export const FIT_CURE_WORDS: Readonly<Record<FitCure, string>> = {
  good: 'Good',
  trim: 'Trim it',
  clamp: 'Pull it together',
  bead: 'Build it up with a bead',
  strip: 'Let in a strip',
  again: 'Make the piece again',
};

export interface FitRoundInput {
  id: string;
  readings: FitReading[];
  neighbours: NeighbourGap[];
  /** What was clamped, moved or trimmed since the last one. */
  note: string;
}
export interface FitRoundView extends FitRoundInput {
  by: string;
  at: string;
  result: FitRound;
}
export interface FitPlaceView extends FitPlace {
  /** As a tape finds it: mm from that end of the joint. */
  mm: number;
  end: string;
}
export interface FitView {
  repairId: string;
  panel: string;
  piece: Ring;
  /** mm of the sheet, and the gap that is aimed at where edges meet. */
  thickness: number;
  wanted: number;
  /** `within` the piece: between two of its sections. */
  joints: { name: string; open: boolean; within: boolean; line: Point[] }[];
  places: FitPlaceView[];
  /** Oldest first. */
  rounds: FitRoundView[];
  /** It is welded although it does not fit, and why. */
  overruled: { reason: string; by: string; at: string } | null;
  /** The last trial fit is good, or overruled. */
  ready: boolean;
  /** The same repair on the other side, and how its fits went. */
  other: { repairId: string; panel: string; rounds: FitRoundView[] } | null;
}
export interface FitOverrule {
  /** Empty takes it back. */
  reason: string;
}
