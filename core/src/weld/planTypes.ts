import type { Point } from '../geometry/index.ts';
import type { Closing } from '../repair/index.ts';
import type { WeldMaterial } from './material.ts';
import type { ArcProcess, Position, Process, WeldSettings } from './settings.ts';

export type Strategy = 'coolest' | 'skip' | 'backstep' | 'continuous';

export interface WeldSeam {
  points: readonly Point[];
  closed: boolean;
  /** Side of the car: both sides are kept even where the structure is open. */
  side?: 'left' | 'right';
  position?: Position;
}

export interface WeldInput {
  /** Joints on the sheet, mm; a closed one without its closing point. */
  seams: readonly WeldSeam[];
  process: ArcProcess;
  /** Steel when left out. */
  material?: WeldMaterial;
  /** mm of one sheet. */
  thickness: number;
  /** Of seams that do not name their own. */
  position?: Position;
  /** °C at which a place may be welded again: it can be touched (T-09). */
  handWarm?: number;
  /** °C of the workshop. */
  ambient?: number;
  strategy?: Strategy;
  /** mm; 25 for MIG, 13 for TIG when left out. */
  pitch?: number;
  /** mm of one stitch (T-09). */
  stitch?: number;
}

/** What is done in a step, in about the order in which they come. */
export const STEP_KINDS = [
  'prepare',
  'bolt',
  'turn',
  'tack',
  'plug',
  'spot',
  'stitch',
  'hem',
  'braze',
  'rivet',
  'hole',
  'check',
  'dress',
  'seal',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];
/** Steps that put heat into the sheet at a place. */
export const isHot = ({ kind }: Pick<WeldStep, 'kind'>): boolean =>
  ['tack', 'plug', 'spot', 'stitch', 'hole'].includes(kind);

export interface WeldStep {
  n: number;
  kind: StepKind;
  /** Index of its joint. */
  seam: number;
  /** Places on the sheet, mm; a tack has the same place twice, a check none. */
  from: Point | null;
  to: Point | null;
  /** s to wait before it, so that its place is hand-warm. */
  wait: number;
  /** s from the beginning at which it starts, all waits included. */
  start: number;
  /** s of arc, or of checking. */
  duration: number;
  /** °C at its place just before it starts; null for a check. */
  temperature: number | null;
  /** J that it puts into the sheet; left out where it heats nothing, and by plans kept before this was noted. */
  energy?: number;
  text: string;
}

/** What a plan of welds uses up. */
export interface WeldSupplies {
  /** Wire or rod: mm across, metres of it, grams. */
  filler: { across: number; metres: number; grams: number } | null;
  /** Litres of shielding gas; null where none is set. */
  gas: number | null;
  /** Flap discs for what is ground level. */
  discs: number;
}

export interface WeldPlan {
  settings: WeldSettings;
  steps: WeldStep[];
  seamLength: number;
  tacks: number;
  stitches: number;
  arcTime: number;
  waitTime: number;
  totalTime: number;
  /** °C, highest at any start; of the workshop where nothing is heated. */
  hottestStart: number;
  /** Compares plans for the same joint (see distortion); it is no forecast in millimetres. 0 without a stitch. */
  distortionIndex: number;
  /** Left out by plans that were kept before this was reckoned. */
  supplies?: WeldSupplies;
  /** mm of the two sheets that it was laid out for, the thinner first; plans of earlier times do not say. */
  sheets?: readonly [number, number];
}

/** A process that welds seams and plugs; spots are made by a machine of their own. */
export type HandProcess = Exclude<Process, 'spot'>;
/** How a new panel is held until it is welded: clamps, or screws through it that leave holes to weld up (T-41, T-48). */
export type Holding = 'clamps' | 'screws';

/** A joint of a repair as it is to be closed. */
export interface WeldJoint {
  /** As a person reads it. */
  name: string;
  /** As built: cut, spot, hem, bolt … */
  kind: string;
  closing: Closing;
  /** mm; ends where it begins if it runs round. */
  line: readonly Point[];
  /** Plugs, spots, bolts or rivets with which it is closed. */
  welds: number;
  sheets?: number | undefined;
  position?: Position | undefined;
}

/** All joints of a repair, and how they are welded. */
export interface RepairWeldInput {
  joints: readonly WeldJoint[];
  process: HandProcess;
  /** Steel when left out. */
  material?: WeldMaterial | undefined;
  /** mm of the piece. */
  thickness: number;
  /** mm of the sheet that it is welded to, where it differs. */
  other?: number | undefined;
  position?: Position | undefined;
  handWarm?: number | undefined;
  ambient?: number | undefined;
  strategy?: Strategy | undefined;
  /** mm between tacks; by the process when left out. */
  pitch?: number | undefined;
  /** mm of one stitch. */
  stitch?: number | undefined;
  /** mm of a plug's hole; by the sheet when left out (T-10). */
  hole?: number | undefined;
  holding?: Holding | undefined;
  /** A copper bar is held behind every joint. */
  copper?: boolean | undefined;
  /** Names of welds that come first of their round. */
  first?: readonly string[] | undefined;
  /** Names of welds that are left out. */
  barred?: readonly string[] | undefined;
}

/** How the next stitch is chosen: by a fixed order, or among those that may be welded at once. */
export type Choice = Exclude<Strategy, 'coolest'> | 'coolest' | 'farthest' | 'warmest';
