import type { Fastener, PieceJoint } from '@aspecta/core/repair';
import type { Ring } from '@aspecta/core/geometry';

/** What the joints are called; every word that a person reads for them stands here. */
export const JOINT_WORDS: Readonly<Record<string, string>> = {
  cut: 'Cut in the sheet',
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
};

/** Found loose already, or opened; `holds` as long as nothing is said of it. */
export const FASTENER_STATES = ['holds', 'opened', 'loose'] as const;
export type FastenerState = (typeof FASTENER_STATES)[number];

export interface FastenerView extends Fastener {
  state: FastenerState;
  by: string | null;
}
/** The joints of a repair with all of their fasteners in place. */
export interface JointsView {
  repairId: string;
  panel: string;
  choice: string;
  /** The piece, mm; the whole panel where it is replaced whole. */
  piece: Ring;
  whole: boolean;
  joints: PieceJoint[];
  fasteners: FastenerView[];
  /** Mean hours to open and close the joints: cutting and welding in the sheet is not among them. */
  hours: number;
  work: { name: string; count: number; unit: string; hours: number }[];
}
/** What was found or done at some fasteners. */
export interface FastenerMark {
  ids: string[];
  state: FastenerState;
}
