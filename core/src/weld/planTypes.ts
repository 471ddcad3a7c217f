import type { Point } from '../geometry/index.ts';
import type { WeldMaterial } from './material.ts';
import type { ArcProcess, ArcSettings, Position } from './settings.ts';

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

export interface WeldStep {
  n: number;
  kind: 'tack' | 'stitch' | 'check' | 'turn';
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
  text: string;
}

export interface WeldPlan {
  settings: ArcSettings;
  steps: WeldStep[];
  seamLength: number;
  tacks: number;
  stitches: number;
  arcTime: number;
  waitTime: number;
  totalTime: number;
  /** °C, highest at any start. */
  hottestStart: number;
  /** Compares plans for the same joint (see distortion); it is no forecast in millimetres. */
  distortionIndex: number;
}

/** How the next stitch is chosen: by a fixed order, or among those that may be welded at once. */
export type Choice = Exclude<Strategy, 'coolest'> | 'coolest' | 'farthest' | 'warmest';
