import type { ClosedJoint, Closing, Fastener } from '@aspecta/core/repair';
import type { Ring } from '@aspecta/core/geometry';

/** What the joints are called; every word that a person reads for them stands here. */
export const JOINT_WORDS: Readonly<Record<string, string>> = {
  cut: 'Cut in the sheet',
  seam: 'Parting seam',
  spot: 'Spot-welded flange',
  braze: 'Brazed joint',
  hem: 'Hem',
  bolt: 'Bolted flange',
  rivet: 'Riveted edge',
  fold: 'Fold',
  return: 'Return',
  lip: 'Lip',
  drip: 'Gutter',
  free: 'Free edge',
};
/** What its fasteners are called, one and several. */
export const FASTENER_WORDS: Readonly<Record<string, readonly [string, string]>> = {
  spot: ['spot', 'spots'],
  lip: ['spot', 'spots'],
  drip: ['spot', 'spots'],
  bolt: ['bolt', 'bolts'],
  rivet: ['rivet', 'rivets'],
  hem: ['small weld', 'small welds'],
};

/** Found loose already, or opened; `holds` as long as nothing is said of it. */
export const FASTENER_STATES = ['holds', 'opened', 'loose'] as const;
export type FastenerState = (typeof FASTENER_STATES)[number];

export interface FastenerView extends Fastener {
  state: FastenerState;
  by: string | null;
}
/** In which ways a joint is closed; every word that a person reads for them stands here. */
export const CLOSING_WORDS: Readonly<Record<Closing, string>> = {
  butt: 'Butt weld',
  lap: 'Lap',
  joggle: 'Joggled lap',
  plug: 'Plug welds',
  spot: 'Spot welds',
  braze: 'Brazed',
  hem: 'Hem folded over',
  bolt: 'Bolts',
  rivet: 'Rivets',
  make: 'Made again',
};

/** A joint as it is shown: how it is closed, in which other ways it could be, and what to look out for. */
export interface JointView extends ClosedJoint {
  /** Its place: a choice is told by it. */
  at: [number, number];
  ways: Closing[];
  /** Of a cut with several straight runs: each by its place, with where it lies. Empty where it is one. */
  runs: { at: [number, number]; length: number; name: string }[];
  notes: string[];
  /** Mean hours to open and close it. */
  hours: number;
}

/** How a person wants the stretch that passes a place to be closed; null for as the house does it. */
export interface ClosingChange {
  at: [number, number];
  kind: string;
  closing: Closing | null;
  /** mm; null for as built, or as the house does it. */
  pitch: number | null;
  /** Fasteners that were counted there; null for as reckoned from the pitch. */
  found: number | null;
  /** Of a cut: for the straight run that passes the place only. */
  alone: boolean;
  version: number;
}

/** The joints of a repair with all of their fasteners in place. */
export interface JointsView {
  repairId: string;
  panel: string;
  choice: string;
  /** Sheet of the panel in which the joints lie. */
  layer: string;
  /** The piece, mm; the whole panel where it is replaced whole. */
  piece: Ring;
  whole: boolean;
  joints: JointView[];
  /** Of the choices; 0 where nothing was chosen. */
  version: number;
  fasteners: FastenerView[];
  /** Mean hours to open and close the joints, what is cut and welded in the sheet among them. */
  hours: number;
  work: { name: string; count: number; unit: string; hours: number }[];
}
/** What was found or done at some fasteners. */
export interface FastenerMark {
  ids: string[];
  state: FastenerState;
}
