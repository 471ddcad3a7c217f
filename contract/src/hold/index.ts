import type { DatumPoint, Figure } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import type { BraceProposal, GapFit, HeldFigure, MovedPoint, OpenFigure, Square, Tilt } from '@aspecta/core/hold';

/** How the car stands while it is measured; every word that a person reads for it stands here. */
export const STAND_WORDS = {
  stands: 'On axle stands',
  wheels: 'On its wheels',
  dolly: 'On a dolly',
  jig: 'On a jig',
  rotisserie: 'On a rotisserie',
  frame: 'On its own frame',
} as const;
export type Stand = keyof typeof STAND_WORDS;
export const STANDS = Object.keys(STAND_WORDS) as Stand[];

/** A measurement of the whole car: the first one is what all later ones are held against. */
export interface RoundInput {
  id: string;
  name: string;
  stand: Stand;
}
export interface RoundChange {
  name: string;
  stand: Stand;
  /** All that is to be taken has been taken. */
  finished: boolean;
  /** Ids of points that nobody has touched since the first measurement; null for all that no open cut concerns. */
  kept: string[] | null;
  version: number;
}
/** The tapes of an opening with four corners, a to d in turn: its sides, then its diagonals. */
export const CORNER_TAPES = ['ab', 'bc', 'cd', 'da', 'ac', 'bd'] as const;
export type CornerTape = (typeof CORNER_TAPES)[number];
/**
 * A tape between two points of a figure, or that something is in its way; a height of one point; a measure of one's own, by its name; or one of the six
 * of an opening that the body's drawing does not know.
 */
export type TapeKind = 'tape' | 'height' | 'own' | 'corners' | 'barred';
export interface TapeInput {
  id: string;
  kind: TapeKind;
  /** Point from which it is stretched; for a measure of one's own and for an opening its name. */
  from: string;
  /** Empty for a height and for a measure of one's own; for an opening which of its tapes. */
  to: string;
  /** mm; 0 where something is in the way. */
  length: number;
}
export interface TapeView extends TapeInput {
  by: string;
  at: string;
  /** What was read there before it was taken again, mm. */
  before: number[];
}

/** A figure as one measurement has it. */
export interface FigureNow {
  figure: string;
  held: HeldFigure | OpenFigure;
  /** Tapes that do not fit the others, to be taken again. */
  doubtful: [string, string][];
  /** The next tape that is still to be taken; null where all are there. */
  next: [string, string] | null;
  /** Of how many. */
  taken: number;
  of: number;
  /** Against the first measurement; null where either lacks tapes, or one does not fit. */
  moved: MovedPoint[] | null;
}
/** A length that was read at the first measurement and again, mm. */
export interface Compared {
  kind: TapeKind;
  from: string;
  to: string;
  was: number;
  now: number;
}
/** An opening by its four corners, as one measurement has it. */
export interface CornersView {
  name: string;
  lengths: Partial<Record<CornerTape, number>>;
  /** Whether it is square and what to move; null as long as a tape lacks. */
  found: Square | null;
  /** Why the tapes say nothing, in words. */
  trouble: string | null;
}
export interface RoundView extends RoundInput {
  finished: boolean;
  kept: string[];
  keptSaid: boolean;
  by: string;
  at: string;
  version: number;
  tapes: TapeView[];
  figures: FigureNow[];
  /** Against the first measurement, the greatest difference first; empty for the first one itself. */
  compared: Compared[];
  /** Heights of the left and the right side of the same point, mm. */
  sides: { name: string; left: number; right: number }[];
  /** Openings with four corners, by name. */
  corners: CornersView[];
  /** By its heights: how far the car leans; null where too few points have one on both sides. */
  tilt: Tilt | null;
  /** It stands otherwise than at the measurement before: what was measured then says nothing of how it lies now. */
  restood: Stand | null;
}

export interface FigureView extends Figure {
  own: boolean;
  /** Which tapes to take, in an order that saves walking. */
  tapes: [string, string][];
  /** Tapes in whose way something is, by their ids. */
  barred: { id: string; round: string; ends: [string, string] }[];
}
export interface PointInput {
  id: string;
  name: string;
  figure: string;
  /** Where it lies in the figure's drawing, mm. */
  at: Point;
}

export interface BraceInput {
  id: string;
  figure: string;
  ends: [string, string];
  /** mm, as it was cut. */
  length: number;
}
export interface BraceView extends BraceInput {
  fittedBy: string;
  fittedAt: string;
  /** Null while it is in. */
  outBy: string | null;
  outAt: string | null;
  /** Why it was taken out without a check. */
  reason: string;
}
export interface BraceOut {
  reason: string;
}

export interface GapInput {
  id: string;
  hung: string;
  readings: { place: string; gap: number; wanted: number }[];
  /** Thicknesses at hand, mm. */
  shims: number[];
}
export interface GapView extends GapInput {
  by: string;
  at: string;
  fit: GapFit;
  /** What each mount needs: lifted (up in the panel's drawing) and moved along, mm, and the shims that do it. */
  mounts: {
    id: string;
    name: string;
    lift: number;
    along: number;
    shims: number[];
    rest: number;
    /** What is rotten of that which carries it, in words: rebuilt before anything is shimmed. */
    rotten: string[];
  }[];
}

export interface HoldView {
  points: (DatumPoint & { own: boolean })[];
  figures: FigureView[];
  /** The first one first. */
  rounds: RoundView[];
  /** Panels that carry load and are cut or about to be. */
  out: string[];
  proposals: ({ figure: string } & BraceProposal)[];
  braces: BraceView[];
  /** A check was finished since the last load-bearing weld: braces may come out. */
  checked: boolean;
  gaps: GapView[];
  /** mm that a point may move before it is said. */
  mayMove: number;
}
