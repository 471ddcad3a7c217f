import type { ArcProcess, Position, Strategy, WeldPlan } from '@aspecta/core/weld';

export interface WeldSettingsInput {
  process: ArcProcess;
  position: Position;
  handWarm: number;
  strategy: Strategy;
}

/** A plan that another one has taken the place of when welding had begun; its welds are in the metal. */
export interface EarlierWeld {
  steps: number;
  done: { n: number; at: string; by: string }[];
  reason: string;
  by: string;
  at: string;
}

export interface WeldPlanView {
  repairId: string;
  panel: string;
  input: WeldSettingsInput;
  plan: WeldPlan;
  /** Steps that are done, with the time of the server. */
  done: { n: number; at: string; by: string }[];
  /** Who has read the cautions, and when. */
  acknowledged: { by: string; at: string } | null;
  version: number;
  /** The outline of the cut for which this was planned, to draw it. */
  joints: { points: [number, number][]; closed: boolean }[];
  /** The line is not any more the one that this was planned for, or the repair is none in the sheet now. */
  moved: boolean;
  /** Plans before this one of which welds were done, oldest first. */
  earlier: EarlierWeld[];
}

export const weldDefaults: WeldSettingsInput = { process: 'mig', position: 'flat', handWarm: 50, strategy: 'coolest' };
